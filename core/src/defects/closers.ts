import { NOT_LOOKED_AT, type DefectOrigin } from './defectsOf';

/** How a defect came to its end, as its closing event says. */
export const DEFECT_ENDS = ['put-right', 'was-all-right', 'looked-at'] as const;
export type DefectEnd = (typeof DEFECT_ENDS)[number];

/** What closes a defect from this origin, as a person reads it beside the defect. */
export function sayCloser({ kind, exception }: DefectOrigin): string {
  if (kind === 'check' && exception === NOT_LOOKED_AT) return 'Closes when somebody has looked.';
  return CLOSERS[kind];
}

const BY_LOOK = 'Closes when the work is signed and the same look is in order.';
const CLOSERS: Readonly<Record<DefectOrigin['kind'], string>> = {
  check: BY_LOOK,
  derived: BY_LOOK,
  hours: BY_LOOK,
  told: 'Closes when its cause is put right and the proof has passed.',
  cause: 'Closes when it is repaired and the proof has passed.',
  kit: 'Closes when it is counted in.',
  'by-hand': 'Closes with a technician’s look.',
};
