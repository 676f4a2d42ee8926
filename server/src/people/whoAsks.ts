import type { Person } from '@hudrik/core/contracts';
import type { Context } from '../context';
import type { Device } from './devices';
import { toPerson, USUAL_UNITS } from './people';
import { hashOf } from './secrets';
import { latestEnd } from './sessions';

/** Written down no more often. */
const SEEN_MS = 60_000;

/** What a device says waits on it: how many entries, and how old the oldest is. */
export interface Waiting {
  readonly count: number;
  /** s; null: not said. */
  readonly oldestS: number | null;
}

export interface Asker {
  /** Null: the key is no device's, or its device was put out. */
  readonly device: Device | null;
  /** Null: nobody is signed in with this token on this device. */
  readonly person: Person | null;
  /** What was last seen long enough ago to be written down again. */
  readonly unseen: {
    readonly deviceId: number | null;
    readonly sessionId: number | null;
    /** What the device says waits on it, where that is news: some where nothing did, or none any more. */
    readonly waits: ({ readonly deviceId: number } & Waiting) | null;
  };
}

export const NOBODY: Asker = { device: null, person: null, unseen: { deviceId: null, sessionId: null, waits: null } };

/** Which device asks, and who on it: one question, since every request asks it. */
export async function whoAsks(
  { db, now }: Pick<Context, 'db' | 'now'>,
  key: string,
  token: string | null,
  /** Null: it says nothing. */
  waiting: Waiting | null = null,
): Promise<Asker> {
  const row = await db
    .selectFrom('device as d')
    .leftJoin('session as s', (on) =>
      on
        .onRef('s.device_id', '=', 'd.id')
        .on('s.token_hash', '=', token === null ? null : hashOf(token))
        .on('s.expires_at', '>', now())
        .on('s.expires_at', '<=', latestEnd(now())),
    )
    .leftJoin('person as p', 'p.id', 's.person_id')
    .select(['d.id as device_id', 'd.name as device_name', 'd.seen_at as device_seen_at', 'd.waiting'])
    .select(['s.id as session_id', 's.seen_at', 'p.id', 'p.name', 'p.role', 'p.preferences', USUAL_UNITS])
    .where('d.key_hash', '=', hashOf(key))
    .where('d.put_out_at', 'is', null)
    .executeTakeFirst();
  if (row === undefined) return NOBODY;
  const { id, name, role, preferences, usual_units } = row;
  // Of a time that has not come, it was seen by a clock that ran ahead.
  const isLong = (at: Date | null): boolean => at !== null && Math.abs(now().getTime() - at.getTime()) > SEEN_MS;
  return {
    device: { id: row.device_id, name: row.device_name },
    person:
      id === null || name === null || role === null || preferences === null
        ? null
        : toPerson({ id, name, role, preferences, usual_units }),
    unseen: {
      deviceId: isLong(row.device_seen_at) ? row.device_id : null,
      sessionId: isLong(row.seen_at) ? row.session_id : null,
      waits: isNews(row.waiting, waiting, isLong(row.device_seen_at)) ? { deviceId: row.device_id, ...waiting } : null,
    },
  };
}

/** While many are being sent the count changes with each: it is written down when it begins and ends, and once a minute between. */
const isNews = (was: number, is: Waiting | null, isLong: boolean): is is Waiting =>
  is !== null && is.count !== was && (isLong || is.count === 0 || was === 0);

/** Writes down that they were seen. */
export async function noteSeen(
  { db, now }: Pick<Context, 'db' | 'now'>,
  { deviceId, sessionId, waits }: Asker['unseen'],
): Promise<void> {
  const [before, after] = [-SEEN_MS, SEEN_MS].map((ms) => new Date(now().getTime() + ms)) as [Date, Date];
  // Of many requests at once, the first writes.
  const write = async (table: 'device' | 'session', id: number | null): Promise<void> => {
    if (id === null) return;
    await db
      .updateTable(table)
      .set({ seen_at: now() })
      .where('id', '=', id)
      .where((eb) => eb.or([eb('seen_at', '<', before), eb('seen_at', '>', after)]))
      .execute();
  };
  await write('device', deviceId);
  await write('session', sessionId);
  if (waits !== null)
    await db
      .updateTable('device')
      .set({ waiting: waits.count, waiting_since: sinceOf(waits, now()) })
      .where('id', '=', waits.deviceId)
      .execute();
}

const sinceOf = ({ count, oldestS }: Waiting, now: Date): Date | null =>
  count === 0 || oldestS === null ? null : new Date(now.getTime() - oldestS * 1000);
