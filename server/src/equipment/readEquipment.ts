import type { EquipmentReply, FromAfar } from '@hudrik/core/contracts';
import { isSilent } from '@hudrik/core/hours';
import type { Context } from '../context';
import type { Db } from '../database/tables';

interface Told {
  readonly reading: number;
  readonly trueHours: number;
  readonly readAt: Date;
  readonly latitude: number | null;
  readonly longitude: number | null;
  readonly problem: string | null;
}

const told = (db: Db) =>
  db
    .selectFrom('afar_reading as a')
    .select([
      'a.reading',
      'a.true_hours as trueHours',
      'a.read_at as readAt',
      'a.latitude',
      'a.longitude',
      'a.problem',
    ]);

/** What a machine told last, and what of that counts. */
export async function lastFromAfar(db: Db, unitId: number): Promise<{ newest: Told | null; good: Told | null }> {
  const newest = told(db).where('a.unit_id', '=', unitId).orderBy('a.read_at', 'desc').limit(1);
  const [last, good] = [
    await newest.executeTakeFirst(),
    await newest.where('a.problem', 'is', null).executeTakeFirst(),
  ];
  return { newest: last ?? null, good: good ?? null };
}

/** What a unit's machine tells of itself; null where it never told anything. */
export async function readFromAfarOf(
  { db, now }: Pick<Context, 'db' | 'now'>,
  unitId: number,
): Promise<FromAfar | null> {
  const { newest, good } = await lastFromAfar(db, unitId);
  return newest && sayFromAfar(newest, good, now());
}

const sayFromAfar = (newest: Told, good: Told | null, now: Date): FromAfar => ({
  toldAt: newest.readAt.toISOString(),
  told: newest.reading,
  problem: newest.problem,
  reading: good?.reading ?? null,
  readAt: good?.readAt.toISOString() ?? null,
  latitude: newest.latitude,
  longitude: newest.longitude,
  isSilent: isSilent(newest.readAt, now),
});

/** How it stands with the machines' feed: when it answered last, what of it is not taken, who is silent and who tells what cannot be. */
export async function readEquipment({ db, now }: Pick<Context, 'db' | 'now'>): Promise<EquipmentReply> {
  const state = await db
    .selectFrom('equipment_state')
    .select(['answered_at', 'problem', 'refused', 'not_taken'])
    .executeTakeFirstOrThrow();
  const machines = await told(db)
    .innerJoin('unit as u', 'u.id', 'a.unit_id')
    .distinctOn('a.unit_id')
    .select('u.tag')
    .where('u.readiness', '<>', 'gone')
    .orderBy('a.unit_id')
    .orderBy('a.read_at', 'desc')
    .execute();
  return {
    answeredAt: state.answered_at?.toISOString() ?? null,
    problem: state.problem,
    machines: machines.length,
    notTaken: [...state.not_taken],
    refused: state.refused,
    silent: machines
      .filter(({ readAt }) => isSilent(readAt, now()))
      .map(({ tag, readAt }) => ({ tag, toldAt: readAt.toISOString() })),
    odd: machines.flatMap(({ tag, problem, reading }) => (problem === null ? [] : [{ tag, problem, told: reading }])),
  };
}
