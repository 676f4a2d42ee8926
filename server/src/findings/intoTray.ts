import { OPEN_JOB_STATES } from '@hudrik/core/card';
import { FIND_FAULT, type ComesOff } from '@hudrik/core/catalogue';
import { cardOf, comesOffBy } from '@hudrik/core/log';
import { nextPlace, type Ledger } from '@hudrik/core/teardown';
import { randomUUID } from 'node:crypto';
import { takeCardEntry } from '../cards/takeCardEntry';
import type { FindingRow, JobRow } from '../database/tables';
import { insertJob } from '../jobs/insertJob';
import type { Taking } from '../log/taking';
import { entriesOfVisit, visitOfJob } from '../visits/visits';

type Taken = Taking<'seen'> | Taking<'repaired'>;

const TRAY = 'A';

/**
 * What a finding's step takes off lies in the tray of the unit's visit at once: nobody hands out a unit whose kill wire hangs loose because
 * the fault was looked for without a card. Where no job is open, one to find the fault is raised. A unit that is out with a hirer has no tray.
 */
export async function intoTray(taking: Taken, finding: FindingRow): Promise<void> {
  const { trx, unit } = taking.change;
  const things = comesOffBy(taking);
  if (things.length === 0 || (await isOut(taking))) return;
  const job = await jobAtHand(taking, finding);
  for (const thing of things) {
    const { ledger } = cardOf(await entriesOfVisit(trx, (await visitOfJob(trx, job.id)).id));
    const known = ledger.things.find((one) => one.key !== null && thing.keys.includes(one.key));
    if (known?.state === 'off') continue;
    const entry = known
      ? ({ kind: 'taken-off-again', facts: { thingId: known.thingId } } as const)
      : ({ kind: 'taken-off', facts: factsOf(thing, ledger) } as const);
    await takeCardEntry({
      ...taking,
      ...entry,
      id: randomUUID(),
      change: { ...taking.change, unit },
      place: { jobId: String(job.id), findingId: null, lineId: null },
      record: async (taken) => void (await taking.change.append({ ...entry, jobId: job.id, ...taken })),
    });
  }
}

const factsOf = ({ what, system, keys: [key] }: ComesOff, ledger: Ledger) => ({
  thingId: randomUUID(),
  what,
  key,
  tray: TRAY,
  place: nextPlace(ledger.things, TRAY),
  fasteners: [],
  orientation: '',
  linkHole: '',
  stack: [],
  quarterTurns: null,
  system,
});

async function isOut({ change: { trx, unit } }: Taken): Promise<boolean> {
  const out = await trx
    .selectFrom('hire')
    .select('id')
    .where('unit_id', '=', unit.id)
    .where('state', '=', 'out')
    .executeTakeFirst();
  return out !== undefined;
}

/** The job that is there to find the fault; else one that is at the bench, or waits: a visit has one tray. Else a new one to find the fault. */
async function jobAtHand(taking: Taken, finding: FindingRow): Promise<Pick<JobRow, 'id'>> {
  const { trx, unit } = taking.change;
  const open = await trx
    .selectFrom('job')
    .select('id')
    .where('unit_id', '=', unit.id)
    .where('state', 'in', OPEN_JOB_STATES)
    .orderBy((eb) => eb('work', '=', FIND_FAULT.work), 'desc')
    .orderBy((eb) => eb('state', '=', 'open'), 'desc')
    .executeTakeFirst();
  return open ?? raiseFindFault(taking, finding);
}

async function raiseFindFault({ change }: Taken, finding: FindingRow): Promise<Pick<JobRow, 'id'>> {
  const { trx, unit, at, append } = change;
  const { title, minutes } = FIND_FAULT;
  const raised = { kind: 'repair', title, minutes, blocks: 'hold' } as const;
  const job = await insertJob(trx, { ...raised, unitId: unit.id, at, work: FIND_FAULT.work });
  await trx.updateTable('finding').set({ job_id: job.id }).where('id', '=', finding.id).execute();
  await append({ kind: 'job-raised', facts: raised, jobId: job.id, outcome: { jobId: String(job.id) } });
  return job;
}
