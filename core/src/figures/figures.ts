/** How a yard writes money and figures: settings, not a habit of the program. */
export interface Writing {
  /** ISO 4217, as USD. */
  readonly currency: string;
  /** BCP 47, as en-US. */
  readonly locale: string;
}

const formats = new Map<string, Intl.NumberFormat>();

function formatFor(locale: string, options: Intl.NumberFormatOptions): Intl.NumberFormat {
  const key = JSON.stringify([locale, options]);
  const known = formats.get(key) ?? new Intl.NumberFormat(locale, options);
  formats.set(key, known);
  return known;
}

/**
 * Money as the yard writes it. In: hundredths of the currency's unit, whole. Out: text; whole units where `whole` is asked, rounded half away
 * from zero. Source: ECMA-402. Example: 123456 in USD and en-US is $1,234.56.
 */
export const formatMoney = (cents: number, { currency, locale }: Writing, { whole = false } = {}): string =>
  formatFor(locale, {
    style: 'currency',
    currency,
    ...(whole ? { maximumFractionDigits: 0, minimumFractionDigits: 0 } : {}),
  }).format(cents / 100);

/** A figure with at most (and, where asked, at least) so many digits after the point. Example: 1234.5 in de-DE is 1.234,5. */
export const formatFigure = (value: number, locale: string, most = 1, least = 0): string =>
  formatFor(locale, { maximumFractionDigits: most, minimumFractionDigits: least }).format(value);
