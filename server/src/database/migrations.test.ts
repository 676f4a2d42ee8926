import assert from 'node:assert/strict';
import { after, before, describe, test } from 'node:test';
import { cardOf, observationsOf, tellEntry } from '@hudrik/core/log';
import { sql } from 'kysely';
import { readCheckIn } from '../checkins/readCheckIn';
import { readFinding } from '../findings/readFinding';
import { correctReading } from '../fleet/correctReading';
import { changeUnit } from '../log/changeUnit';
import { entriesOfJob, readHistory } from '../log/readLog';
import { readLevel } from '../fuel/unitFuel';
import { emptyDatabase, type MadeDatabase } from '../testing/databases';
import { migratorFor, openDatabase } from './open';
import type { Db } from './tables';

const CHECK_IN = '11111111-1111-4111-8111-111111111111';
const CHECK_OUT = '22222222-2222-4222-8222-222222222222';
const FINDING = '33333333-3333-4333-8333-333333333333';
const THING = '44444444-4444-4444-8444-444444444444';
const STEP = '55555555-5555-4555-8555-555555555555';
const uuid = (n: number): string => `aaaaaaaa-aaaa-4aaa-8aaa-${String(n).padStart(12, '0')}`;
const at = (hour: number): string => `2029-05-01T${String(hour).padStart(2, '0')}:00:00Z`;

