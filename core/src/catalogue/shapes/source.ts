/** Where a value comes from. Every limit and figure of the catalogue names one. */
export type Source =
  | { readonly kind: 'common practice' }
  | { readonly kind: 'judgement' }
  | { readonly kind: 'published'; readonly title: string };

export const COMMON_PRACTICE: Source = { kind: 'common practice' };
export const JUDGEMENT: Source = { kind: 'judgement' };
export const published = (title: string): Source => ({ kind: 'published', title });
