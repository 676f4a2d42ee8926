/**
 * Where a value comes from. Every limit, odds, price, minute and threshold names one.
 * published: the document and the clause in it; where the clause or the figure in it was not at hand, that is said. common practice: what the
 * trade does, with no document. from memory: a figure that somebody remembered, to be looked up before it counts. judgement: ours. own: the
 * yard's: its models' sheets, its units' plates, its price list, its supplier, its proven visits.
 */
export type Source =
  | { readonly kind: 'published'; readonly document: string; readonly clause: string }
  | { readonly kind: 'common practice' }
  | { readonly kind: 'from memory'; readonly of: string }
  | { readonly kind: 'judgement'; readonly because?: string }
  | { readonly kind: 'own'; readonly of: OwnSource };

export type OwnSource =
  | 'model sheet'
  | 'unit plate'
  | 'plate or sheet'
  | 'price list'
  | 'supplier'
  | 'proven visits'
  | 'bookings';

export const COMMON_PRACTICE: Source = { kind: 'common practice' };
export const JUDGEMENT: Source = { kind: 'judgement' };
export const published = (document: string, clause: string): Source => ({ kind: 'published', document, clause });
export const fromMemory = (of: string): Source => ({ kind: 'from memory', of });
export const judgement = (because: string): Source => ({ kind: 'judgement', because });
export const own = (of: OwnSource): Source => ({ kind: 'own', of });

const OWN_WORDS: Readonly<Record<OwnSource, string>> = {
  'model sheet': 'The model’s own data sheet',
  'unit plate': 'The unit’s own plate',
  'plate or sheet': 'The unit’s own plate or its model’s data sheet',
  'price list': 'The yard’s own price list',
  supplier: 'What the supplier said last',
  'proven visits': 'The yard’s own proven visits',
  bookings: 'The yard’s own bookings',
};

/** A source in a word or two, for where the words come at a tap. */
export const shortSource = (source: Source): string => {
  if (source.kind === 'published') return source.document;
  return source.kind === 'own' ? OWN_WORDS[source.of].toLowerCase() : source.kind;
};

/** A source in words. Example: ISO 2533:1975, troposphere. */
export function saySource(source: Source): string {
  switch (source.kind) {
    case 'published':
      return `${source.document}, ${source.clause}`;
    case 'common practice':
      return 'Common practice; no document';
    case 'from memory':
      return `${source.of}, from memory: look it up before it counts`;
    case 'judgement':
      return source.because === undefined ? 'Our judgement' : `Our judgement: ${source.because}`;
    case 'own':
      return OWN_WORDS[source.of];
  }
}

/** A figure on which something turns, with its unit and where it comes from. */
export interface Threshold {
  readonly name: string;
  readonly value: number;
  readonly unit: string;
  readonly source: Source;
}
