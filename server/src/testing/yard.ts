import { randomUUID } from 'node:crypto';
import { after, before } from 'node:test';
import type { ClassId } from '@hudrik/core/catalogue';
import type { LogRecord, Problem, Role } from '@hudrik/core/contracts';
import { isOf, isCheckedIn, type CheckedIn, type Facts, type KindId } from '@hudrik/core/log';
import { runOnce } from 'graphile-worker';
import type pg from 'pg';
import pino from 'pino';
import { searchesIn } from '../bench/searches';
import { listenForChanges } from '../background/changes';
import { taskListOf } from '../background/runner';
import { WORKER_SCHEMA } from '../background/schema';
import { tasksOf } from '../background/tasks';
import { httpInstruments } from '../cards/instruments';
import type { Context } from '../context';
import { databaseOn, openPool } from '../database/open';
import { oneDatabase, type Reads } from '../database/reads';
import type { Db } from '../database/tables';
import { closeOf } from '../defects/closeDefects';
import type { FeedAnswer } from '../outside/feed';
import { insertUnit } from '../fleet/addUnit';
import { changeUnit } from '../log/changeUnit';
import { httpApp } from '../http/app';
import { waitAtConnections } from '../http/connections';
import { LoopWatch } from '../http/loopWatch';
import { httpSupplier, type Supplier } from '../parts/supplier';
import { letDeviceIn } from '../people/devices';
import { addPerson } from '../people/people';
import { startStandIns } from '../standins/start';
import { asApp, makeDatabase } from './databases';
import { metricsOf } from '../status/metrics';
import { BEGUN, type SampleCheckIn } from './samples';
import { paperPool } from '../printing/paperPool';
import { readersPool } from '../outside/readersPool';
import { sumsPool } from '../sums/sumsPool';
import { portOf } from '../portOf';
import { ownNames } from '../tls/ownNames';

const silent = pino({ level: 'silent' });
/** No test is about how long a machine with other things to do takes to connect. */
const patientPool = (url: string, connections: number): pg.Pool => openPool(url, connections, undefined, 0, 60_000);

export interface On {
  readonly tag?: string;
  readonly jobId?: string;
  readonly findingId?: string;
  readonly lineId?: string;
  readonly id?: string;
  readonly at?: string;
  readonly offsetMs?: number | null;
  readonly madeBy?: number;
}

interface Asked {
  readonly as?: Role;
  readonly body?: unknown;
  readonly raw?: string | Buffer;
  readonly headers?: Record<string, string>;
  /** Asked from another device than the tests’ own. */
  readonly cookie?: string;
  /** Another server than the tests' own. */
  readonly of?: Pick<Served, 'url'>;
}

/** A server of the yard. */
export interface Served {
  readonly url: string;
  readonly close: () => Promise<void>;
}

/** A yard of its own for one test file: its database, its people, its clock, its server on a free port. */
export class TestYard {
  db!: Db;
  url!: string;
  pool!: pg.Pool;
  context!: Context;
  supplier!: Supplier;
  now = new Date('2030-03-04T09:00:00Z');
  readonly personIds = new Map<Role, number>();
  readonly #cookies = new Map<Role, string>();
  /** The device that the tests' people sit at. */
  device!: { readonly id: number; readonly cookie: string };
  /** Of its database, as the server's own role. */
  appUrl = '';
  #close: () => Promise<void> = async () => undefined;

  /** What the booking desk answers. */
  deskAnswer: FeedAnswer = { ok: false, problem: 'away' };

  /** What happens while a plan is looked for. */
  whilePlanning: (ms: number) => Promise<void> = async () => undefined;

  /** What the machines’ feed answers. */
  equipmentAnswer: FeedAnswer = { ok: false, problem: 'away' };

