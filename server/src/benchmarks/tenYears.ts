import { performance } from 'node:perf_hooks';
import { sql } from 'kysely';
import pg from 'pg';
import { loadDemo } from '../demo/load';
import { readUnitPage } from '../fleet/unitPage';
import { readUnits } from '../fleet/unitLines';
import { openBench } from '../testing/benchContext';
import { readHistory } from '../log/readLog';

/**
 * Ten years of a large yard: 5,000 units with 1,000,000 records, and a copy of it with ten times as many, asked in turn so that both are measured in the
 * same minute. The years before are the same notes, each so many times earlier.
 */
const TIMES = 84;
const DAYS = 210;
/** The last of them is there already; with ten before it there are ten million. */
const YEARS = 11;
const UNITS = 100;
const ROUNDS = 5;
const WANTED = 1.5;
const LARGE = 'ten_years';

type Bench = Awaited<ReturnType<typeof openBench>>;

const url = process.env.DATABASE_URL ?? '';
const began = performance.now();
const loading = await openBench(url);
await loadDemo(loading.db, new Date(), { times: TIMES, days: DAYS, gapDays: 16, notesPerHire: 22 });
await loading.db.destroy();
const large = await openBench(await copyOf(url));
await multiply(large);
const small = await openBench(url);
const tags = (
  await small.db
    .selectFrom('unit')
    .select('tag')
    .orderBy(sql`random()`)
    .limit(UNITS)
    .execute()
).map(({ tag }) => tag);

const READS = {
  'yard, first page of 100': ({ context }: Bench) => readUnits(context, { limit: 100 }),
  'unit page': ({ context }: Bench, tag: string) => readUnitPage(context, tag),
  'history, first page of 30': ({ context }: Bench, tag: string) => readHistory(context, tag, { limit: 30 }),
} as const;

const [before, after] = [await count(small), await count(large)];
console.log(
  `\n${before.toLocaleString('en')} records, and ${after.toLocaleString('en')} (made in ${Math.round((performance.now() - began) / 1000)} s); each of ${UNITS} units once from the disk's cache, then ${ROUNDS} times`,
);
for (const [name, read] of Object.entries(READS)) {
  const [first, few, many] = await inTurn(read);
  console.log(
    `  ${name}: median ${few.toFixed(1)} ms, and ${many.toFixed(1)} ms; ratio ${(many / few).toFixed(2)} (wanted under ${WANTED}); the first time ${first.map((ms) => `${ms.toFixed(1)} ms`).join(' and ')}`,
  );
}
await small.db.destroy();
await large.db.destroy();

/** The same records in a database of their own. Out: where. */
async function copyOf(from: string): Promise<string> {
  const at = (name: string): string => {
    const there = new URL(from);
    there.pathname = `/${name}`;
    return there.href;
  };
  const client = new pg.Client({ connectionString: at('template1') });
  await client.connect();
  await client.query(`create database ${LARGE} template ${new URL(from).pathname.slice(1)}`);
  await client.end();
  return at(LARGE);
}

/** The same notes in each of the years before. */
async function multiply({ pool }: Bench): Promise<void> {
  const client = await pool.connect();
  // What happened is made by the yard's rules alone, or past them.
  await client.query('set session_replication_role = replica');
  await client.query('set statement_timeout = 0');
  for (let year = 1; year < YEARS; year++)
    await client.query(
      `insert into log_entry (id, unit_id, at, person_id, kind, facts, outcome)
       select gen_random_uuid(), unit_id, at - make_interval(days => $1), person_id, kind, facts, outcome
       from log_entry where kind = 'note' and at > now() - make_interval(days => $2)`,
      [year * DAYS, DAYS],
    );
  await client.query('vacuum analyze log_entry');
  await client.query('checkpoint');
  client.release();
}

async function count({ db }: Bench): Promise<number> {
  const { n } = await db
    .selectFrom('log_entry')
    .select((eb) => eb.fn.countAll<number>().as('n'))
    .executeTakeFirstOrThrow();
  return n;
}

/** Medians, milliseconds: of the first time with each, and of the times after that with few and with many. */
async function inTurn(
  read: (bench: Bench, tag: string) => Promise<unknown>,
): Promise<[readonly number[], number, number]> {
  const benches = [small, large];
  const firsts: number[][] = [[], []];
  const times: number[][] = [[], []];
  for (let round = 0; round <= ROUNDS; round++)
    for (const tag of tags)
      for (const [which, bench] of benches.entries()) {
        const start = performance.now();
        await read(bench, tag);
        (round === 0 ? firsts : times)[which]?.push(performance.now() - start);
      }
  const [few = 0, many = 0] = times.map(median);
  return [firsts.map(median), few, many];
}

function median(times: readonly number[]): number {
  return [...times].sort((a, b) => a - b)[Math.floor(times.length / 2)] ?? 0;
}
