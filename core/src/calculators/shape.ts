import type { RatingId, Source } from '../catalogue/shapes';
import type { ReadingLimits } from '../readings';
import type { AnyUnit } from '../units';

/** A value asked for. With a unit of ours it may be typed in any unit of the same dimension; it comes to the sum in this one. */
export interface Asked {
  readonly id: string;
  readonly label: string;
  readonly unit: AnyUnit | 'poles' | ': 1' | 'mL/L' | '';
  /** What stands there at first. */
  readonly usual: number;
  /** One of these is tapped, nothing is typed. */
  readonly options?: readonly Option[];
  /** It may be below nought. */
  readonly isSigned?: true;
  /** A figure that a model’s or unit’s plate may give. */
  readonly rating?: RatingId;
}

export interface Option {
  readonly value: number;
  readonly words: string;
}

export interface Given {
  readonly id: string;
  readonly label: string;
  readonly value: number;
  readonly unit: string;
  /** What it means, where it means something. */
  readonly sentence?: string;
  /** Where what it is judged by comes from, where that is not the calculator’s own. */
  readonly source?: Source;
}

type Values = Readonly<Record<string, number>>;

/** What the sheet of a model says, or the defaults: a model's own limits judge a sum, too. */
export interface OfModel {
  readonly limits: ReadingLimits;
}

/** A bench sum: what it asks, what it gives, how, from where, and one worked example that stands in a test. */
export interface Calculator {
  readonly id: string;
  readonly name: string;
  readonly does: string;
  readonly asks: readonly Asked[];
  /** Out: the results, or null where the values make no sense together. */
  readonly gives: (values: Values, of: OfModel) => readonly Given[] | null;
  /** It judges by limits that a model may have of its own. */
  readonly isOfModel?: true;
  /** Drawn as a tube: which of what is asked stands in it as fuel, and by how much the water below grew. */
  readonly tube?: { readonly fuel: string; readonly grown: string };
  readonly formula: string;
  readonly sources: readonly [Source, ...Source[]];
  readonly worked: { readonly given: Values; readonly gives: Values };
}