  async open(codesPerMinute = 1000): Promise<void> {
    const database = await makeDatabase();
    this.pool = patientPool(database.url, 16);
    this.db = databaseOn(this.pool);
    // The server works as its own role; what a test does past it, it does as the owner.
    this.appUrl = asApp(database.url);
    const served = databaseOn(patientPool(this.appUrl, 16));
    const standIns = await startStandIns({ dayMs: 86_400_000, failsOf100: 0, now: () => this.now.getTime() }, 20);
    this.supplier = httpSupplier(standIns.supplierUrl, ['127.0.0.1'], { timeoutMs: 5000, tries: 2, pauseMs: 10 });
    const [sums, paper, readers] = [sumsPool(), paperPool(), readersPool()];
    this.context = {
      db: served,
      now: () => this.now,
      instruments: httpInstruments(standIns.loadBankUrl),
      sums: {
        ...sums,
        // So many looks at the clock: the same plan each time.
        planBench: async (asked, effort, watch) => {
          await this.whilePlanning('ms' in effort ? effort.ms : 0);
          return sums.planBench(asked, { looks: 20 }, watch);
        },
      },
      paper,
      searches: searchesIn(served),
      desk: { read: async () => this.deskAnswer },
      equipment: { read: async () => this.equipmentAnswer },
      readers,
    };
    const server = await this.#serve(this.context, oneDatabase(served), codesPerMinute);
    this.url = server.url;
    this.device = await this.letIn('The bench PC');
    this.#close = async () => {
      standIns.stop();
      await Promise.all([sums.stop(), paper.stop(), readers.stop()]);
      await server.close();
      await served.destroy();
      await this.db.destroy();
      await database.drop();
    };
  }

  close(): Promise<void> {
    return this.#close();
  }

  /** What another process of the server would be: its own connections to the same records, its own ear for changes. */
  async another(readsOf: (db: Db) => Reads = oneDatabase, of?: Db): Promise<Served> {
    const db = of ?? databaseOn(patientPool(this.appUrl, 8));
    const server = await this.#serve({ ...this.context, db, searches: searchesIn(db) }, readsOf(db), 1000);
    return {
      url: server.url,
      close: async () => {
        await server.close();
        if (of === undefined) await db.destroy();
      },
    };
  }

  async #serve(context: Context, reads: Reads, codesPerMinute: number): Promise<Served> {
    const events = listenForChanges(this.appUrl, silent, reads.written);
    const standing = {
      version: 'test',
      startedAt: this.now,
      dataFolder: null,
      backups: null,
      isPrivate: true,
      copy: null,
    };
    const installation = {
      ...standing,
      reachedAs: 'yard.test',
      isOwnName: ownNames(['yard.test'], undefined),
      trust: null,
      demo: false,
      firstLeadCode: 'first-code',
      events,
    };
    const app = httpApp({
      context,
      reads,
      installation,
      log: silent,
      loop: new LoopWatch(silent),
      ...{ metrics: metricsOf(context, installation, {}), metricsToken: 'a token of the tests' },
      webFolder: null,
      codesPerMinute,
    });
    const listening = app.listen(0, '127.0.0.1');
    waitAtConnections(listening);
    await new Promise((resolve) => listening.once('listening', resolve));
    return {
      url: `http://127.0.0.1:${portOf(listening)}`,
      close: async () => {
        await events.stop();
        listening.closeAllConnections();
        listening.close();
      },
    };
  }

  async addPeople(): Promise<void> {
    for (const role of ['apprentice', 'technician', 'lead', 'counter'] as const)
      this.personIds.set(role, (await addPerson(this.db, { name: `The ${role}`, role, pin: '12345' })).id);
    await this.signInAgain();
  }

  async signInAgain(): Promise<void> {
    for (const [role, personId] of this.personIds) {
      const answer = await this.ask('POST', '/api/session', { body: { personId, pin: '12345' } });
      this.#cookies.set(role, answer.headers.get('set-cookie')?.split(';')[0] ?? '');
    }
  }

  /** Another device, as if a lead had shown its code. */
  async letIn(name: string): Promise<{ readonly id: number; readonly cookie: string }> {
    const { key, device } = await letDeviceIn(this.context, name, null);
    return { id: device.id, cookie: `hudrik_device=${key}` };
  }

  cookieOf(role: Role): string {
    return this.#cookies.get(role) ?? '';
  }

  personId(role: Role): number {
    return this.personIds.get(role) ?? 0;
  }

  /** A unit of the class with some hours, last read ten days ago. */
  /** A unit that somebody has looked at, and found nothing wrong, unless said otherwise. */
  async addUnit(tag: string, classId: ClassId = 'generator', hours = 100, { isLookedAt = true } = {}): Promise<number> {
    const model = await this.db
      .insertInto('model')
      .values({ class_id: classId, make: 'Tuvellan', name: `Model ${tag}` })
      .returning('id')
      .executeTakeFirstOrThrow();
    const at = new Date(this.now.getTime() - 10 * 86_400_000);
    const fresh = {
      tag,
      modelId: model.id,
      serial: `S-${tag}`,
      homeBay: 'North 1',
      meterReading: hours,
      meterOffset: 0,
    };
    const id = await insertUnit({ db: this.db, now: () => at }, null, fresh);
    if (isLookedAt) await this.#lookAt(id, at);
    return id;
  }

  #lookAt(unitId: number, at: Date): Promise<unknown> {
    return changeUnit({ db: this.db, now: () => at }, null, { id: unitId }, async ({ trx }) => {
      const added = await trx
        .selectFrom('log_entry')
        .select('id')
        .where('unit_id', '=', unitId)
        .executeTakeFirstOrThrow();
      await closeOf(trx, { unitId, kind: 'unit' }, { entryId: added.id, how: 'looked-at', at });
    });
  }

  async ask(method: string, path: string, { as, body, raw, headers, cookie, of }: Asked = {}): Promise<Response> {
    return fetch((of ?? this).url + path, {
      method,
      headers: {
        cookie: [cookie ?? this.device.cookie, ...(as ? [this.cookieOf(as)] : [])].join('; '),
        ...(raw === undefined ? { 'content-type': 'application/json' } : {}),
        ...headers,
      },
      ...(raw !== undefined
        ? { body: new Uint8Array(Buffer.from(raw)) }
        : body === undefined
          ? {}
          : { body: JSON.stringify(body) }),
    });
  }

  /** What is read at a path, as somebody. */
  async read<T>(path: string, as: Role = 'technician'): Promise<T> {
    return jsonOf<T>(await this.ask('GET', path, { as }));
  }

  /** Something that happens, as a device sends it. */
  async enter<K extends KindId>(on: On, kind: K, facts: Facts<K>, as: Role = 'technician'): Promise<Response> {
    // The tests' devices know their clocks' offset, unless it is said otherwise.
    return this.ask('POST', '/api/log', { as, body: { id: randomUUID(), kind, facts, offsetMs: 0, ...on } });
  }

  /** A return that was begun now, unless it is said when. */
  async checkIn({ id, tag, facts }: SampleCheckIn, as: Role = 'technician'): Promise<Response> {
    const startedAt = facts.startedAt === BEGUN ? this.now.toISOString() : facts.startedAt;
    return this.enter({ id, tag }, 'check-in', { ...facts, startedAt }, as);
  }

  /** Books at the desk, knowing what speaks against it; a hire that has begun already as it was booked then. */
  async book(hire: { readonly fromAt: string } & Readonly<Record<string, unknown>>): Promise<Response> {
    const now = this.now;
    this.now = new Date(Math.min(now.getTime(), Date.parse(hire.fromAt)));
    // Who is signed in was so then.
    const signedIn = (earlier: number) =>
      this.pool.query('update session set expires_at = expires_at - make_interval(secs => $1)', [earlier]);
    const earlier = (now.getTime() - this.now.getTime()) / 1000;
    await signedIn(earlier);
    const answer = await this.ask('POST', '/api/hires', { as: 'counter', body: { ...hire, sure: true } });
    await signedIn(-earlier);
    this.now = now;
    return answer;
  }

  later(hours: number): void {
    this.now = new Date(this.now.getTime() + hours * 3_600_000);
  }

  /** Does what was left for the background, whenever it was to be done. */
  async runBackground(): Promise<void> {
    await this.pool.query(`update ${WORKER_SCHEMA}._private_jobs set run_at = now(), attempts = 0, locked_at = null`);
    await runOnce({
      pgPool: this.pool,
      schema: WORKER_SCHEMA,
      noHandleSignals: true,
      concurrency: 1,
      taskList: taskListOf(tasksOf(this.context, this.supplier, pino({ level: 'silent' }))),
    });
  }
}

/** Opens a yard before the tests of a file and closes it after them. */
export function useYard(signInsPerMinute?: number): TestYard {
  const yard = new TestYard();
  before(async () => {
    await yard.open(signInsPerMinute);
    await yard.addPeople();
  });
  after(() => yard.close());
  return yard;
}

/** What an answer says, taken at its word. */
export const jsonOf = async <T>(answer: Response): Promise<T> => (await answer.json()) as T;

export const problemIn = (answer: Response): Promise<Problem> => jsonOf(answer);

/** The entry that was taken. */
export async function entryIn(response: Response): Promise<LogRecord> {
  const reply = await jsonOf<{ entry: LogRecord }>(response);
  if (response.status !== 201) throw new Error(`not taken: ${JSON.stringify(reply)}`);
  return reply.entry;
}

/** What a check-in that was taken came to. */
export async function checkedIn(response: Response): Promise<CheckedIn> {
  const entry = await entryIn(response);
  if (!isOf(entry, 'check-in') || !isCheckedIn(entry.outcome)) throw new Error(`no check-in: ${JSON.stringify(entry)}`);
  return entry.outcome;
}
