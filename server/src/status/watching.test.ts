import assert from 'node:assert/strict';
import { Writable } from 'node:stream';
import { describe, test } from 'node:test';
import { TROUBLES } from '@hudrik/core/contracts';
import pino from 'pino';
import type { CopyState } from '../database/copyState';
import { errorInLog } from '../logging/errorInLog';
import { useYard } from '../testing/yard';
import { readStatus } from './readStatus';

/** The open text format: a name, labels in braces, a value. */
function read(text: string): ReadonlyMap<string, number> {
  const lines = text.split('\n').filter((line) => line !== '' && !line.startsWith('#'));
  return new Map(
    lines.map((line): [string, number] => {
      const found = /^([a-z_][a-z_0-9]*(?:\{[^}]*\})?) (\S+)$/i.exec(line);
      assert.ok(found, line);
      return [String(found[1]), Number(found[2])];
    }),
  );
}

describe('what is to be watched', () => {
  const yard = useYard();
  const ask = (headers: Record<string, string> = {}) => fetch(`${yard.url}/metrics`, { headers });

  test('is read on this machine, elsewhere by the token alone, and by nobody who makes one up', async () => {
    assert.equal((await ask()).status, 200);
    const far = { 'X-Forwarded-For': '203.0.113.9' };
    assert.equal((await ask(far)).status, 401);
    assert.equal((await ask({ ...far, authorization: 'Bearer a token of the tests' })).status, 200);
    for (const authorization of ['Bearer a token', 'Bearer ', 'Basic YTpi', 'Bearer a token of the tests!'])
      assert.equal((await ask({ ...far, authorization })).status, 401, authorization);
  });

  test('says in the open text format how all stands, the same as a lead reads', async () => {
    await yard.read('/api/units', 'lead');
    await yard.ask('GET', '/api/units/XX-99', { as: 'lead' });
    const phone = await yard.letIn('Shed phone');
    await yard.ask('GET', '/api/sign-in-options', {
      ...{ cookie: phone.cookie, headers: { 'Hudrik-Waiting': '7;oldest=5400' } },
    });
    const answer = await ask();
    assert.match(answer.headers.get('content-type') ?? '', /^text\/plain; version=0\.0\.4/);
    const said = read(await answer.text());
    const status = await yard.read<{ database: { bytes: number } }>('/api/status', 'lead');
    const of = (name: string): number => said.get(name) ?? Number.NaN;
    assert.equal(of('hudrik_request_seconds_count{operation="units",status="200"}'), 1);
    assert.equal(of('hudrik_request_seconds_count{operation="unit",status="404"}'), 1);
    assert.deepEqual([of('hudrik_ready'), of('hudrik_info{version="test"}')], [1, 1]);
    assert.ok(Math.abs(of('hudrik_database_bytes') / status.database.bytes - 1) < 0.1);
    assert.deepEqual([of('hudrik_outbox_entries'), of('hudrik_outbox_oldest_age_seconds')], [7, 5400]);
    for (const code of TROUBLES) assert.ok([0, 1].includes(of(`hudrik_trouble{code="${code}"}`)), code);
    assert.ok(of('process_resident_memory_bytes') > 10_000_000);
    assert.ok(of('nodejs_eventloop_lag_p99_seconds') >= 0);
    // Who has which device is nobody's who only watches.
    assert.doesNotMatch([...said.keys()].join('\n'), /Shed|The lead/);
  });
});

describe('a copy of the records', () => {
  const yard = useYard();
  const level = { isThere: true, tookOver: false, behindBytes: 0, behindSeconds: 0, log: null };
  const log = { keptBytes: 0, mostBytes: 2e9, isLost: false };
  const cases: readonly (readonly [string, Partial<CopyState>, readonly string[]])[] = [
    ['level', {}, []],
    ['two minutes behind', { behindBytes: 5000, behindSeconds: 120 }, []],
    ['more than that', { behindBytes: 5000, behindSeconds: 121 }, ['copy-behind']],
    ['a lot of bytes, and no time', { behindBytes: 1e9, behindSeconds: 3 }, []],
    ['half of what is kept for it', { log: { ...log, keptBytes: 1e9 } }, []],
    ['more than that', { log: { ...log, keptBytes: 1e9 + 1 } }, ['copy-log-fills']],
    ['kept without end', { log: { ...log, mostBytes: null, keptBytes: 1e9 + 1 } }, ['copy-log-fills']],
    ['lost', { log: { ...log, isLost: true } }, ['copy-log-fills']],
    ['away, what it needs is kept', { isThere: false, log }, ['copy-away']],
  ];
  for (const [name, state, troubles] of cases)
    test(`${name}: ${troubles.join(', ') || 'nothing wrong'}`, async () => {
      const standing = { version: 'test', startedAt: yard.now, dataFolder: null, backups: null, isPrivate: true };
      const status = await readStatus(
        { db: yard.db, now: () => yard.now },
        { ...standing, copy: async () => ({ ...level, ...state }) },
      );
      assert.deepEqual(
        status.troubles.filter((one) => one.startsWith('copy')),
        troubles,
      );
    });
});

test('an error is written down without the rows that it is about', () => {
  const lines: string[] = [];
  const out = new Writable({ write: (chunk, _encoding, done) => (lines.push(String(chunk)), done()) });
  const log = pino({ serializers: { err: errorInLog } }, out);
  const error = Object.assign(new Error('duplicate key value violates unique constraint "person_name"'), {
    ...{ code: '23505', constraint: 'person_name', detail: 'Key (name)=(Runa Veldt) already exists.' },
    ...{ where: 'SQL statement of Runa', parameters: ['Runa Veldt'] },
  });
  log.error({ err: error, request: 'a1b2' }, 'unexpected');
  const [line = ''] = lines;
  assert.doesNotMatch(line, /Runa/);
  const { err, request } = JSON.parse(line) as { err: Record<string, string>; request: string };
  assert.deepEqual([err['code'], err['constraint'], err['type'], request], ['23505', 'person_name', 'Error', 'a1b2']);
  assert.match(err['stack'] ?? '', /watching\.test/);
});
