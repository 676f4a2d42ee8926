import type { Applies, Strain } from './engine';
import type { CautionId, ClassId, FaultId, ObservationId, SetUpId, Shows } from './ids';

/** The lanes of fault finding: an engine needs the first five; then the machine that it drives. */
export const LANES = ['compression', 'spark', 'timing', 'fuel', 'air', 'machine'] as const;
export type Lane = (typeof LANES)[number];

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
  readonly repair: {
    readonly title: string;
    readonly minutes: number;
    readonly partsCents: number;
    readonly setUps?: readonly string[];
  };
  /** Told with this cause, never by itself. */
  readonly consequences?: readonly string[];
  readonly caution?: string;
  /** Looks that tell it from others, where none sees it itself: for the price of ruling it out. */
  readonly proof?: readonly string[];
  /** It can hurt somebody: it is not lived with, and nobody may wave it through. */
  readonly safety?: true;
}

/** A fault of the catalogue: what it names exists. */
export interface Fault extends AnyFault {
  readonly perThousandOf?: Readonly<Partial<Record<ClassId, number>>>;
  readonly shows: Shows;
  readonly repair: Omit<AnyFault['repair'], 'setUps'> & { readonly setUps?: readonly SetUpId[] };
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
