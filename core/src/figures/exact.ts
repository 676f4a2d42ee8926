/**
 * A sum of decimals as it is on paper: 0.1 + 0.2 is 0.3. Twelve figures are more than any gauge has, and fewer than a double keeps.
 * In: any finite number. Out: the same, without what binary fractions left on it. Example: (62.4 − 60) ÷ 60 × 100 is 4, not 3.999….
 */
export const exact = (value: number): number => Number(value.toPrecision(12));
