const SIGNED = /^[-−+]?(\d+([.,]\d+)?|[.,]\d+)$/;
const BEGUN = /^[-−+]?\d*[.,]?$/;

/**
 * A figure as a person types it: a comma is a decimal point, everywhere.
 * In: text. Out: the number, below nought too; null where there is no one figure in it. Example: "12,5" is 12.5; "1,234.5" is none: nobody
 * can tell what was meant.
 */
export function readFigure(text: string): number | null {
  const typed = text.trim();
  return SIGNED.test(typed) ? Number(typed.replace(',', '.').replace('−', '-')) : null;
}

/** Whether what is typed is no figure, and not the beginning of one either: "12," may still become one. */
export const isNoFigure = (text: string): boolean => readFigure(text) === null && !BEGUN.test(text.trim());

/** The same, from nought up. */
export function readPositive(text: string): number | null {
  const figure = readFigure(text);
  return figure === null || figure < 0 ? null : figure;
}
