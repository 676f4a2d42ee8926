import { statfs } from 'node:fs/promises';
import type { Status, Trouble } from '@hudrik/core/contracts';
import { sql } from 'kysely';
import { WORKER_SCHEMA } from '../background/schema';
import { AHEAD_SECONDS } from '../background/regular';
import { readBackups, type Backups } from '../backups/nightly';
import type { Context } from '../context';
import type { CopyState } from '../database/copyState';
import type { Db } from '../database/tables';

const DAY_MS = 86_400_000;
/** A night that was missed is late once the next day is half over. */
const BACKUP_LATE_MS = 1.5 * DAY_MS;
const LEAST_FREE_BYTES = 2_000_000_000;
const LEAST_FREE_SHARE = 0.05;
/** Each minute something is done. */
const STILL_MS = 5 * 60_000;
/** Once is nothing. */
const FAILS_AT = 2;
const JUMP_SAID = '1 day';
const STUCK_MS = 15 * 60_000;
/** Further behind, a copy that takes over lacks what people remember. Something is written each minute. */
const FAR_BEHIND_SECONDS = 120;
/** Said long before what is kept for a copy is lost, or fills the disk. */
const LOG_SHARE = 0.5;
const LOG_BYTES_WITHOUT_END = 1_000_000_000;

/** What an installation is: set once at its start. */
export interface Standing {
  readonly version: string;
  readonly startedAt: Date;
  /** Where what is written goes to; null: not known. */
  readonly dataFolder: string | null;
  readonly backups: Backups | null;
  /** What travels between it and the devices can be read by nobody else. */
  readonly isPrivate: boolean;
  /** How the copy of the records stands; null: there is none. */
  readonly copy: (() => Promise<CopyState>) | null;
}

type Asking = Pick<Context, 'db' | 'now'>;

/** How the installation stands: its records, its disk, its backups, what waits, what is asked outside, and what is wrong of it. */
export async function readStatus(context: Asking, standing: Standing): Promise<Status> {
  const { db, now } = context;
  const [database, disk, backups, queue, tasks, clockJump, outside, devices, copy] = [
    await readDatabase(db),
    await readDisk(standing.dataFolder),
    await backupsOf(context, standing.backups),
    await readQueue(db),
    await readTasks(db),
    await readJump(db),
    await readOutside(db),
    await readDevices(db, now()),
    (await standing.copy?.()) ?? null,
  ];
  const facts = {
    ...{ database, disk, backups, queue, tasks, clockJump, copy },
    isPrivate: standing.isPrivate,
    now: now(),
  };
  return {
    ...{ at: now().toISOString(), version: standing.version, startedAt: standing.startedAt.toISOString() },
    troubles: troublesOf(facts, standing.startedAt),
    ...{ database, disk, backups, outside, devices, copy, clockJump },
    tasks: tasks.map(({ beganAgoMs: _, ...task }) => task),
    queue: { waiting: queue.waiting, oldestAt: queue.oldestAt, failing: queue.failing },
  };
}

type Queue = Status['queue'] & { readonly waitedMs: number };

interface Facts extends Pick<Status, 'database' | 'disk' | 'backups' | 'copy' | 'clockJump'> {
  readonly queue: Queue;
  readonly tasks: readonly Task[];
  readonly isPrivate: boolean;
  readonly now: Date;
}

function troublesOf(
  { database, disk, backups, queue, tasks, clockJump, copy, isPrivate, now }: Facts,
  startedAt: Date,
): Trouble[] {
  const since = (at: string | Date): number => now.getTime() - new Date(at).getTime();
  const isBackupLate = backups.folder !== null && since(backups.last?.at ?? startedAt) > BACKUP_LATE_MS;
  const isDiskLow =
    disk !== null && (disk.freeBytes < LEAST_FREE_BYTES || disk.freeBytes < LEAST_FREE_SHARE * disk.totalBytes);
  const said: readonly (readonly [Trouble, boolean])[] = [
    ['backup-late', isBackupLate],
    ['backup-failed', backups.failed !== null],
    ['disk-low', isDiskLow],
    ['queue-stuck', queue.waitedMs > STUCK_MS],
    // Since it was started, if nothing was done before.
    ['background-still', Math.min(since(startedAt), ...tasks.map(({ beganAgoMs }) => beganAgoMs)) > STILL_MS],
    ['task-failing', tasks.some(({ failures }) => failures >= FAILS_AT)],
    ['clock-jumped', clockJump !== null],
    ['superuser', database.isSuperuser],
    ['no-checksums', !database.hasChecksums],
    ['not-private', !isPrivate],
    ['copy-away', copy?.isThere === false],
    ['copy-behind', (copy?.behindSeconds ?? 0) > FAR_BEHIND_SECONDS],
    ['copy-log-fills', fills(copy?.log ?? null)],
    ['copy-took-over', copy?.tookOver === true],
  ];
  return said.flatMap(([trouble, isSo]) => (isSo ? [trouble] : []));
}

const fills = (log: NonNullable<Status['copy']>['log']): boolean =>
  log !== null &&
  (log.isLost || log.keptBytes > (log.mostBytes === null ? LOG_BYTES_WITHOUT_END : LOG_SHARE * log.mostBytes));

async function readDatabase(db: Db): Promise<Status['database']> {
  const { rows } = await sql<Status['database']>`
    select current_setting('server_version') as version, pg_database_size(current_database())::float8 as bytes,
      current_user as role, (select rolsuper from pg_roles where rolname = current_user) as "isSuperuser",
      current_setting('data_checksums') = 'on' as "hasChecksums",
      (select max(name) from kysely_migration) as migration,
      (select count(*)::int from pg_stat_activity where datname = current_database()) as connections,
      (select greatest(sum(reltuples), 0)::float8 from pg_class c join pg_namespace n on n.oid = c.relnamespace
        where n.nspname = 'public' and c.relkind = 'r') as records`.execute(db);
  const [row] = rows;
  if (row === undefined) throw new Error('The database says nothing of itself');
  return row;
}

