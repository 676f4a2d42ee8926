import { FAULTS, FORMER_FAULTS } from '@hudrik/core/catalogue';
import type { LearnedReply } from '@hudrik/core/contracts';
import { engineFamily } from '@hudrik/core/diagnosis';
import { sql } from 'kysely';
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
  const rows = await db
    .selectFrom('proven_cause')
    .select(['id', 'class_id', 'family', 'faults'])
    .where('at', '>', reset?.at ?? new Date(0))
    .orderBy('id')
    .execute();
  const lessons = new Map<
    string,
    { classId: string | null; family: string; cases: number; counts: Record<string, number> }
  >();
  for (const row of rows) {
    const lesson = lessons.get(`${row.class_id} ${row.family}`) ?? {
      classId: row.class_id,
      family: row.family,
      cases: 0,
      counts: {},
    };
    lesson.cases++;
    for (const [fault, share] of row.faults.flatMap(sharesOf))
      lesson.counts[fault] = (lesson.counts[fault] ?? 0) + share;
    lessons.set(`${row.class_id} ${row.family}`, lesson);
  }
  return {
    version: (reset?.id ?? 0) * 1_000_000 + (rows.at(-1)?.id ?? 0),
    since: reset?.at.toISOString() ?? null,
    lessons: [...lessons.values()],
  };
}

/** Back to the built-in odds. What was proven stays on record; it no longer counts. */
export async function forgetLearned(context: Context, actor: Actor): Promise<LearnedReply> {
  await context.db.insertInto('learning_reset').values({ at: context.now(), person_id: actor.id }).execute();
  return readLearned(context.db);
}
