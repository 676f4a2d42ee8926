import { EDITIONS, FIND_FAULT, isObservationId } from '@hudrik/core/catalogue';
import { outcomesFit, type FindingKind } from '@hudrik/core/log';
import { newestCheckInId } from '../checkins/opening';
import { verdictOf } from '../checkins/readCheckIn';
import type { FindingRow, Trx, UnitRow } from '../database/tables';
import type { UnitChange } from '../log/changeUnit';
import type { Taker, Taking } from '../log/taking';
import { refuse } from '../refusal';
import { intoTray } from './intoTray';
import { machineOfUnit } from './machineOfUnit';
import { openFindingOf } from './readFinding';
import { openJobFor } from '../jobs/openJobFor';

type OnAnyUnit = UnitRow | null;

/**
 * Begins to find a fault. Where somebody began on this unit already, theirs is gone on with: the entry says which. What the last check-in
 * showed is in.
 */
export const openFinding: Taker<'finding-opened', OnAnyUnit> = async ({ change, actor, id, facts, record }) => {
  const { trx, unit, at } = change;
  const theirs = unit ? await openFindingOf(trx, unit.id) : undefined;
  if (theirs !== undefined) return record({ findingId: theirs, outcome: { findingId: theirs } });
  const machine = unit ? await machineOfUnit(trx, unit, facts.machine, at) : facts.machine;
  await trx
    .insertInto('finding')
    .values({
      id,
      unit_id: unit?.id ?? null,
      job_id: unit ? await openJobFor(trx, unit.id, FIND_FAULT.work) : null,
      machine: JSON.stringify(machine),
      opened_at: at,
      opened_by: actor.id,
      causes: null,
      edition: EDITIONS.knowledge,
    })
    .execute();
  await record({ findingId: id, outcome: { findingId: id } });
  if (unit) await goOnFromCheckIn(change, unit, id);
  return undefined;
};

/** What the newest check-in showed in the fault-finding vocabulary, of who looked and when. */
async function goOnFromCheckIn(
  { trx, append }: Pick<UnitChange, 'trx' | 'append'>,
  unit: UnitRow,
  findingId: string,
): Promise<void> {
  const checkInId = await newestCheckInId(trx, unit.id);
  if (checkInId === null) return;
  const looked = await trx
    .selectFrom('log_entry as l')
    .innerJoin('person as p', 'p.id', 'l.person_id')
    .select(['l.at', 'p.id', 'p.name'])
    .where('l.id', '=', checkInId)
    .executeTakeFirst();
  const shows = (await verdictOf(trx, checkInId))?.shows ?? [];
  for (const [observation, outcome] of new Map(shows.map((one) => [one.observation, one.outcome]))) {
    if (!isObservationId(observation) || !outcomesFit(observation, [outcome])) continue;
    await append({
      kind: 'seen',
      by: looked ?? null,
      ...(looked ? { at: looked.at } : {}),
      facts: { observation, outcomes: [outcome], reading: null },
      findingId,
    });
  }
}

/** The finding that an entry hangs on, not closed yet. */
async function findingUnderLock(trx: Trx, findingId: string | null): Promise<FindingRow> {
  const finding =
    findingId === null
      ? undefined
      : await trx.selectFrom('finding').selectAll().where('id', '=', findingId).forUpdate().executeTakeFirst();
  if (finding === undefined) return refuse('not-found', { finding: findingId });
  return finding.closed_at === null ? finding : refuse('finding-closed', { finding: findingId });
}

/** Of any kind that hangs on a finding, whatever its facts. */
type OnFinding = Pick<Taking<FindingKind, OnAnyUnit>, 'change' | 'place' | 'record'>;

export async function touchedFinding({ change, place }: Omit<OnFinding, 'record'>): Promise<FindingRow> {
  const finding = await findingUnderLock(change.trx, place.findingId);
  await change.trx
    .updateTable('finding')
    .set((eb) => ({ version: eb('version', '+', 1) }))
    .where('id', '=', finding.id)
    .execute();
  return finding;
}

/** Something not told, taken back, or known without a look. */
export const takeObservation = async (taking: OnFinding): Promise<void> => {
  await touchedFinding(taking);
  await taking.record({});
};

/** Something seen, or put right without a cure: what came off for it lies in the tray. */
export const takeLook = async (taking: Taking<'seen', OnAnyUnit> | Taking<'repaired', OnAnyUnit>): Promise<void> => {
  const finding = await touchedFinding(taking);
  await taking.record({});
  const { unit } = taking.change;
  if (unit) await intoTray({ ...taking, change: { ...taking.change, unit } }, finding);
};

/** More is known of the machine: the finding goes by that from now on. */
export const describeMachine: Taker<'machine-described', OnAnyUnit> = async (taking) => {
  const finding = await touchedFinding(taking);
  const { machine } = taking.facts;
  await taking.change.trx
    .updateTable('finding')
    .set({ machine: JSON.stringify(machine) })
    .where('id', '=', finding.id)
    .execute();
  await taking.record({});
};
