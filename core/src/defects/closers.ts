import { NOT_LOOKED_AT, NOT_POSSIBLE, type DefectOrigin } from './defectsOf';

/**
 * How a defect came to its end, as its closing event says. not-found: a proof long enough did not show what was told. lived-with: a lead decided
 * so, with what to watch. not-fitted: this unit has not got what the check looks at. moved: it was told of the wrong unit.
 */
export const DEFECT_ENDS = [
  'put-right',
  'was-all-right',
  'looked-at',
  'not-found',
  'lived-with',
  'not-fitted',
  'undone',
  'moved',
] as const;
export type DefectEnd = (typeof DEFECT_ENDS)[number];

/** What closes a defect from this origin, as a person reads it beside the defect. */
export function sayCloser({ kind, exception }: DefectOrigin): string {
  if (kind === 'check' && (exception === NOT_LOOKED_AT || exception === NOT_POSSIBLE))
    return 'Closes when somebody has looked.';
  return CLOSERS[kind];
}

const CLOSERS: Readonly<Record<DefectOrigin['kind'], string>> = {
  check: 'Closes when the work is signed and the same look is in order.',
  derived: 'Closes when the work is signed and what it stands for is shown to be over.',
  hours: 'Closes when the work is signed and the same look is in order.',
  told: 'Closes with the cause that explains it, or when a proof long enough does not show it.',
  cause: 'Closes when it is repaired and the proof has passed.',
  kit: 'Closes when it is counted in.',
  clock: 'Closes when the same wait ends well.',
  reading: 'Closes when it is within its limits in a later run.',
  look: 'Closes when that look is right after what was done, and the proof has passed.',
  'stays-off': 'Closes when it is back on, or a lead says that it is none of this unit’s.',
  unit: 'Closes with a check-in.',
  'by-hand': 'Closes with a technician’s look.',
};

interface Looking {
  readonly origin: DefectOrigin;
  readonly sentence: string;
  readonly seenAt: string;
  readonly safety: boolean;
  /** How often it was seen, by different looks. */
  readonly sightings: number;
  /** What puts it right asks a proof. */
  readonly asksProof: boolean;
}

/** Why a look closes nothing. */
export type LookRefusal =
  | { readonly code: 'look-too-old'; readonly seenAt: string }
  | { readonly code: 'worked-since'; readonly at: string }
  | { readonly code: 'things-off'; readonly things: readonly string[] }
  | { readonly code: 'needs-proof' }
  | { readonly code: 'second-wanted'; readonly why: SecondFor }
  | { readonly code: 'closes-otherwise' };

interface Look {
  readonly at: string;
  readonly how: DefectEnd;
  /** What is off, with what it belongs to; undefined: nobody said. */
  readonly off: readonly { readonly what: string; readonly system?: string | undefined }[];
  /** When something of the same was last worked on; null: never. */
  readonly workedAt: string | null;
  /** What the defect's check looks at. */
  readonly system?: string | undefined;
  /** It signs the work that was there for it, and that work asks no proof. */
  readonly signsWork?: boolean | undefined;
  readonly byLead: boolean;
  /** A second person looked, or nobody else was there and that is said. */
  readonly witnessed: boolean;
}

/** These end by an event of their own, whatever anybody has seen. */
const BY_EVENT: readonly DefectOrigin['kind'][] = ['unit', 'reading', 'hours'];
/** These are put right by work that is proved; a look alone can only say that it was not so. */
const BY_PROOF: readonly DefectOrigin['kind'][] = ['cause', 'told', 'clock', 'look'];

/**
 * Whether somebody's look may close a defect. Not when it is older than the last sighting or the last work there, nor while anything of that
 * system is off, nor where an event of its own closes it. A look is no repair: where one is asked that is proved, a look can only say that it was
 * all right; of what was seen twice a lead says so, or two people; of what was told and is dangerous, two people.
 * In: the defect, the look. Out: why not, or null. Source: common practice.
 */
export function lookRefusal(defect: Looking, look: Look): LookRefusal | null {
  if (look.at < defect.seenAt) return { code: 'look-too-old', seenAt: defect.seenAt };
  if (look.workedAt !== null && look.at < look.workedAt) return { code: 'worked-since', at: look.workedAt };
  const { kind } = defect.origin;
  const ends = endsByLook(defect);
  if (ends.length === 0) return { code: 'closes-otherwise' };
  if (look.how === 'put-right' && !ends.includes('put-right') && look.signsWork !== true)
    return { code: 'needs-proof' };
  const bears = (thing: Look['off'][number]): boolean =>
    kind !== 'check' || thing.system === undefined || thing.system === look.system;
  const things = look.off.filter(bears).map((thing) => thing.what);
  return things.length > 0 ? { code: 'things-off', things } : secondWanted(defect, look);
}

function secondWanted(defect: Looking, look: Look): LookRefusal | null {
  if (look.how !== 'was-all-right' || look.witnessed) return null;
  const why = secondFor(defect);
  return why === null || (why === 'seen-twice' && look.byLead) ? null : { code: 'second-wanted', why };
}

type Known = Pick<Looking, 'origin' | 'safety' | 'sightings' | 'asksProof'>;

/** What a look by itself may say of a defect: nothing, where an event of its own closes it; no repair, where one is asked that is proved. */
export function endsByLook({ origin, asksProof }: Pick<Known, 'origin' | 'asksProof'>): readonly LookEnd[] {
  if (BY_EVENT.includes(origin.kind)) return [];
  return BY_PROOF.includes(origin.kind) || asksProof ? ['was-all-right'] : ['put-right', 'was-all-right'];
}
export const LOOK_ENDS = ['put-right', 'was-all-right'] as const;
export type LookEnd = (typeof LOOK_ENDS)[number];

/** Why two say that it was all right: it was told and is dangerous; or it was seen twice (then a lead may by themselves). Null: one is enough. */
export function secondFor({ origin, safety, sightings, asksProof }: Known): SecondFor | null {
  if (origin.kind === 'told' && safety) return 'danger';
  return sightings > 1 && !endsByLook({ origin, asksProof }).includes('put-right') ? 'seen-twice' : null;
}
export const SECOND_FOR = ['seen-twice', 'danger'] as const;
export type SecondFor = (typeof SECOND_FOR)[number];
