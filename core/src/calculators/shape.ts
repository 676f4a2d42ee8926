import type { AnyUnit } from '../units';

/** A value asked for. With a unit of ours it may be typed in any unit of the same dimension; it comes to the sum in this one. */
export interface Asked {
  readonly id: string;
  readonly label: string;
  readonly unit: AnyUnit | 'rpm' | 'poles' | '%' | 'L/min' | 'A' | '°C' | ': 1' | 's' | 'W' | 'mL/L';
  /** What stands there at first. */
  readonly usual: number;
}

export interface Given {
  readonly id: string;
  readonly label: string;
  readonly value: number;
  readonly unit: string;
  /** What it means, where it means something. */
  readonly sentence?: string;
}

type Values = Readonly<Record<string, number>>;

/** A bench sum: what it asks, what it gives, how, from where, and one worked example that stands in a test. */
export interface Calculator {
  readonly id: string;
  readonly name: string;
  readonly does: string;
  readonly asks: readonly Asked[];
  /** Out: the results, or null where the values make no sense together. */
  readonly gives: (values: Values) => readonly Given[] | null;
  readonly formula: string;
  readonly source: string;
  readonly worked: { readonly given: Values; readonly gives: Values };
}
