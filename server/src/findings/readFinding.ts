import type { FindingRecord } from '@hudrik/core/contracts';
import type { Context } from '../context';
import type { Db } from '../database/tables';
import { limitsOf } from '../fleet/models';
import { unitByTag } from '../fleet/units';
import { isUuid } from '../isUuid';
import { entriesOfFinding } from '../log/readLog';
import { refuse } from '../refusal';

/** The finding that is open on a unit; there is one at most. */
export async function openFindingOf(db: Db, unitId: number): Promise<string | undefined> {
  const row = await db
    .selectFrom('finding')
    .select('id')
    .where('unit_id', '=', unitId)
    .where('closed_at', 'is', null)
    .executeTakeFirst();
  return row?.id;
}

/** A finding with all that was seen. By the id of one that was begun while another was open: the other. */
export async function readFinding(context: Pick<Context, 'db'>, id: string): Promise<FindingRecord> {
  const { db } = context;
  const row = isUuid(id)
    ? await db
        .selectFrom('finding as f')
        .leftJoin('unit as u', 'u.id', 'f.unit_id')
        .leftJoin('model as m', 'm.id', 'u.model_id')
        .innerJoin('person as p', 'p.id', 'f.opened_by')
        .select(['f.id', 'u.tag', 'f.machine', 'f.opened_at', 'p.name', 'f.closed_at'])
        .select(['f.causes', 'f.job_id', 'f.version', 'f.edition', 'm.data_sheet'])
        .where('f.id', '=', id)
        .executeTakeFirst()
    : undefined;
  if (row === undefined) return readOther(context, id);
  return {
    id: row.id,
    tag: row.tag,
    machine: row.machine,
    limits: row.data_sheet === null ? null : limitsOf(row.data_sheet),
    openedAt: row.opened_at.toISOString(),
    openedBy: row.name,
    closedAt: row.closed_at?.toISOString() ?? null,
    causes: row.causes,
    jobId: row.job_id === null ? null : String(row.job_id),
    entries: await entriesOfFinding(db, id),
    edition: row.edition,
    version: row.version,
  };
}

async function readOther(context: Pick<Context, 'db'>, id: string): Promise<FindingRecord> {
  const begun = isUuid(id)
    ? await context.db
        .selectFrom('log_entry')
        .select('finding_id')
        .where('id', '=', id)
        .where('kind', '=', 'finding-opened')
        .executeTakeFirst()
    : undefined;
  const other = begun?.finding_id;
  return other && other !== id ? readFinding(context, other) : refuse('not-found', { finding: id });
}

export async function readUnitFinding(context: Pick<Context, 'db'>, tag: string): Promise<FindingRecord | null> {
  const unit = await unitByTag(context.db, tag);
  const id = await openFindingOf(context.db, unit.id);
  return id === undefined ? null : readFinding(context, id);
}
