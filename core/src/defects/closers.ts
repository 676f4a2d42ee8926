import { NOT_LOOKED_AT, NOT_POSSIBLE, type DefectOrigin } from './defectsOf';

/**
 * How a defect came to its end, as its closing event says. not-found: a proof long enough did not show what was told. lived-with: a lead decided
 * so, with what to watch. not-fitted: this unit has not got what the check looks at.
 */
export const DEFECT_ENDS = [
  'put-right',
  'was-all-right',
  'looked-at',
  'not-found',
  'lived-with',
  'not-fitted',
  'undone',
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
  unit: 'Closes with a check-in.',
  'by-hand': 'Closes with a technician’s look.',
};

interface Looking {
  readonly origin: DefectOrigin;
  readonly sentence: string;
  readonly seenAt: string;
}

/** Why a look closes nothing. */
export type LookRefusal =
  | { readonly code: 'look-too-old'; readonly seenAt: string }
  | { readonly code: 'things-off'; readonly things: readonly string[] }
  | { readonly code: 'closes-otherwise' };

interface Look {
  readonly at: string;
  readonly how: DefectEnd;
  /** What is off, with what it belongs to; undefined: nobody said. */
  readonly off: readonly { readonly what: string; readonly system?: string | undefined }[];
  /** What the defect's check looks at. */
  readonly system?: string | undefined;
  /** It signs the work that was there for it, and that work asks no proof. */
  readonly signsWork?: boolean | undefined;
}

/** These end by an event of their own, whatever anybody has seen. */
const BY_EVENT: readonly DefectOrigin['kind'][] = ['unit', 'reading'];
/** These are put right by a repair that is proved; a look alone can only say that it was not so. */
const BY_PROOF: readonly DefectOrigin['kind'][] = ['cause', 'told'];

/**
 * Whether somebody's look may close a defect. Not when it is older than the last sighting, nor while anything of that system is off, nor where
 * an event of its own closes it, nor where only signed work puts it right. In: the defect, the look. Out: why not, or null. Source: common practice.
 */
export function lookRefusal(defect: Looking, look: Look): LookRefusal | null {
  if (look.at < defect.seenAt) return { code: 'look-too-old', seenAt: defect.seenAt };
  const { kind } = defect.origin;
  if (BY_EVENT.includes(kind)) return { code: 'closes-otherwise' };
  if (BY_PROOF.includes(kind) && look.how === 'put-right' && look.signsWork !== true)
    return { code: 'closes-otherwise' };
  const bears = (thing: Look['off'][number]): boolean =>
    kind !== 'check' || thing.system === undefined || thing.system === look.system;
  const things = look.off.filter(bears).map((thing) => thing.what);
  return things.length > 0 ? { code: 'things-off', things } : null;
}
