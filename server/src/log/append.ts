import { randomUUID } from 'node:crypto';
import type { LogRecord } from '@hudrik/core/contracts';
import type { Facts, KindId, Timing } from '@hudrik/core/log';
import { notifyChange } from '../background/notify';
import type { Actor } from '../context';
import type { Trx, UnitRow } from '../database/tables';
import { hangPhotos } from './hangPhotos';
import { recordOf } from './readLog';

/** An entry to be written. */
export type NewEntry<K extends KindId = KindId> = {
  [T in K]: {
    readonly kind: T;
    readonly facts: Facts<T>;
    /** Made where it happened; without one, here. */
    readonly id?: string;
    /** When it happened, where that is not now. */
    readonly at?: Date;
    readonly timing?: Timing;
    readonly outcome?: Readonly<Record<string, unknown>>;
    readonly jobId?: number | null;
    readonly findingId?: string | null;
    readonly correctsId?: string | null;
    /** Whose it is, where not of who makes the change: another's that is gone on with, or nobody's (the program does it itself). */
    readonly by?: Pick<Actor, 'id' | 'name'> | null;
    /** Who sent on what another made. */
    readonly sentBy?: Actor | null;
  };
}[K];

/** Writes an entry into the log, and tells who watches the unit. Only `changeUnit` and an unit-less finding come here. */
export async function append(
  trx: Trx,
  unit: UnitRow | null,
  actor: Actor | null,
  now: Date,
  entry: NewEntry,
): Promise<LogRecord> {
  const by = entry.by === undefined ? actor : entry.by;
  const row = await trx
    .insertInto('log_entry')
    .values({
      id: entry.id ?? randomUUID(),
      unit_id: unit?.id ?? null,
      job_id: entry.jobId ?? null,
      finding_id: entry.findingId ?? null,
      at: entry.at ?? now,
      taken_at: now,
      timing: entry.timing ?? 'known',
      person_id: by?.id ?? null,
      sent_by: entry.sentBy?.id ?? null,
      kind: entry.kind,
      facts: JSON.stringify(entry.facts),
      outcome: JSON.stringify(entry.outcome ?? {}),
      corrects_id: entry.correctsId ?? null,
    })
    .returningAll()
    .executeTakeFirstOrThrow();
  await hangPhotos(trx, row.id, entry.facts);
  if (unit) await notifyChange(trx, { what: 'unit', id: unit.tag });
  return recordOf({ ...row, by: by?.name ?? null, sender: entry.sentBy?.name ?? null });
}
