import type { MachineClass } from './machineClass';
import type { Rated } from './ratings';
import type { Source } from './source';
import type { SimulatedUnit } from './simulation';
import type { ProofPlan } from './workshop';

/** What a hire day of a class brings, what its units are worth, and what another engine costs. */
export interface ClassMoney {
  readonly dayCents: number;
  readonly soundCents: number;
  readonly scrapCents: number;
  readonly engineCents: number;
  readonly swapMinutes: number;
  /** In how many hours, and in how many years, it loses half of what it is worth. */
  readonly halfLife: { readonly hours: number; readonly years: number };
  readonly source: Source;
}

/** A drawing in a square of 48: SVG path data and circles, drawn with one stroke. */
export interface Drawing {
  readonly paths: readonly string[];
  readonly circles: readonly { readonly x: number; readonly y: number; readonly radius: number }[];
}

/** All that a class of machine brings: one folder, one index line. A part that is missing does not compile. */
export interface ClassFolder {
  readonly machineClass: MachineClass;
  readonly proof: ProofPlan;
  /** What a unit of this class is rated for where neither it nor its model says so. */
  readonly rated: Rated;
  readonly money: ClassMoney;
  readonly simulation: SimulatedUnit;
  readonly drawing: Drawing;
}
