import type { Consequence, RaisedWork } from './check';
import type { CautionId, ClockId, Shown } from './ids';
import type { Source } from './source';

/** Numbers about the unit that derived findings may ask for. */
export const FACTS = [
  'hoursToOilService',
  'hoursToOilServiceAfterNextHire',
  'stationsHurried',
  'fuelEighthsShort',
  'tapFoundOpen',
  'hoursOverrideOneIn',
  'byApprentice',
  'comebacks',
] as const;
export type FactName = (typeof FACTS)[number];

export type Condition =
  | { readonly shown: Shown }
  | { readonly fact: FactName; readonly below: number }
  | { readonly fact: FactName; readonly atLeast: number };

/** A finding that no single check shows. */
export interface DerivedFinding {
  readonly id: string;
  /** All must hold. */
  readonly when: readonly [Condition, ...Condition[]];
  readonly consequence: Consequence;
  /** Where the rule and its thresholds come from. */
  readonly source: Source;
  /** May hold {factName}, filled in with the number, without its sign. */
  readonly sentence: string;
  readonly raises?: RaisedWork;
  readonly caution?: CautionId;
  /** It can hurt somebody: nobody may wave it through. */
  readonly safety?: true;
  /** What must be shown before a look closes it: this wait ended well, or a cause of this family put right. */
  readonly closesBy?: { readonly clock: ClockId; readonly orFamily: string };
  /** This finding says it better: reasons that show these are left out beside it. */
  readonly replaces?: readonly Shown[];
}

export const COMPLAINT_GROUPS = ['machine', 'starting', 'running', 'smoke-and-feel'] as const;
export type ComplaintGroup = (typeof COMPLAINT_GROUPS)[number];

/** Something the hirer noticed. */
export interface Complaint {
  readonly id: string;
  /** Under which heading it is offered. */
  readonly group: ComplaintGroup;
  readonly words: string;
  /** What it shows in the fault-finding vocabulary; nothing: no fault of it is known by that. */
  readonly shows?: Shown;
  readonly consequence: Consequence;
  readonly sentence: string;
  /** It can hurt somebody: it counts from the moment it is told, and nobody may wave it through. */
  readonly safety?: true;
  readonly raises?: RaisedWork;
}
