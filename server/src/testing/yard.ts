import { randomUUID } from 'node:crypto';
import type { AddressInfo } from 'node:net';
import { after, before } from 'node:test';
import type { ClassId } from '@hudrik/core/catalogue';
import type { NewCheckIn, Problem, Role } from '@hudrik/core/contracts';
import pg from 'pg';
import pino from 'pino';
import { httpInstruments } from '../cards/instruments';
import { migrate, openDatabase } from '../database/open';
import type { Db } from '../database/tables';
import { insertUnit } from '../fleet/changeUnit';
import { httpApp } from '../http/app';
import { httpSupplier } from '../parts/supplier';
import { addPerson } from '../people/sessions';
import { startStandIns } from '../standins/start';

/** A yard of its own for one test file: its database, its people, its clock, its server on a free port. */
export class TestYard {
  db!: Db;
  url!: string;
  now = new Date('2030-03-04T09:00:00Z');
  readonly #people = new Map<Role, number>();
  readonly #cookies = new Map<Role, string>();
  #close: () => Promise<void> = async () => undefined;

  async open(signInsPerMinute = 1000): Promise<void> {
    const name = `t_${randomUUID().replaceAll('-', '')}`;
    const server = process.env['TEST_DATABASE_URL'] ?? '';
    await onServer(server, `create database ${name}`);
    const address = server.replace(/\/[^/]*$/, `/${name}`);
    this.db = openDatabase(address, 6);
    await migrate(this.db);
    const standIns = await startStandIns({ dayMs: 86_400_000, failsOf100: 0, now: () => this.now.getTime() }, 20);
    const context = {
      db: this.db,
      now: () => this.now,
      supplier: httpSupplier(standIns.supplierUrl, { timeoutMs: 500, tries: 2, pauseMs: 10 }),
      instruments: httpInstruments(standIns.loadBankUrl),
    };
    const app = httpApp({
      context,
      installation: { version: 'test', demo: false, firstLeadCode: 'first-code' },
      log: pino({ level: 'silent' }),
      webFolder: null,
      signInsPerMinute,
    });
    const listening = app.listen(0, '127.0.0.1');
    await new Promise((resolve) => listening.once('listening', resolve));
    this.url = `http://127.0.0.1:${(listening.address() as AddressInfo).port}`;
    this.#close = async () => {
      standIns.stop();
      listening.closeAllConnections();
      listening.close();
      await this.db.destroy();
      await onServer(server, `drop database ${name} with (force)`);
    };
  }

  close(): Promise<void> {
    return this.#close();
  }

  async addPeople(): Promise<void> {
    for (const role of ['apprentice', 'technician', 'lead', 'counter'] as const) {
      this.#people.set(role, (await addPerson(this.db, { name: `The ${role}`, role, pin: '12345' })).id);
    }
    await this.signInAgain();
  }

  async signInAgain(): Promise<void> {
    for (const [role, personId] of this.#people) {
      const answer = await this.ask('POST', '/api/session', { body: { personId, pin: '12345' } });
      this.#cookies.set(role, answer.headers.get('set-cookie')?.split(';')[0] ?? '');
    }
  }

  /** A unit of the class with some hours, last read ten days ago. */
  async addUnit(tag: string, classId: ClassId = 'generator', hours = 100): Promise<number> {
    const model = await this.db
      .insertInto('model')
      .values({ class_id: classId, make: 'Tuvellan', name: `Model ${tag}` })
      .returning('id')
      .executeTakeFirstOrThrow();
    const at = new Date(this.now.getTime() - 10 * 86_400_000);
    return this.db
      .transaction()
      .execute((trx) =>
        insertUnit(
          trx,
          { tag, modelId: model.id, serial: `S-${tag}`, homeBay: 'North 1', meterReading: hours, meterOffset: 0 },
          at,
          null,
        ),
      );
  }

  async ask(
    method: string,
    path: string,
    options: { as?: Role; body?: unknown; raw?: string | Buffer; headers?: Record<string, string> } = {},
  ): Promise<Response> {
    const { as, body, raw, headers } = options;
    return fetch(this.url + path, {
      method,
      headers: {
        ...(as ? { cookie: this.#cookies.get(as) ?? '' } : {}),
        ...(raw === undefined ? { 'content-type': 'application/json' } : {}),
        ...headers,
      },
      ...(raw !== undefined ? { body: raw as never } : body === undefined ? {} : { body: JSON.stringify(body) }),
    });
  }

  async checkIn(sent: NewCheckIn, as: Role = 'technician'): Promise<Response> {
    return this.ask('POST', '/api/check-ins', { as, body: sent });
  }

  later(hours: number): void {
    this.now = new Date(this.now.getTime() + hours * 3_600_000);
  }
}

async function onServer(url: string, statement: string): Promise<void> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  await client.query(statement);
  await client.end();
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

export const problemIn = async (response: Response): Promise<Problem> => (await response.json()) as Problem;
