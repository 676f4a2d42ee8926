import type { InferType } from 'yup';
import type { Frozen } from '../fields/frozen';
import { array, mixed, number, object, string } from '../fields';
import { newLogEntry as entry, TIMINGS } from '../log';

/** An entry of the log as it is shown: what happened, when, by whom, and what came of it. */
export const logRecord = object({
  id: string().required(),
  at: string().required(),
  /** When it arrived. */
  takenAt: string().optional(),
  /** How far it is known when it happened; older ones: as far as it was believed. */
  timing: string().oneOf(TIMINGS).optional(),
  by: string().nullable().defined(),
  /** Who sent it on, where it was not who made it. */
  sentBy: string().nullable().defined(),
  kind: string().required(),
  facts: mixed<Readonly<Record<string, unknown>>>().required(),
  outcome: mixed<Readonly<Record<string, unknown>>>().required(),
  jobId: string().nullable().defined(),
  corrects: string().nullable().defined(),
});
export type LogRecord = Frozen<InferType<typeof logRecord>>;

/** An entry as it is sent. A lead who sends on what another made names them: both stand in the log. */
export const newLogEntry = entry.concat(object({ madeBy: number().integer().nullable().default(null) }));
export type SentLogEntry = Frozen<InferType<typeof newLogEntry>>;

export const taken = object({ entry: logRecord.required() });

/** What changed: whoever shows it reads it anew. */
export interface Change {
  readonly what:
    | 'sessions'
    | 'devices'
    | 'unit'
    | 'order'
    | 'quote'
    | 'photo'
    | 'parts'
    | 'hires'
    | 'clock'
    | 'bench'
    | 'hours';
  /** A tag, an order's id, a part's number. */
  readonly id: string;
}

export const records = array(logRecord.required()).required();
