import type { Applies, Strain } from './engine';
import type { CautionId, ClassId, FaultId, ObservationId, SetUpId, Shown, Shows } from './ids';

/** The lanes of fault finding: an engine needs the first five; then the machine that it drives. */
export const LANES = ['compression', 'spark', 'timing', 'fuel', 'air', 'machine'] as const;
export type Lane = (typeof LANES)[number];

/** A way to put a fault right. */
export interface Repair {
  readonly title: string;
  readonly minutes: number;
  readonly partsCents: number;
  readonly setUps?: readonly string[];
  /** It fits a new part in place of the old: what state the old one is in does not matter then. */
  readonly renews?: true;
  /** In what share of machines it holds (judgement); nearly always where it is not said. */
  readonly holds?: number;
  /** Where this was seen, it holds in another share. */
  readonly holdsWhen?: readonly (Shown & { readonly holds: number })[];
  /** What it puts right besides: strip and bath clears the passages too. */
  readonly cures?: readonly string[];
}

/** What the sums ask of a fault: they know no id. */
export interface AnyFault {
  readonly name: string;
  readonly lane: Lane;
  /** Comebacks are counted by family: the same trouble, whatever part was named. */
  readonly family: string;
  readonly when?: Applies;
  /** Of a thousand machines that come to fault finding, how many have it, nothing else being known (judgement). */
  readonly perThousand: number;
  /** By class, where it is not the same. */
  readonly perThousandOf?: Readonly<Record<string, number | undefined>>;
  /** What raises (or lowers) its odds: added to the log odds per unit of strain (judgement). */
  readonly strains?: Readonly<Partial<Record<Strain, number>>>;
  /** How often it shows how, by observation: the parts of an observation add up to how often it speaks at all (judgement). */
  readonly shows: Readonly<Record<string, Readonly<Record<string, number | undefined>> | undefined>>;
  /** Lower masks higher: where several could speak to one observation, the lowest rank is heard. */
  readonly rank: number;
  readonly repair: Repair;
  /** Other ways to put it right. */
  readonly rivals?: readonly Repair[];
  /** Told with this cause, never by itself. */
  readonly consequences?: readonly string[];
  readonly caution?: string;
  /** Looks that tell it from others, where none sees it itself: for the price of ruling it out. */
  readonly proof?: readonly string[];
  /** It can hurt somebody: it is not lived with, and nobody may wave it through. */
  readonly safety?: true;
}

interface KnownRepair extends Repair {
  readonly setUps?: readonly SetUpId[];
  readonly cures?: readonly FaultId[];
}

/** A fault of the catalogue: what it names exists. */
export interface Fault extends AnyFault {
  readonly perThousandOf?: Readonly<Partial<Record<ClassId, number>>>;
  readonly shows: Shows;
  readonly repair: KnownRepair;
  readonly rivals?: readonly KnownRepair[];
  readonly caution?: CautionId;
}

/** A fixed order of checks that a school of the trade keeps to. */
export interface School {
  readonly id: string;
  readonly words: string;
  readonly order: readonly ObservationId[];
}

/** What a fault brings about in the end, and in what share of machines. */
export type Brings = Readonly<Partial<Record<FaultId, Readonly<Partial<Record<FaultId, number>>>>>>;

/** Faults by their ids. */
export type FaultEntries = Readonly<Partial<Record<FaultId, Fault>>>;
