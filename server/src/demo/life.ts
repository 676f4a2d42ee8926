import type { Fate } from './scenario';
import type { ClassId } from '@hudrik/core/catalogue';

export interface Life {
  readonly classId: ClassId;
  readonly modelId: number;
  readonly tag: string;
  readonly place: number;
  readonly fate: Fate;
  /** Milliseconds. */
  readonly beganAt: number;
  readonly now: number;
  /** Days between hires, about. */
  readonly gapDays: number;
  readonly notesPerHire: number;
  readonly personIds: { readonly counter: number; readonly technicians: readonly number[] };
}

export const GONE_WHY = 'Crankcase cracked; engine and frame scrapped, alternator kept';
