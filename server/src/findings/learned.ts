import { FAULT_KNOWLEDGE, FAULTS, FORMER_FAULTS, presentFault } from '@hudrik/core/catalogue';
import type { LearnedReply } from '@hudrik/core/contracts';
import { engineFamily, lessonsOf } from '@hudrik/core/diagnosis';
import { isComeback } from '@hudrik/core/proof';
import { sql } from 'kysely';
import { familiesOf } from '../cards/comebacks';
import type { Actor, Context } from '../context';
import type { Db, JobRow, Trx } from '../database/tables';

/** A job that is done and proven teaches the cause that was confirmed on it. Never an unproven one. */
export async function teachBy(trx: Trx, job: JobRow, at: Date): Promise<void> {
  const all = await trx
    .selectFrom('finding')
    .select(['id', 'machine', 'causes', 'closed_at'])
    .where('job_id', '=', job.id)
    .where('causes', 'is not', null)
    .orderBy('closed_at')
    .execute();
  // What was confirmed before a proof failed was not it, or not all of it: what was confirmed after counts.
  const failed = await trx
    .selectFrom('log_entry')
    .select('taken_at')
    .where('job_id', '=', job.id)
    .where('kind', '=', 'proved')
    .where(sql<boolean>`facts ->> 'passed' = 'false'`)
    .orderBy('place', 'desc')
    .limit(1)
    .executeTakeFirst();
  const since = all.filter((finding) => failed === undefined || (finding.closed_at ?? at) > failed.taken_at);
  const findings = since.length > 0 ? since : all.slice(-1);
  for (const { id, machine, causes } of findings) {
    await trx
      .insertInto('proven_cause')
      .values({
        finding_id: id,
        class_id: machine.classId ?? null,
        family: engineFamily(machine.engine),
        faults: causes ?? [],
        at,
      })
      .onConflict((conflict) => conflict.column('finding_id').doNothing())
      .execute();
  }
}

/** What was taught under an id that is two faults now is shared between them by their odds. */
function sharesOf(fault: string): readonly (readonly [string, number])[] {
  const now = FORMER_FAULTS[fault]?.now ?? [];
  const all = now.reduce((sum, id) => sum + FAULTS[id].perThousand, 0);
  return now.length === 0 ? [[fault, 1]] : now.map((id) => [id, FAULTS[id].perThousand / all]);
}

/** Counts by class and engine family since the last reset, with a version that changes with each lesson. */
export async function readLearned(db: Db): Promise<LearnedReply> {
  const reset = await db
    .selectFrom('learning_reset')
    .select(['id', 'at'])
    .orderBy('id', 'desc')
    .limit(1)
    .executeTakeFirst();
  const since = reset?.at ?? new Date(0);
  const rows = await db
    .selectFrom('proven_cause as p')
    .innerJoin('finding as f', 'f.id', 'p.finding_id')
    .select(['p.id', 'p.finding_id', 'p.class_id', 'p.family', 'p.faults', 'p.at', 'f.unit_id'])
    .where('p.at', '>', since)
    .orderBy('p.id')
    .execute();
  const looks = await looksSince(db, since);
  const byUnit = new Map<number | null, typeof rows>();
  for (const row of rows) byUnit.set(row.unit_id, [...(byUnit.get(row.unit_id) ?? []), row]);
  const cases = rows.map((row) => ({
    classId: row.class_id,
    family: row.family,
    faults: row.faults.flatMap(sharesOf),
    looks: looks.get(row.finding_id) ?? [],
    cameBack: row.unit_id !== null && (byUnit.get(row.unit_id) ?? []).some((later) => isBackAgain(row, later)),
  }));
  return {
    version: (reset?.id ?? 0) * 1_000_000 + (rows.at(-1)?.id ?? 0),
    since: reset?.at.toISOString() ?? null,
    lessons: lessonsOf(FAULT_KNOWLEDGE, cases),
  };
}

/** What was looked at in each finding whose causes were proven since. */
async function looksSince(db: Db, since: Date): Promise<ReadonlyMap<string, string[]>> {
  const rows = await db
    .selectFrom('log_entry as l')
    .innerJoin('proven_cause as p', 'p.finding_id', 'l.finding_id')
    .select(['p.finding_id', sql<string>`l.facts ->> 'observation'`.as('observation')])
    .distinct()
    .where('l.kind', '=', 'seen')
    .where('p.at', '>', since)
    .execute();
  const looks = new Map<string, string[]>();
  for (const { finding_id: id, observation } of rows) looks.set(id, [...(looks.get(id) ?? []), observation]);
  return looks;
}

interface Proven {
  readonly faults: readonly string[];
  readonly at: Date;
}

/** Of two proven on one unit: the same trouble, soon after. Hours are not counted here: days are enough to teach by. */
export function isBackAgain(first: Proven, later: Proven): boolean {
  const days = (later.at.getTime() - first.at.getTime()) / DAY_MS;
  const families = familiesOf(first.faults.map(presentFault));
  return (
    days > 0 &&
    isComeback(days, null) &&
    [...familiesOf(later.faults.map(presentFault))].some((family) => families.has(family))
  );
}

const DAY_MS = 86_400_000;

/** Back to the built-in odds. What was proven stays on record; it no longer counts. */
export async function forgetLearned(context: Context, actor: Actor): Promise<LearnedReply> {
  await context.db.insertInto('learning_reset').values({ at: context.now(), person_id: actor.id }).execute();
  return readLearned(context.db);
}
