import { STANDING_STATES } from '@hudrik/core/card';
import { randomUUID } from 'node:crypto';
import { entryOf, FIND_FAULT, OBSERVATIONS, type AnyObservation } from '@hudrik/core/catalogue';
import type { FindingEntry, FindingRecord, NewEntry } from '@hudrik/core/contracts';
import { sql } from 'kysely';
import type { Actor, Context } from '../context';
import type { Db, MachineFacts, Trx, UnitRow } from '../database/tables';
import { record } from '../fleet/history';
import { lockUnit, lockUnitById, unitByTag } from '../fleet/units';
import { refuse } from '../refusal';
import { isUuid } from '../isUuid';
import { machineOfUnit } from './machineOfUnit';

export interface NewFinding {
  readonly id: string;
  readonly tag: string | null;
  readonly machine: MachineFacts;
}

/** Begins to find a fault. Where somebody began on this unit already, theirs is gone on with. What the last check-in showed is in. */
export async function openFinding(context: Context, actor: Actor, fresh: NewFinding): Promise<FindingRecord> {
  const id = await context.db.transaction().execute(async (trx) => {
    const unit = fresh.tag === null ? null : await lockUnit(trx, fresh.tag);
    const twice = await trx.selectFrom('finding').select('id').where('id', '=', fresh.id).executeTakeFirst();
    if (twice) return twice.id;
    const standing = unit ? await openOn(trx, unit.id) : undefined;
    return standing ?? begin(trx, context.now(), actor, fresh, unit);
  });
  return readFinding(context, id);
}

async function openOn(db: Db | Trx, unitId: number): Promise<string | undefined> {
  return (
    await db
      .selectFrom('finding')
      .select('id')
      .where('unit_id', '=', unitId)
      .where('closed_at', 'is', null)
      .executeTakeFirst()
  )?.id;
}

async function begin(trx: Trx, at: Date, actor: Actor, fresh: NewFinding, unit: UnitRow | null): Promise<string> {
  const machine = unit ? await machineOfUnit(trx, unit, fresh.machine, at) : fresh.machine;
  const job = unit
    ? await trx
        .selectFrom('job')
        .select('id')
        .where('unit_id', '=', unit.id)
        .where('work', '=', FIND_FAULT.work)
        .where('state', 'in', STANDING_STATES)
        .executeTakeFirst()
    : undefined;
  await trx
    .insertInto('finding')
    .values({
      id: fresh.id,
      unit_id: unit?.id ?? null,
      job_id: job?.id ?? null,
      machine: JSON.stringify(machine),
      opened_at: at,
      opened_by: actor.id,
      causes: null,
    })
    .execute();
  if (unit) {
    await record(trx, {
      unitId: unit.id,
      at,
      kind: 'finding-opened',
      personId: actor.id,
      facts: { findingId: fresh.id },
    });
    await takeFromCheckIn(trx, fresh.id, unit.id);
  }
  return fresh.id;
}

/** What the newest check-in showed in the fault-finding vocabulary, as entries of the person who looked. */
async function takeFromCheckIn(trx: Trx, findingId: string, unitId: number): Promise<void> {
  const checkIn = await trx
    .selectFrom('check_in')
    .select(['at', 'person_id', 'verdict'])
    .where('unit_id', '=', unitId)
    .orderBy('at', 'desc')
    .limit(1)
    .executeTakeFirst();
  const shown = new Map(
    (checkIn?.verdict.shows ?? [])
      .filter((one) => Object.hasOwn(OBSERVATIONS, one.observation))
      .map((one) => [one.observation, one.outcome]),
  );
  for (const [observation, outcome] of shown) {
    await trx
      .insertInto('finding_entry')
      .values({
        id: randomUUID(),
        finding_id: findingId,
        at: checkIn?.at as Date,
        person_id: checkIn?.person_id as number,
        kind: 'seen',
        observation,
        outcomes: [outcome],
        reading: null,
        fault: null,
      })
      .execute();
  }
}

export async function readFinding({ db }: Pick<Context, 'db'>, id: string): Promise<FindingRecord> {
  const row = isUuid(id)
    ? await db
        .selectFrom('finding as f')
        .leftJoin('unit as u', 'u.id', 'f.unit_id')
        .leftJoin('model as m', 'm.id', 'u.model_id')
        .innerJoin('person as p', 'p.id', 'f.opened_by')
        .select([
          'f.id',
          'u.tag',
          'f.machine',
          'f.opened_at',
          'p.name',
          'f.closed_at',
          'f.causes',
          'f.job_id',
          'f.version',
          'm.data_sheet',
        ])
        .where('f.id', '=', id)
        .executeTakeFirst()
    : undefined;
  if (row === undefined) return refuse('not-found', { finding: id });
  return {
    id: row.id,
    tag: row.tag,
    machine: row.machine,
    limits: ((row.data_sheet as { limits?: FindingRecord['limits'] } | null)?.limits ??
      null) as FindingRecord['limits'],
    openedAt: row.opened_at.toISOString(),
    openedBy: row.name,
    closedAt: row.closed_at?.toISOString() ?? null,
    causes: row.causes,
    jobId: row.job_id === null ? null : String(row.job_id),
    entries: await entriesOf(db, id),
    version: row.version,
  };
}