/** A unit's story as the version before one log kept it: in up to four tables at once. */
async function tellTheOldWay(db: Db): Promise<void> {
  const run = async (text: string): Promise<void> => void (await sql.raw(text).execute(db));
  const json = (value: object): string => `'${JSON.stringify(value)}'`;
  await run(`insert into person (name, role, pin_hash) values ('Ivo', 'technician', 'x'), ('Runa', 'lead', 'x')`);
  await run(`insert into model (class_id, make, name) values ('generator', 'Tuvellan', 'Lantern 5')`);
  await run(
    `insert into unit (tag, class_id, model_id, serial, home_bay) values ('GE-01', 'generator', 1, 'S', 'North')`,
  );
  // One of whose fuel no entry tells.
  await run(`insert into unit (tag, class_id, model_id, serial, home_bay, fuel_eighths)
    values ('GE-02', 'generator', 1, 'T', 'North', 5)`);
  await run(
    `insert into meter (unit_id, ordinal, offset_hours, fitted_at, fitted_why) values (1, 1, 0, '${at(1)}', 'first')`,
  );
  await run(`insert into meter_reading (meter_id, unit_id, reading, true_hours, read_at, corrects_id) values
    (1, 1, 100, 100, '${at(1)}', null), (1, 1, 108, 108, '${at(3)}', null), (1, 1, 103, 103, '${at(3)}', 2)`);
  await run(`insert into hire (reference, class_id, unit_id, from_at, to_at, state, out_at, back_at, ended_at)
    values ('B-1', 'generator', 1, '${at(2)}', '${at(4)}', 'ended', '${at(2)}', '${at(3)}', '${at(3)}')`);
  await run(`insert into check_out (id, unit_id, hire_id, person_id, at, reading_id, fuel_eighths, kit, looks)
    values ('${CHECK_OUT}', 1, 1, 2, '${at(2)}', 1, 8, '[{"id": "lead", "count": 1}]', '["No leaks"]')`);
  const reason = { origin: { kind: 'check', id: 'sockets' }, consequence: 'hold', says: 'A socket is broken.' };
  const raised = { kind: 'repair', work: 'sockets', says: 'New socket', minutes: 20, blocks: 'hold', origins: [] };
  const verdict = { result: 'held', edition: 'e1', reasons: [reason], jobs: [raised], bill: [], shows: [] };
  await run(`insert into check_in (id, unit_id, hire_id, person_id, started_at, at, reading_id, fuel_eighths, fuel_tap, ended, told,
      missing, remarks, verdict_result, verdict, edition)
    values ('${CHECK_IN}', 1, 1, 1, '${at(3)}', '${at(3)}', 2, 5, 'was-shut', 'well', '["smokes"]', '[]', 'Loud', 'held',
      ${json(verdict)}, 'e1')`);
  await run(`insert into check_result (check_in_id, check_id, result, exception_id, value, unit, cause, photos)
    values ('${CHECK_IN}', 'sockets', 'not-ok', 'broken', 230, 'V', 'damage', '{${uuid(90)}}'), ('${CHECK_IN}', 'oil', 'ok', null, null, null, null, '{}')`);
  await run(`insert into station_pass values ('${CHECK_IN}', 'front', 12.5, false), ('${CHECK_IN}', 'back', 2, true)`);
  await run(`insert into job (unit_id, check_in_id, kind, work, says, minutes, blocks, why, state, raised_at, started_at, started_by)
    values (1, '${CHECK_IN}', 'repair', 'sockets', 'New socket', 20, 'hold', '["A socket is broken."]', 'open', '${at(3)}', '${at(5)}', 1)`);
  await run(`insert into finding (id, unit_id, job_id, machine, opened_at, opened_by, closed_at, causes)
    values ('${FINDING}', 1, 1, '{"engine": {"strokes": 4}, "past": {}}', '${at(4)}', 1, '${at(5)}', '{main-jet-blocked}')`);
  await run(`insert into finding_entry (id, finding_id, at, person_id, kind, observation, outcomes, reading, fault) values
    ('${uuid(1)}', '${FINDING}', '${at(4)}', 1, 'seen', 'choke', '{needs-choke}', null, null),
    ('${uuid(2)}', '${FINDING}', '${at(4)}', 1, 'seen', 'compression', '{strong}', '{"value": 118, "unit": "psi", "method": "pull"}', null),
    ('${uuid(3)}', '${FINDING}', '${at(4)}', 1, 'taken-back', 'choke', '{}', null, null),
    ('${uuid(4)}', '${FINDING}', '${at(4)}', 1, 'repaired', null, '{}', null, 'plug-fouled')`);
  const thing = {
    thingId: THING,
    what: 'Bowl',
    key: null,
    tray: 'A',
    place: 1,
    fasteners: [],
    orientation: '',
    linkHole: '',
    stack: [],
    quarterTurns: 5,
  };
  const cards: readonly (readonly [kind: string, facts: object])[] = [
    ['steps-laid', { edition: 'e1', from: 'start', steps: [{ stepId: STEP, says: 'Clear the jet', key: 'x' }] }],
    ['taken-off', thing],
    ['marked', { photoId: uuid(91), marks: [] }],
    ['waits', { for: 'part', why: '' }],
    ['goes-on', { why: 'It came' }],
    ['off-again', { thingId: THING }],
    ['struck', { thingId: THING, why: 'Would snap' }],
  ];
  for (const [n, [kind, facts]] of cards.entries())
    await run(
      `insert into job_entry (id, job_id, at, person_id, kind, facts) values ('${uuid(10 + n)}', 1, '${at(6)}', 1, '${kind}', ${json(facts)})`,
    );
  await run(`insert into clock (id, job_id, unit_id, kind, started_at, started_by, ends_at, result, ended_at) values
    ('${uuid(20)}', 1, 1, 'drip-test', '${at(6)}', 1, '${at(7)}', null, null),
    ('${uuid(21)}', 1, 1, 'drip-test', '${at(6)}', 1, '${at(7)}', 'dry', '${at(7)}'),
    ('${uuid(22)}', 1, 1, 'drip-test', '${at(6)}', 1, '${at(7)}', 'stopped', '${at(7)}')`);
  await run(`insert into part (number, says, cents) values ('TV-1', 'Gasket', 500)`);
  await run(
    `insert into exchange_part (id, says, origin_job_id, at) values ('${uuid(30)}', 'Carburettor', 1, '${at(6)}')`,
  );
  const history: readonly (readonly [kind: string, facts: object, hour: number])[] = [
    ['unit-added', { serial: 'S', reading: 100, trueHours: 100, readingId: '1' }, 1],
    ['check-out', { checkOutId: CHECK_OUT, hire: 'B-1' }, 2],
    [
      'check-in',
      {
        checkInId: CHECK_IN,
        hoursRun: 8,
        reference: 'B-1',
        jobIds: ['1'],
        readings: [{ says: 'Volts', value: 230, unit: 'V' }],
        hurried: ['Back'],
      },
      3,
    ],
    ['reading-corrected', { readingId: '3', reading: 103, from: 108, trueHours: 103, why: 'Misread' }, 4],
    ['finding-opened', { findingId: FINDING }, 4],
    ['finding-seen', { says: 'Choke' }, 4],
    ['finding-closed', { findingId: FINDING, causes: ['Main jet blocked'], jobId: '1', note: 'Dirt' }, 5],
    ['job-started', { jobId: '1', says: 'New socket' }, 5],
    ['card-taken-off', { ...thing, jobId: '1' }, 6],
    ['card-struck', { thingId: THING, why: 'Would snap', what: 'Bowl', jobId: '1' }, 6],
    ['part-wanted', { jobId: '1', asked: 'TV-0', number: 'TV-1', part: 'Gasket', count: 2 }, 6],
    ['part-used', { jobId: '1', number: 'TV-1', part: 'Gasket', count: 2 }, 6],
    ['card-woken', { jobId: '1' }, 6],
    ['note', { text: 'It whistles' }, 7],
  ];
  for (const [kind, facts, hour] of history)
    await run(`insert into history_record (unit_id, at, kind, person_id, facts, corrects_id)
      values (1, '${at(hour)}', '${kind}', 1, ${json(facts)}, ${kind === 'reading-corrected' ? 3 : 'null'})`);
}

