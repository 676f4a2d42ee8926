import { OPEN_JOB_STATES } from '@hudrik/core/card';
import { COMPLAINTS, ENDED, FAULTS, FIND_FAULT, isFaultId, presentFault, type FaultId } from '@hudrik/core/catalogue';
import { explainedBy, type FoundDefect } from '@hudrik/core/defects';
import type { Facts } from '@hudrik/core/log';
import { listMissingSteps } from '../cards/listMissingSteps';
import { openDefects } from '../defects/openDefects';
import type { FindingRow, JobRow, UnitRow } from '../database/tables';
import { insertJob } from '../jobs/insertJob';
import type { Taker, Taking } from '../log/taking';
import { visitOfJob } from '../visits/visits';
import { touchedFinding } from './takeFinding';

type Change = Taking<'causes-confirmed', UnitRow>['change'];

/** Confirms what was wrong. The finding is closed, and its job says what is to be done; without a job one is raised. */
export const confirmCauses: Taker<'causes-confirmed', UnitRow | null> = async (taking) => {
  const { change, record } = taking;
  const causes = [...new Set(taking.facts.causes.map(presentFault))].filter(isFaultId);
  const facts = { ...taking.facts, causes };
  const { trx, unit, at } = change;
  const finding = await touchedFinding(taking);
  const job = unit === null ? null : await ontoJob({ ...change, unit }, finding, facts.causes);
  await trx
    .updateTable('finding')
    .set({ closed_at: at, causes: [...facts.causes], job_id: job?.id ?? null })
    .where('id', '=', finding.id)
    .execute();
  await record({ jobId: job?.id ?? null, outcome: { jobId: job ? String(job.id) : null } });
  if (job && unit)
    await openDefects(
      trx,
      { unitId: unit.id, entryId: taking.id, at },
      facts.causes.map((id) => causeOf(id, job.work)),
    );
  if (unit) await tieTold(change, unit.id, facts);
  // On a card that is at the bench already, the steps of the causes come behind those that are there.
  if (job?.state === 'open') await listMissingSteps(change, job, (await visitOfJob(trx, job.id)).id, 'causes');
};

/** What was told is tied to the causes that explain it: as proposed by what they show, or as the person says. */
async function tieTold({ trx }: Pick<Change, 'trx'>, unitId: number, facts: Facts<'causes-confirmed'>): Promise<void> {
  const told = await trx
    .selectFrom('defect')
    .select(['id', 'origin_id', 'causes'])
    .where('unit_id', '=', unitId)
    .where('origin_kind', '=', 'told')
    .where('closed_at', 'is', null)
    .execute();
  for (const { id, origin_id: complaintId, causes } of told) {
    const shows = [...COMPLAINTS, ...ENDED].find((complaint) => complaint.id === complaintId)?.shows;
    const said = facts.causes.filter((cause) => facts.explains?.[cause]?.includes(id));
    const proposed = shows ? explainedBy(FAULTS, facts.causes, shows) : [];
    const tied = facts.explains === undefined ? proposed : said;
    const all = [...new Set([...causes, ...tied])];
    if (all.length > causes.length) await trx.updateTable('defect').set({ causes: all }).where('id', '=', id).execute();
  }
}

/** A cause is a defect of its own: the unit is held until it is repaired and proved. */
const causeOf = (id: FaultId, work: string): FoundDefect => ({
  origin: { kind: 'cause', id },
  sentence: `${FAULTS[id].name}.`,
  weight: 'hold',
  safety: FAULTS[id].safety === true,
  caution: FAULTS[id].caution ?? null,
  work,
});

/** What a job says that puts these causes right. */
function repairOf(causes: readonly FaultId[]) {
  const faults = causes.map((id) => FAULTS[id]);
  return {
    title: [...new Set(faults.map((fault) => fault.repair.title))].join('; '),
    minutes: faults.reduce((sum, fault) => sum + fault.repair.minutes, 0),
    caution: faults.find((fault) => fault.caution !== undefined)?.caution ?? null,
    why: faults.map((fault) => `${fault.name}.`),
  };
}

/** The open job to find the fault becomes the repair of what was found; where there is none, one is raised. */
async function ontoJob(change: Change, finding: FindingRow, causes: readonly FaultId[]): Promise<JobRow> {
  const { trx, unit } = change;
  const open = await trx
    .selectFrom('job')
    .selectAll()
    .where('unit_id', '=', unit.id)
    .where('state', 'in', OPEN_JOB_STATES)
    .where((eb) =>
      eb.or([eb('work', '=', FIND_FAULT.work), ...(finding.job_id === null ? [] : [eb('id', '=', finding.job_id)])]),
    )
    // Its own, while that is open; else whatever is there to find the fault.
    .orderBy((eb) => eb('id', '=', finding.job_id ?? 0), 'desc')
    .executeTakeFirst();
  if (open === undefined) return raiseRepair(change, causes);
  const { title, minutes, caution, why } = repairOf(causes);
  return trx
    .updateTable('job')
    .set({
      title,
      minutes,
      caution: caution ?? open.caution,
      why: JSON.stringify([...new Set([...why, ...open.why])]),
      version: open.version + 1,
    })
    .where('id', '=', open.id)
    .returningAll()
    .executeTakeFirstOrThrow();
}

async function raiseRepair({ trx, unit, at, append }: Change, causes: readonly FaultId[]): Promise<JobRow> {
  const { title, minutes, caution, why } = repairOf(causes);
  const raised = { kind: 'repair', title, minutes, blocks: 'hold' } as const;
  const job = await insertJob(trx, { ...raised, unitId: unit.id, at, work: FIND_FAULT.work, why, caution });
  await append({ kind: 'job-raised', facts: raised, jobId: job.id, outcome: { jobId: String(job.id) } });
  return job;
}
