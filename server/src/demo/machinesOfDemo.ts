import type { Db } from '../database/tables';
import { readServiceFacts } from '../service/serviceFacts';
import type { SimulatedMachine } from '../standins/equipmentFeed';
import { meanHoursPerDay } from '@hudrik/core/hours';
import { stands } from '../fleet/stands';

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
/** Far out at sea: nobody's yard. */
const [LATITUDE, LONGITUDE] = [-48.88, -123.39];
/** A thousandth of a degree is about a hundred metres. */
const APART = 0.004;

/** What the demo's generators and welders tell of themselves: one has gone silent, one tells less than its meter. */
export async function machinesOfDemo(db: Db, now: Date): Promise<SimulatedMachine[]> {
  const hour = new Date(Math.floor(now.getTime() / HOUR_MS) * HOUR_MS);
  const units = (await readServiceFacts(db, now)).filter(
    ({ classId }) => classId === 'generator' || classId === 'welder',
  );
  const read = await lastRead(db);
  const standing = units.filter(({ readiness }) => readiness !== 'out').map(({ tag }) => tag);
  const silent = standing.find((tag) => now.getTime() - (read.get(tag)?.at.getTime() ?? 0) > 6 * DAY_MS);
  const odd = standing.findLast((tag) => tag !== silent);
  return units.flatMap(({ tag, readiness, use }, nth): SimulatedMachine[] => {
    const last = read.get(tag);
    if (last === undefined) return [];
    const at = tag === silent ? new Date(last.at.getTime() + DAY_MS) : hour;
    const days = readiness === 'out' ? Math.max(at.getTime() - last.at.getTime(), 0) / DAY_MS : 0;
    const hours = tag === odd ? Math.max(last.reading - 3.2, 0) : last.reading + days * meanHoursPerDay(use) * 0.8;
    return [
      {
        equipmentId: tag,
        serial: last.serial,
        hours: Math.round(hours * 10) / 10,
        at: at.toISOString(),
        latitude: LATITUDE + (readiness === 'out' ? APART * (nth % 7) : 0),
        longitude: LONGITUDE + (readiness === 'out' ? APART * (nth % 5) : 0),
      },
    ];
  });
}

async function lastRead(db: Db): Promise<Map<string, { reading: number; at: Date; serial: string }>> {
  const rows = await db
    .selectFrom('meter_reading as r')
    .innerJoin('unit as u', 'u.id', 'r.unit_id')
    .distinctOn('r.unit_id')
    .select(['u.tag', 'u.serial', 'r.reading', 'r.read_at as at'])
    .where(stands('r'))
    .orderBy('r.unit_id')
    .orderBy('r.stands_for', 'desc')
    .execute();
  return new Map(rows.map(({ tag, ...row }) => [tag, row]));
}