async function readDisk(folder: string | null): Promise<Status['disk']> {
  if (folder === null) return null;
  const found = await statfs(folder).catch(() => null);
  return found && { freeBytes: found.bavail * found.bsize, totalBytes: found.blocks * found.bsize };
}

async function backupsOf(context: Asking, backups: Backups | null): Promise<Status['backups']> {
  const { good, failed } = await readBackups(context);
  return {
    ...{ folder: backups?.folder ?? null, keep: backups?.keep ?? 0 },
    last: good && { at: good.began_at.toISOString(), bytes: good.bytes ?? 0, rows: good.rows ?? 0 },
    failed: failed && { at: failed.began_at.toISOString(), why: failed.why_not ?? '' },
  };
}

/** By the database's own clock, which says when each is due. */
async function readQueue(db: Db): Promise<Queue> {
  const jobs = sql.table(`${WORKER_SCHEMA}.jobs`);
  const { rows } = await sql<{ task: string; tries: number; why: string | null; due: Date; waited: number }>`
    select task_identifier as task, attempts as tries, last_error as why, run_at as due,
      (extract(epoch from now() - run_at) * 1000)::float8 as waited
    from ${jobs} order by run_at limit 1000`.execute(db);
  const waiting = rows.filter(({ waited }) => waited >= 0);
  return {
    waitedMs: waiting[0]?.waited ?? 0,
    waiting: waiting.length,
    oldestAt: waiting[0]?.due.toISOString() ?? null,
    failing: rows
      .filter(({ why }) => why !== null)
      .slice(0, 20)
      .map(({ task, tries, why }) => ({ task, tries, why: (why ?? '').slice(0, 300) })),
  };
}

type Task = Status['tasks'][number] & { readonly beganAgoMs: number };

/** By the database's own clock; what began at a time that has not come counts as never begun. */
async function readTasks(db: Db): Promise<Task[]> {
  const { rows } = await sql<{
    task: Task['task'];
    began: number | null;
    well: Date | null;
    failing: Date | null;
    failures: number;
    why: string | null;
  }>`
    select name as task, well_at as well, failing_since as failing, failures, why,
      case when began_at <= now() + make_interval(secs => ${AHEAD_SECONDS})
        then greatest(extract(epoch from now() - began_at), 0)::float8 * 1000 end as began
    from background_task order by name`.execute(db);
  return rows.map(({ task, began, well, failing, failures, why }) => ({
    ...{ task, failures, why, beganAgoMs: began ?? Number.POSITIVE_INFINITY },
    ...{ wellAt: well?.toISOString() ?? null, failingSince: failing?.toISOString() ?? null },
  }));
}

async function readJump(db: Db): Promise<Status['clockJump']> {
  const { rows } = await sql<{ found: Date; seconds: number }>`
    select found_at as found, seconds from clock_jump
    where found_at between now() - ${JUMP_SAID}::interval and now() order by id desc limit 1`.execute(db);
  return rows[0] ? { foundAt: rows[0].found.toISOString(), seconds: rows[0].seconds } : null;
}

async function readOutside(db: Db): Promise<Status['outside']> {
  const states = [
    ['supplier', 'supplier_state'],
    ['booking desk', 'desk_state'],
    ['machines', 'equipment_state'],
  ] as const;
  return Promise.all(
    states.map(async ([name, table]) => {
      const row = await db.selectFrom(table).select(['answered_at', 'problem']).executeTakeFirst();
      return { name, answeredAt: row?.answered_at?.toISOString() ?? null, problem: row?.problem ?? null };
    }),
  );
}

async function readDevices(db: Db, now: Date): Promise<Status['devices']> {
  const { rows } = await sql<Omit<Status['devices'], 'waiting'>>`
    select count(*)::int as "letIn",
      count(*) filter (where seen_at > ${new Date(now.getTime() - DAY_MS)})::int as "seenToday",
      (select count(*)::int from session where expires_at > ${now}) as "signedIn"
    from device where put_out_at is null`.execute(db);
  const waiting = await db
    .selectFrom('device')
    .select(['name', 'waiting as count', 'waiting_since as since', 'seen_at as seenAt'])
    .where('put_out_at', 'is', null)
    .where('waiting', '>', 0)
    .orderBy('seen_at')
    .execute();
  return {
    ...(rows[0] ?? { letIn: 0, seenToday: 0, signedIn: 0 }),
    waiting: waiting.map((one) => ({
      ...one,
      since: one.since?.toISOString() ?? null,
      seenAt: one.seenAt.toISOString(),
    })),
  };
}

/** For whoever watches over it: it runs, whether it can answer, and, on this machine itself, what is wrong. Asks as little as that takes. */
export async function readHealth(context: Asking, standing: Standing, isNear: boolean) {
  const reaches = await sql`select 1`.execute(context.db).then(
    () => true,
    () => false,
  );
  const troubles: Trouble[] = reaches
    ? await readStatus(context, standing).then(
        (status) => [...status.troubles],
        () => ['store-away'],
      )
    : ['store-away'];
  // Strangers are told neither which version it is nor what is wrong.
  const said = isNear ? { version: standing.version, troubles } : { version: '', troubles: [] };
  return { alive: true, ready: reaches, ...said };
}