async function entriesOf(db: Db, findingId: string): Promise<FindingEntry[]> {
  const rows = await db
    .selectFrom('finding_entry as e')
    .leftJoin('person as p', 'p.id', 'e.person_id')
    .select(['e.id', 'e.at', 'p.name', 'e.kind', 'e.observation', 'e.outcomes', 'e.reading', 'e.fault'])
    .where('e.finding_id', '=', findingId)
    .orderBy('e.place')
    .execute();
  return rows.map((row) => ({
    id: row.id,
    at: row.at.toISOString(),
    by: row.name,
    kind: row.kind,
    observation: row.observation,
    outcomes: row.outcomes,
    reading: row.reading,
    fault: row.fault,
  }));
}

export async function readUnitFinding(context: Pick<Context, 'db'>, tag: string): Promise<FindingRecord | null> {
  const unit = await unitByTag(context.db, tag);
  const id = await openOn(context.db, unit.id);
  return id === undefined ? null : readFinding(context, id);
}

/** The open finding, locked; its unit first, as every other change does. */
export async function lockFinding(trx: Trx, id: string) {
  const seen = isUuid(id)
    ? await trx.selectFrom('finding').select('unit_id').where('id', '=', id).executeTakeFirst()
    : undefined;
  if (seen === undefined) return refuse('not-found', { finding: id });
  if (seen.unit_id !== null) await lockUnitById(trx, seen.unit_id);
  return trx.selectFrom('finding').selectAll().where('id', '=', id).forUpdate().executeTakeFirstOrThrow();
}

/** One more entry, and the same in the unit's history. Sent twice it is taken once. */
export async function addEntry(
  context: Context,
  actor: Actor,
  findingId: string,
  fresh: NewEntry,
): Promise<FindingRecord> {
  await context.db.transaction().execute(async (trx) => {
    const finding = await lockFinding(trx, findingId);
    const twice = await trx
      .selectFrom('finding_entry')
      .select('finding_id')
      .where('id', '=', fresh.id)
      .executeTakeFirst();
    if (twice) return twice.finding_id === finding.id ? undefined : refuse('key-reused', { id: fresh.id });
    if (finding.closed_at !== null) return refuse('finding-closed', { finding: findingId });
    const at = context.now();
    await trx
      .insertInto('finding_entry')
      .values({
        id: fresh.id,
        finding_id: finding.id,
        at,
        person_id: actor.id,
        kind: fresh.kind,
        observation: fresh.observation,
        outcomes: fresh.outcomes,
        reading: fresh.reading === null ? null : JSON.stringify(fresh.reading),
        fault: fresh.fault,
      })
      .execute();
    await touch(trx, finding.id);
    if (finding.unit_id !== null)
      await record(trx, {
        unitId: finding.unit_id,
        at,
        kind: `finding-${fresh.kind}`,
        personId: actor.id,
        facts: factsOf(fresh),
      });
  });
  return readFinding(context, findingId);
}

const touch = (trx: Trx, id: string) =>
  trx
    .updateTable('finding')
    .set({ version: sql`version + 1` })
    .where('id', '=', id)
    .execute();

function factsOf(entry: NewEntry): Record<string, unknown> {
  const observation = entryOf<AnyObservation>(OBSERVATIONS, entry.observation ?? '');
  return {
    observation: entry.observation,
    name: observation?.words ?? null,
    outcomes: entry.outcomes.map((outcome) => observation?.outcomes[outcome]?.[0] ?? outcome),
    reading: entry.reading,
    fault: entry.fault,
  };
}

export async function changeMachine(
  context: Context,
  findingId: string,
  machine: MachineFacts,
  seenVersion: number | null,
): Promise<FindingRecord> {
  await context.db.transaction().execute(async (trx) => {
    const finding = await lockFinding(trx, findingId);
    if (seenVersion !== null && seenVersion !== finding.version)
      refuse('changed-meanwhile', { version: finding.version });
    if (finding.closed_at !== null) refuse('finding-closed', { finding: findingId });
    await trx
      .updateTable('finding')
      .set({ machine: JSON.stringify(machine) })
      .where('id', '=', finding.id)
      .execute();
    await touch(trx, finding.id);
  });
  return readFinding(context, findingId);
}
