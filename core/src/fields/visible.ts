/** A character that leaves nothing to be read: space of any kind, control characters, what has no width, blanks that pass for letters. */
const UNSEEN = /^[\s\p{C}\p{Z}\p{Default_Ignorable_Code_Point}\u2800]$/u;
const isSeen = (character: string): boolean => !UNSEEN.test(character);

/** Text without what cannot be seen before and behind it. Example: a zero-width space and "a" is "a". */
export function trimUnseen(text: string): string {
  const characters = [...text];
  const first = characters.findIndex(isSeen);
  return first < 0 ? '' : characters.slice(first, characters.findLastIndex(isSeen) + 1).join('');
}

/** How many characters of a text can be seen. Example: "a b" has two. */
export const seenLength = (text: string): number => [...text].filter(isSeen).length;
