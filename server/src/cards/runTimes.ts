import type { CardRefusal, Entry } from '@hudrik/core/log';
import type { Trx, VisitRow } from '../database/tables';
import type { Taking } from '../log/taking';

const OF_PROOF: ReadonlySet<string> = new Set([
  'to-proof',
  'leak-look',
  'smoke',
  'proof-load',
  'run-started',
  'run-stopped',
  'proof-reading',
  'proof-look',
]);

/** What reaches the server later than this was entered afterwards. */
const AT_ONCE_MS = 120_000;

type Timed = Pick<Taking<any>, 'kind' | 'at' | 'actor' | 'change'>;

/** Whether something of a proof is said afterwards, by a device that had no connection. */
export const isAfterwards = ({ kind, at, change }: Timed): boolean =>
  OF_PROOF.has(kind) && change.at.getTime() - at.getTime() > AT_ONCE_MS;

/**
 * The server's clock decides. What is entered afterwards can lie neither before the visit began or went to proof, nor before what was said of
 * that run already, and overlaps no other run of the person or the unit.
 */
export async function mustBeInOrder(
  timed: Timed,
  visit: VisitRow,
  entries: readonly Entry[],
): Promise<CardRefusal | null> {
  const { kind, at } = timed;
  if (!OF_PROOF.has(kind)) return null;
  const since = notBefore(kind, visit, entries);
  if (at.toISOString() < since) return { code: 'run-too-early', since };
  return isAfterwards(timed) ? runsElsewhere(timed, visit, entries) : null;
}

function notBefore(kind: string, visit: VisitRow, entries: readonly Entry[]): string {
  const began = (visit.begun_at ?? visit.opened_at).toISOString();
  if (kind === 'to-proof') return began;
  const went = entries.findLast((entry) => entry.kind === 'to-proof')?.at ?? began;
  const turned = entries.findLast((entry) => entry.kind === 'run-started' || entry.kind === 'run-stopped')?.at;
  return kind.startsWith('run-') && turned !== undefined && turned > went ? turned : went;
}

/** Another run of this person, on another unit, in the same time. */
async function runsElsewhere(
  { kind, at, actor, change: { trx } }: Timed,
  visit: VisitRow,
  entries: readonly Entry[],
): Promise<CardRefusal | null> {
  if (kind !== 'run-started' && kind !== 'run-stopped') return null;
  const started = kind === 'run-started' ? at : new Date(lastStart(entries) ?? at);
  const others = await trx
    .selectFrom('log_entry as l')
    .innerJoin('unit as u', 'u.id', 'l.unit_id')
    .select(['l.job_id', 'l.at', 'u.tag'])
    .where('l.person_id', '=', actor.id)
    .where('l.kind', '=', 'run-started')
    .where('l.unit_id', '<>', visit.unit_id)
    .where('l.at', '<', at)
    .orderBy('l.at', 'desc')
    .limit(5)
    .execute();
  for (const other of others) {
    const over = await overAt(trx, other.job_id, other.at);
    if (over === null || over > started) return { code: 'run-overlaps', tag: other.tag };
  }
  return null;
}

const lastStart = (entries: readonly Entry[]): string | undefined =>
  entries.findLast((entry) => entry.kind === 'run-started')?.at;

async function overAt(trx: Trx, jobId: number | null, since: Date): Promise<Date | null> {
  const over = await trx
    .selectFrom('log_entry')
    .select('at')
    .where('job_id', '=', jobId)
    .where('kind', 'in', ['run-stopped', 'proved', 'back-to-work'])
    .where('at', '>=', since)
    .orderBy('at')
    .limit(1)
    .executeTakeFirst();
  return over?.at ?? null;
}
