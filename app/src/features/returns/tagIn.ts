const IN_ADDRESS = /\/u\/([a-z]{2}-\d{2,4})\b/i;
const TYPED = /^([a-z]{2})[-\s]?(\d{1,4})$/i;

/**
 * The tag in what was typed or came from a scanner: a tag, however it is written ("ge7", "GE 07"), or the address that a label's code holds.
 * Null: there is none in it.
 */
export function tagIn(text: string): string | null {
  const written = text.trim();
  const inAddress = IN_ADDRESS.exec(written)?.[1];
  if (inAddress !== undefined) return inAddress.toUpperCase();
  const [, letters, figures] = TYPED.exec(written) ?? [];
  return letters === undefined || figures === undefined ? null : `${letters.toUpperCase()}-${figures.padStart(2, '0')}`;
}
