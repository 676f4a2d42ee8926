import { classOf, complaintsOf, type Complaint } from '@hudrik/core/catalogue';
import type { Trx, UnitRow } from '../database/tables';
import { openDefects } from '../defects/openDefects';
import { insertJob } from '../jobs/insertJob';
import { refuse } from '../refusal';
import { openJobFor } from '../jobs/openJobFor';

/** Complaints of a class by their ids; one that its class does not know is refused. */
export function complaintsIn(unit: Pick<UnitRow, 'class_id'>, ids: readonly string[]): Complaint[] {
  const known = complaintsOf(classOf(unit.class_id));
  return ids.map(
    (id) => known.find((one) => one.id === id) ?? refuse('not-valid', { field: 'complaintIds', value: id }),
  );
}

interface Telling {
  readonly entryId: string;
  readonly at: Date;
}

/** What is told of a unit is wrong from that moment, whoever tells it: it holds, and its work is there. */
export async function openTold(
  trx: Trx,
  unit: UnitRow,
  told: readonly Complaint[],
  { entryId, at }: Telling,
): Promise<void> {
  await raiseWork(trx, unit, told, at);
  const found = told
    .filter(({ consequence }) => consequence !== 'note')
    .map(({ id: complaint, sentence, safety = false, raises }) => ({
      origin: { kind: 'told', id: complaint } as const,
      ...{ sentence, safety, caution: null, work: raises?.work ?? null },
      weight: 'hold' as const,
    }));
  await openDefects(trx, { unitId: unit.id, entryId, at }, found);
}

/** One job for each work that is wanted and is not there yet. */
async function raiseWork(trx: Trx, unit: UnitRow, told: readonly Complaint[], at: Date): Promise<void> {
  const works = new Map(told.flatMap(({ raises }) => (raises ? [[raises.work, raises] as const] : [])));
  for (const { kind, work, title, minutes } of works.values()) {
    const open = await openJobFor(trx, unit.id, work);
    const why = told.filter(({ raises }) => raises?.work === work).map(({ sentence }) => sentence);
    if (open === null) await insertJob(trx, { unitId: unit.id, at, kind, work, title, minutes, blocks: 'hold', why });
  }
}
