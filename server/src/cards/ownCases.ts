import { presentFault, type ClassId } from '@hudrik/core/catalogue';
import type { OwnCases } from '@hudrik/core/reckoning';
import { sql } from 'kysely';
import type { Db } from '../database/tables';
import { isBackAgain } from '../findings/learned';

/** How often the same trouble came back after a proven repair of these causes, on this yard. */
export async function cameBackAfter(db: Db, classId: ClassId, causes: readonly string[]): Promise<OwnCases> {
  const rows = await db
    .selectFrom('proven_cause as p')
    .innerJoin('finding as f', 'f.id', 'p.finding_id')
    .select(['p.faults', 'p.at', 'f.unit_id'])
    .where('p.class_id', '=', classId)
    .where('f.unit_id', 'is not', null)
    .orderBy('p.at')
    .execute();
  const byUnit = new Map<number | null, typeof rows>();
  for (const row of rows) byUnit.set(row.unit_id, [...(byUnit.get(row.unit_id) ?? []), row]);
  const own = rows.filter((row) => row.faults.some((fault) => causes.includes(presentFault(fault))));
  const came = own.filter((row) => byUnit.get(row.unit_id)?.some((later) => isBackAgain(row, later)));
  return { cases: own.length, came: came.length };
}

/** How often a confirmed cause was not it, or not all of it: its proof failed. */
export async function wasWrong(db: Db): Promise<OwnCases> {
  const rows = await db
    .selectFrom('log_entry as l')
    .innerJoin('finding as f', 'f.job_id', 'l.job_id')
    .select(['l.job_id', sql<boolean>`bool_or(l.facts ->> 'passed' = 'false')`.as('failed')])
    .where('l.kind', '=', 'proved')
    .where('f.causes', 'is not', null)
    .groupBy('l.job_id')
    .execute();
  return { cases: rows.length, came: rows.filter((row) => row.failed).length };
}
