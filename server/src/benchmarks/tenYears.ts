import { performance } from 'node:perf_hooks';
import { sql } from 'kysely';
import { loadDemo } from '../demo/load';
import { readUnitPage } from '../fleet/unitPage';
import { readUnits } from '../fleet/unitLines';
import { openBench } from '../testing/benchContext';
import { readHistory } from '../log/readLog';

/**
 * Ten years of a large yard: 5,000 units with 1,000,000 records, measured; then ten times as many, measured again in the same run. The years before
 * are the same notes, each so many times earlier.
 */
const TIMES = 84;
const DAYS = 210;
/** The last of them is there already; with ten before it there are ten million. */
const YEARS = 11;
const RUNS = 200;
const WANTED = 1.5;

const { pool, db, context } = await openBench();
await loadDemo(db, new Date(), { times: TIMES, days: DAYS, gapDays: 16, notesPerHire: 22 });
const tags = (
  await db
    .selectFrom('unit')
    .select('tag')
    .orderBy(sql`random()`)
    .limit(RUNS)
    .execute()
).map(({ tag }) => tag);

const READS = {
  'yard, first page of 100': () => readUnits(context, { limit: 100 }),
  'unit page': (n: number) => readUnitPage(context, tags[n % tags.length] ?? ''),
  'history, first page of 30': (n: number) => readHistory(context, tags[n % tags.length] ?? '', { limit: 30 }),
} as const;

const first = await measured();
const before = await count();
const began = performance.now();
await multiply();
const after = await count();
const second = await measured();
console.log(
  `\n${before.toLocaleString('en')} records, and ${after.toLocaleString('en')} (made in ${Math.round((performance.now() - began) / 1000)} s)`,
);
for (const [name, median] of Object.entries(first)) {
  const later = second[name] ?? 0;
  console.log(
    `  ${name}: median ${median.toFixed(1)} ms, then ${later.toFixed(1)} ms; ratio ${(later / median).toFixed(2)} (wanted under ${WANTED})`,
  );
}
await db.destroy();

async function count(): Promise<number> {
  const { n } = await db
    .selectFrom('log_entry')
    .select((eb) => eb.fn.countAll<number>().as('n'))
    .executeTakeFirstOrThrow();
  return n;
}

/** The same notes in each of the years before. */
async function multiply(): Promise<void> {
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
  client.release();
}

/** Medians, milliseconds, after a few to get warm. */
async function measured(): Promise<Record<string, number>> {
  const medians: Record<string, number> = {};
  for (const [name, read] of Object.entries(READS)) {
    const times: number[] = [];
    for (let n = 0; n < RUNS; n++) {
      const start = performance.now();
      await read(n);
      if (n >= 20) times.push(performance.now() - start);
    }
    medians[name] = times.sort((a, b) => a - b)[Math.floor(times.length / 2)] ?? 0;
  }
  return medians;
}