describe('a yard kept by the version before one log', () => {
  let made: MadeDatabase;
  let db: Db;
  const history = async () => (await readHistory({ db }, 'GE-01', { limit: 100 })).records;
  const WORDING = { time: (text: string) => text, hours: (n: number) => `${n} h`, fuel: String, readiness: String };

  before(async () => {
    made = await emptyDatabase();
    db = openDatabase(made.url, 4);
    const before = await migratorFor(db).migrateTo('0003_cards');
    if (before.error) throw before.error;
    await tellTheOldWay(db);
    const { error } = await migratorFor(db).migrateToLatest();
    if (error) throw error;
  });
  after(async () => {
    await db.destroy();
    await made.drop();
  });

  test('an open job is called by what is done, not by the exception that raised it', async () => {
    const { rows } = await sql<{ work: string; title: string }>`select work, title from job where id = 1`.execute(db);
    assert.deepEqual(rows, [{ work: 'new-socket', title: 'New socket' }]);
  });

  test('what its open job is there for is wrong with it, and holds it', async () => {
    const { rows } = await sql`
      select origin_kind, origin_id, sentence, weight, job_id::int as job, found_by from defect where closed_at is null`.execute(
      db,
    );
    assert.deepEqual(rows, [
      {
        origin_kind: 'by-hand',
        origin_id: 'job-1',
        sentence: 'A socket is broken.',
        weight: 'hold',
        job: 1,
        found_by: CHECK_IN,
      },
    ]);
  });

  test('a level that stood beside the log is in it; what is in a tank is folded from there alone', async () => {
    const { rows } = await sql`
      select u.tag, e.kind, e.facts from log_entry e join unit u on u.id = e.unit_id where e.kind = 'fuel-seen'`.execute(
      db,
    );
    assert.deepEqual(rows, [{ tag: 'GE-02', kind: 'fuel-seen', facts: { fuelEighths: 5 } }]);
    const levels = await Promise.all([1, 2].map((id) => readLevel(db, id)));
    assert.deepEqual(
      levels.map((level) => level?.litres),
      [12.5, 12.5],
    );
  });

  test('its history tells the same, each thing once, in its order', async () => {
    const titles = [...(await history())].reverse().map((record) => tellEntry(record, WORDING).title);
    assert.deepEqual(titles, [
      'Came to the yard',
      'Handed out on B-1',
      'Checked in: held',
      'Started to find the fault',
      'Reading corrected: 108 to 103',
      'Off the choke: only runs on choke',
      'Compression by gauge: strong',
      'Taken back: off the choke',
      'Repaired, but the trouble was still there: plug fouled',
      'Found: main jet blocked',
      'Work started: New socket',
      'Part wanted: 2 × TV-1 Gasket',
      'Part used: 2 × TV-1 Gasket',
      'Work resumed',
      'Taken off: Bowl',
      'Photo marked',
      'Paused: waiting for a part',
      'Work resumed',
      'Taken off again: a thing',
      'Stays as it is: Bowl',
      'Note',
    ]);
  });

  test('a check-in is whole: answers, readings, photos, stations, verdict in today’s words', async () => {
    const checkIn = await readCheckIn({ db }, CHECK_IN);
    assert.deepEqual(
      JSON.parse(JSON.stringify([...checkIn.answers].sort((one, other) => one.check.localeCompare(other.check)))),
      [
        { check: 'oil', result: 'ok', photos: [] },
        {
          check: 'sockets',
          result: 'not-ok',
          exception: 'broken',
          reading: { value: 230, unit: 'V' },
          cause: 'damage',
          photos: [uuid(90)],
        },
      ],
    );
    assert.deepEqual(checkIn.stations, [
      { id: 'front', seconds: 12.5, hurried: false },
      { id: 'back', seconds: 2, hurried: true },
    ]);
    assert.deepEqual([checkIn.reading, checkIn.trueHours], [108, 108]);
    assert.equal(checkIn.verdict.reasons[0]?.sentence, 'A socket is broken.');
    assert.equal(checkIn.verdict.jobs[0]?.title, 'New socket');
    const record = (await history()).find((one) => one.id === CHECK_IN);
    assert.deepEqual(tellEntry(record ?? { kind: '', facts: {}, outcome: {} }, WORDING).lines, [
      '108 h, 8 h on this hire; fuel 5.',
      'A socket is broken.',
      'Volts: 230 V',
      'Passed faster than it can be looked at: Back.',
      '“Loud”',
    ]);
  });

  test('a card comes to the same: its steps, its things, how they sat', async () => {
    const card = cardOf(await entriesOfJob(db, 1));
    assert.deepEqual(
      card.steps.map((step) => [step.title, step.state]),
      [['Clear the jet', 'to-do']],
    );
    assert.deepEqual(
      card.ledger.things.map((thing) => [thing.what, thing.state, thing.by, thing.quarterTurns]),
      [['Bowl', 'struck-off', 'Would snap', 5]],
    );
  });

  test('a finding comes to the same: what was taken back counts nowhere', async () => {
    const { entries, causes } = await readFinding({ db }, FINDING);
    const { chapters, repaired } = observationsOf(entries);
    assert.deepEqual(chapters[0]?.seen, { compression: 'strong' });
    assert.deepEqual([repaired, causes], [['plug-fouled'], ['main-jet-blocked']]);
  });

  test('clocks, parts and corrections are as they were', async () => {
    const clocks = await db.selectFrom('clock').select(['state', 'result']).orderBy('id').execute();
    assert.deepEqual(clocks, [
      { state: 'running', result: null },
      { state: 'ended', result: 'dry' },
      { state: 'stopped', result: null },
    ]);
    assert.equal((await db.selectFrom('exchange_part').select('name').executeTakeFirstOrThrow()).name, 'Carburettor');
    const corrected = (await history()).find((one) => one.kind === 'reading-corrected');
    assert.equal(corrected?.corrects, CHECK_IN);
    assert.equal(corrected?.outcome['readingId'], '3');
  });

  test('a correction of before can be corrected again', async () => {
    const context = { db, now: () => new Date(at(9)) };
    const facts = { readingId: '3', reading: 104, why: 'Read it again' };
    let outcome: unknown;
    await changeUnit(context, null, { tag: 'GE-01' }, async (change) =>
      correctReading({
        change,
        facts,
        record: async (taken: { outcome?: object }) => void (outcome = taken.outcome),
      } as never),
    );
    assert.deepEqual(outcome, { readingId: '4', from: 103, trueHours: 104 });
  });

  test('what hangs on a unit is written by a transaction that has locked it, and by no other', async () => {
    const write = sql`insert into log_entry (id, unit_id, at, kind, facts) values (${uuid(99)}, 1, now(), 'note', '{}')`;
    await assert.rejects(write.execute(db), { code: 'HU010' });
    await assert.rejects(sql`update log_entry set kind = 'x'`.execute(db), { code: 'HU002' });
    await assert.rejects(sql`update job set minutes = 1`.execute(db), { code: 'HU010' });
    const other = db.transaction().execute(async (trx) => {
      await sql`select set_config('hudrik.unit', '2', true)`.execute(trx);
      await write.execute(trx);
    });
    await assert.rejects(other, { code: 'HU010' });
  });
});
