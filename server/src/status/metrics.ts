import { TROUBLES, type Status } from '@hudrik/core/contracts';
import { collectDefaultMetrics, Gauge, Histogram, Registry } from 'prom-client';
import type { Context } from '../context';
import type { Load } from '../workersOf';
import { readStatus, type Standing } from './readStatus';

/** What is counted of this process and read of its records, in the open text format. */
export interface Metrics {
  /** A request was answered. In: which operation, its status, and how long it took, s. */
  readonly answered: (operation: string, status: number, seconds: number) => void;
  readonly text: () => Promise<string>;
  readonly contentType: string;
}

const SECONDS = [0.005, 0.01, 0.025, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 5, 10, 30];

/** In: of each pool of connections or workers, by its name, how it is loaded. */
export function metricsOf(
  context: Pick<Context, 'db' | 'now'>,
  standing: Standing,
  pools: Readonly<Record<string, () => Load>>,
): Metrics {
  const register = new Registry();
  // Memory, processor, the delay of the event loop.
  collectDefaultMetrics({ register });
  const of = { registers: [register] };
  const requests = new Histogram({
    ...{ name: 'hudrik_request_seconds', help: 'Requests to the API', labelNames: ['operation', 'status'] as const },
    ...{ buckets: SECONDS, ...of },
  });
  const gauge = <L extends string>(name: string, help: string, ...labelNames: L[]) =>
    new Gauge({ name: `hudrik_${name}`, help, labelNames, ...of });
  const pool = gauge('pool_size', 'Connections or threads of a pool', 'pool');
  const poolWaits = gauge('pool_waiting', 'What waits for one of them', 'pool');
  const ready = gauge('ready', 'Whether the records can be reached');
  const trouble = gauge('trouble', 'What is wrong, by its code: 1 while it is so', 'code');
  const tell = gaugesOf(gauge);
  new Gauge({
    ...{ name: 'hudrik_info', help: 'The version', labelNames: ['version'] as const, ...of },
  }).set({ version: standing.version }, 1);
  const collect = async (): Promise<void> => {
    for (const [name, load] of Object.entries(pools)) {
      const { total, waiting } = load();
      pool.set({ pool: name }, total);
      poolWaits.set({ pool: name }, waiting);
    }
    const status = await readStatus(context, standing).catch(() => null);
    ready.set(status === null ? 0 : 1);
    const wrong: readonly string[] = status?.troubles ?? ['store-away'];
    for (const code of TROUBLES) trouble.set({ code }, wrong.includes(code) ? 1 : 0);
    if (status !== null) tell(status);
  };
  return {
    answered: (operation, status, seconds) => requests.observe({ operation, status: String(status) }, seconds),
    contentType: register.contentType,
    text: async () => {
      await collect();
      return register.metrics();
    },
  };
}

type MakeGauge = <L extends string>(name: string, help: string, ...labelNames: L[]) => Gauge<L>;

/** What is read of the records, each under its own name. */
function gaugesOf(gauge: MakeGauge): (status: Status) => void {
  const failures = gauge('task_failures', 'How often in a row a regular task failed', 'task');
  const outside = gauge('outside_answered_age_seconds', 'Since something outside answered last', 'name');
  const plain: readonly (readonly [Gauge<never>, (status: Status, since: Since) => number | null])[] = [
    [gauge('queue_waiting', 'Work of the background that is due'), ({ queue }) => queue.waiting],
    [gauge('queue_failing', 'Work of the background that failed'), ({ queue }) => queue.failing.length],
    [
      gauge('queue_oldest_age_seconds', 'How long the oldest of it waits'),
      ({ queue }, since) => since(queue.oldestAt) ?? 0,
    ],
    [gauge('backup_age_seconds', 'Since the last good backup'), ({ backups }, since) => since(backups.last?.at)],
    [gauge('disk_free_bytes', 'Free where the records are'), ({ disk }) => disk?.freeBytes ?? null],
    [gauge('database_bytes', 'The records'), ({ database }) => database.bytes],
    [gauge('database_connections', 'Connections to them'), ({ database }) => database.connections],
    [gauge('devices_seen_today', 'Devices seen within a day'), ({ devices }) => devices.seenToday],
    [
      gauge('outbox_entries', 'Entered on devices and not here yet, as they said'),
      ({ devices }) => devices.waiting.reduce((sum, { count }) => sum + count, 0),
    ],
    [
      gauge('outbox_oldest_age_seconds', 'How long the oldest of it waits, as they said'),
      ({ devices }, since) => Math.max(0, ...devices.waiting.map((one) => since(one.since) ?? 0)),
    ],
    [gauge('copy_behind_seconds', 'How old the copy of the records is'), ({ copy }) => copy?.behindSeconds ?? null],
    [gauge('copy_log_bytes', 'Kept of the log of changes for a copy'), ({ copy }) => copy?.log?.keptBytes ?? null],
  ];
  return (status) => {
    const since: Since = (at) => (at ? (Date.parse(status.at) - Date.parse(at)) / 1000 : null);
    for (const [one, read] of plain) {
      const value = read(status, since);
      // What is not known is not nothing.
      if (value === null) one.reset();
      else one.set(value);
    }
    for (const { task, failures: count } of status.tasks) failures.set({ task }, count);
    for (const { name, answeredAt } of status.outside) {
      const age = since(answeredAt);
      if (age !== null) outside.set({ name }, age);
    }
  };
}

type Since = (at: string | null | undefined) => number | null;
