import { BEFORE_HELP, classOf, complaintsOf, FIRST_HELP, type Complaint } from '@hudrik/core/catalogue';
import type { TroubleReply } from '@hudrik/core/contracts';
import { insertJob } from '../jobs/insertJob';
import { OPEN_JOB_STATES } from '@hudrik/core/card';
import type { Context } from '../context';
import type { Db, Trx, UnitRow } from '../database/tables';
import { openDefects } from '../defects/openDefects';
import { unitByTag } from '../fleet/units';
import type { Taker } from '../log/taking';
import { refuse } from '../refusal';
import { readFree } from './free';

/** The hirer of a unit that is out has rung: it is wrong from now on, and its work is there when it comes back. */
export const takeTrouble: Taker<'trouble-told'> = async ({ change, id, facts, record }) => {
  const { trx, unit, at } = change;
  const hire = await outWith(trx, unit.id);
  if (hire?.reference !== facts.reference) return refuse('not-hired', { reference: facts.reference, tag: unit.tag });
  const told = complaintsIn(unit, facts.complaintIds);
  await record({});
  await raiseWork(trx, unit, told, at);
  const found = told
    .filter(({ consequence }) => consequence !== 'note')
    .map(({ id: complaint, sentence, safety = false, raises }) => ({
      origin: { kind: 'told', id: complaint } as const,
      sentence,
      weight: 'hold' as const,
      safety,
      caution: null,
      work: raises?.work ?? null,
    }));
  await openDefects(trx, { unitId: unit.id, entryId: id, at }, found);
};

const outWith = (db: Db | Trx, unitId: number) =>
  db
    .selectFrom('hire')
    .select(['reference', 'to_at'])
    .where('unit_id', '=', unitId)
    .where('state', '=', 'out')
    .executeTakeFirst();

function complaintsIn(unit: Pick<UnitRow, 'class_id'>, ids: readonly string[]): Complaint[] {
  const known = complaintsOf(classOf(unit.class_id));
  return ids.map(
    (id) => known.find((one) => one.id === id) ?? refuse('not-valid', { field: 'complaintIds', value: id }),
  );
}

/** One job for each work that is wanted and is not there yet. */
async function raiseWork(trx: Trx, unit: UnitRow, told: readonly Complaint[], at: Date): Promise<void> {
  const works = new Map(told.flatMap(({ raises }) => (raises ? [[raises.work, raises] as const] : [])));
  for (const { kind, work, title, minutes } of works.values()) {
    const open = await trx
      .selectFrom('job')
      .select('id')
      .where('unit_id', '=', unit.id)
      .where('work', '=', work)
      .where('state', 'in', OPEN_JOB_STATES)
      .executeTakeFirst();
    const why = told.filter(({ raises }) => raises?.work === work).map(({ sentence }) => sentence);
    if (!open) await insertJob(trx, { unitId: unit.id, at, kind, work, title, minutes, blocks: 'hold', why });
  }
}

/** So little a try is worth when it meets less of what may be wrong. */
const WORTH_TRYING = 0.02;

/** What to say on the telephone: what may safely be tried, the likeliest first, and who could go in its place. */
export async function readTrouble(
  { db, now, sums }: Pick<Context, 'db' | 'now' | 'sums'>,
  tag: string,
  complaints: string,
): Promise<TroubleReply> {
  const unit = await unitByTag(db, tag);
  const told = complaintsIn(unit, complaints.split(',').filter(Boolean));
  const hire = await outWith(db, unit.id);
  const seen: Record<string, string[]> = {};
  for (const { shows } of told) seen[shows.observation] = [...(seen[shows.observation] ?? []), shows.outcome];
  const odds = await sums.suspects({ machine: { classId: unit.class_id, engine: {}, past: {} }, seen });
  const mustStop = told.some(({ safety }) => safety === true);
  const tries = FIRST_HELP.filter(({ classes }) => classes === undefined || classes.includes(unit.class_id))
    .map((help) => ({ help, odds: help.faults.reduce((sum, fault) => sum + (odds[fault] ?? 0), 0) }))
    .filter((one) => one.odds >= WORTH_TRYING)
    .sort((a, b) => b.odds - a.odds);
  const until = hire?.to_at ?? now();
  const free = await readFree(db, {
    class: unit.class_id,
    from: now().toISOString(),
    to: new Date(Math.max(until.getTime(), now().getTime() + 3_600_000)).toISOString(),
  });
  return {
    before: mustStop
      ? 'Stop it now, and do not start it again. Keep away from it, and leave it as it is.'
      : BEFORE_HELP,
    tries: mustStop ? [] : tries.map(({ help }) => help.words),
    swap: free.units.find(({ verdict }) => verdict.readiness === 'fit')?.tag ?? null,
    reference: hire?.reference ?? null,
  };
}

/** What was told of a unit since it went out: its check-in begins with it. */
export async function toldSince(db: Db, unitId: number, since: Date | null): Promise<string[]> {
  if (since === null) return [];
  const rows = await db
    .selectFrom('log_entry')
    .select('facts')
    .where('unit_id', '=', unitId)
    .where('kind', '=', 'trouble-told')
    .where('at', '>=', since)
    .execute();
  const ids = rows.flatMap(({ facts }) =>
    Array.isArray(facts['complaintIds']) ? facts['complaintIds'].map(String) : [],
  );
  return [...new Set(ids)];
}
