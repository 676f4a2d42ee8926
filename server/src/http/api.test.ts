import assert from 'node:assert/strict';
import { describe, test } from 'node:test';
import { OPERATIONS } from '@hudrik/core/contracts';
import { Validator } from '@seriousme/openapi-schema-validator';
import { problemIn, TestYard, useYard, jsonOf } from '../testing/yard';

const JSON_TYPE = { 'content-type': 'application/json' };

describe('the API', () => {
  const yard = useYard();

  test('every failure is problem+json with a code', async () => {
    const response = await yard.ask('GET', '/api/units/XX-99', { as: 'lead' });
    assert.match(response.headers.get('content-type') ?? '', /application\/problem\+json/);
    assert.equal((await problemIn(response)).code, 'no-such-tag');
    assert.equal((await yard.ask('GET', '/api/nothing', { as: 'lead' })).status, 404);
  });

  test('broken JSON, a broken cursor, a broken address and a body too large are the caller’s', async () => {
    await yard.addUnit('GE-01');
    assert.equal((await yard.ask('POST', '/api/log', { as: 'lead', raw: '{"tag":', headers: JSON_TYPE })).status, 400);
    assert.equal((await yard.ask('GET', '/api/units?cursor=%00', { as: 'lead' })).status, 422);
    assert.equal((await yard.ask('GET', '/api/units/GE-01/history?cursor=bm9wZQ', { as: 'lead' })).status, 422);
    assert.equal((await yard.ask('GET', '/api/units/%E0%A4%A', { as: 'lead' })).status, 400);
    assert.equal(
      (
        await yard.ask('POST', '/api/log', {
          as: 'lead',
          raw: JSON.stringify({ text: 'x'.repeat(2_000_000) }),
          headers: JSON_TYPE,
        })
      ).status,
      413,
    );
    assert.equal((await yard.enter({ tag: 'GE-01' }, 'note', { text: 'a\u0000b' }, 'lead')).status, 422);
  });

  test('a photo is known by its bytes; 20 MB and a text file are refused', async () => {
    const png = Buffer.from(
      'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
      'base64',
    );
    const put = (id: string, raw: Buffer | string) => yard.ask('PUT', `/api/photos/${id}`, { as: 'technician', raw });
    const id = '11111111-1111-4111-8111-111111111111';
    assert.equal((await put(id, png)).status, 201);
    assert.equal((await put(id, png)).status, 201);
    assert.equal(
      (await problemIn(await put('22222222-2222-4222-8222-222222222222', 'just words'))).code,
      'not-a-photo',
    );
    assert.equal(
      (await problemIn(await put('33333333-3333-4333-8333-333333333333', Buffer.alloc(20_000_000)))).code,
      'too-large',
    );
    const back = await yard.ask('GET', `/api/photos/${id}`, { as: 'counter' });
    assert.equal(back.headers.get('content-type'), 'image/png');
    assert.equal(Buffer.from(await back.arrayBuffer()).readUInt32BE(16), 1);
  });

  test('a change wants the version that was seen', async () => {
    const seen = await yard.ask('GET', '/api/units/GE-01', { as: 'lead' });
    const etag = seen.headers.get('etag') ?? '';
    assert.match(etag, /^"\d+"$/);
    const change = (homeBay: string) =>
      yard.ask('PATCH', '/api/units/GE-01', { as: 'lead', body: { homeBay }, headers: { 'If-Match': etag } });
    const blind = await yard.ask('PATCH', '/api/units/GE-01', { as: 'lead', body: { homeBay: 'South 1' } });
    assert.deepEqual([blind.status, (await problemIn(blind)).code], [428, 'version-wanted']);
    assert.equal((await change('South 2')).status, 200);
    assert.equal((await problemIn(await change('South 3'))).code, 'changed-meanwhile');
  });

  test('history comes in pages that neither skip nor repeat', async () => {
    await yard.addUnit('GE-50');
    for (let n = 0; n < 12; n++) await yard.enter({ tag: 'GE-50' }, 'note', { text: `note ${n}` }, 'lead');
    const seen: string[] = [];
    for (let cursor: string | null = ''; cursor !== null;) {
      const page: { records: { id: string }[]; next: string | null } = await yard.read<{
        records: { id: string }[];
        next: string | null;
      }>(`/api/units/GE-50/history?limit=5${cursor ? `&cursor=${cursor}` : ''}`, 'lead');
      seen.push(...page.records.map((record) => record.id));
      cursor = page.next;
    }
    assert.equal(seen.length, 13);
    assert.equal(new Set(seen).size, 13);
  });

  test('the OpenAPI 3.1 document is valid by another library, and holds every operation', async () => {
    const document = await jsonOf<{ paths: Record<string, object> }>(await yard.ask('GET', '/api/openapi.json'));
    const result = await new Validator().validate(document);
    assert.deepEqual([result.valid, result.errors], [true, undefined]);
    assert.equal(
      Object.values(document.paths).flatMap((path) => Object.keys(path)).length,
      Object.keys(OPERATIONS).length,
    );
  });

  test('health tells whether the records can be reached', async () => {
    assert.deepEqual(await (await yard.ask('GET', '/api/health')).json(), {
      ...{ alive: true, ready: true, version: 'test', troubles: [] },
    });
    // From elsewhere, through a proxy here: not which version, nor what is wrong.
    const far = await yard.ask('GET', '/api/health', { headers: { 'X-Forwarded-For': '203.0.113.9' } });
    assert.deepEqual(await far.json(), { alive: true, ready: true, version: '', troubles: [] });
  });
});

describe('people', () => {
  const yard = useYard();
  const change = async (role: 'lead' | 'counter', body: object) => {
    const { id } = await yard.db.selectFrom('person').select('id').where('role', '=', role).executeTakeFirstOrThrow();
    return yard.ask('PATCH', `/api/people/${id}`, { as: 'lead', body });
  };

  test('somebody must be lead', async () => {
    for (const body of [{ role: 'technician' }, { left: true }])
      assert.equal((await problemIn(await change('lead', body))).code, 'last-lead');
  });

  test('who left is signed out, not on the door, and can come back', async () => {
    assert.equal((await change('counter', { left: true })).status, 200);
    assert.equal((await yard.ask('GET', '/api/session', { as: 'counter' })).status, 401);
    const { people } = await jsonOf<{ people: { role: string }[] }>(await yard.ask('GET', '/api/sign-in-options'));
    assert.ok(people.every((person) => person.role !== 'counter'));
    assert.equal((await change('counter', { left: false, pin: '770413' })).status, 200);
    const { id } = await yard.db
      .selectFrom('person')
      .select('id')
      .where('role', '=', 'counter')
      .executeTakeFirstOrThrow();
    assert.equal((await yard.ask('POST', '/api/session', { body: { personId: id, pin: '12345' } })).status, 401);
    assert.equal((await yard.ask('POST', '/api/session', { body: { personId: id, pin: '770413' } })).status, 200);
  });
});

describe('signing in', () => {
  const yard = useYard();

  test('the cookie is for the server alone, and is dead after signing out', async () => {
    const id = (await yard.db.selectFrom('person').select('id').where('role', '=', 'lead').executeTakeFirstOrThrow())
      .id;
    const entered = await yard.ask('POST', '/api/session', { body: { personId: id, pin: '12345' } });
    const cookie = entered.headers.get('set-cookie') ?? '';
    assert.match(cookie, /HttpOnly/);
    assert.match(cookie, /SameSite=Strict/);
    assert.equal((await yard.ask('DELETE', '/api/session', { as: 'counter' })).status, 200);
    assert.equal((await yard.ask('GET', '/api/session', { as: 'counter' })).status, 401);
  });

  test('a session ends by itself', async () => {
    yard.later(24 * 15);
    assert.equal((await yard.ask('GET', '/api/session', { as: 'lead' })).status, 401);
  });

  test('PINs are kept as argon2id', async () => {
    const { pin_hash } = await yard.db.selectFrom('person').select('pin_hash').executeTakeFirstOrThrow();
    assert.match(pin_hash, /^\$argon2id\$/);
  });

  test('the first lead can be made by the code only while there is nobody', async () => {
    assert.equal(
      (await yard.ask('POST', '/api/first-lead', { body: { code: 'first-code', name: 'Late', pin: '470413' } })).status,
      404,
    );
  });
});

describe('what a page of another site asks', () => {
  const yard = useYard();
  const note = (headers: Record<string, string>, raw?: string) =>
    yard.ask('POST', '/api/log', { as: 'lead', headers, ...(raw === undefined ? { body: {} } : { raw }) });

  test('is refused, whatever cookies came with it', async () => {
    const host = new URL(yard.url).host;
    const foreign: Record<string, string>[] = [
      { Origin: 'http://elsewhere.example' },
      { Origin: 'null' },
      { Origin: `http://${host}.elsewhere.example` },
      { 'Sec-Fetch-Site': 'cross-site' },
      { 'Sec-Fetch-Site': 'same-site' },
    ];
    for (const headers of foreign)
      assert.equal((await problemIn(await note(headers))).code, 'foreign-origin', JSON.stringify(headers));
    assert.equal(
      (await problemIn(await note({ Origin: `http://${host}`, 'Sec-Fetch-Site': 'same-origin' }))).code,
      'not-valid',
    );
  });

  test('what is no JSON is refused, as is what is no CSV or photo where that is wanted', async () => {
    for (const type of ['text/plain', 'application/x-www-form-urlencoded', 'multipart/form-data; boundary=x'])
      assert.equal((await problemIn(await note({ 'content-type': type }, '{}'))).code, 'not-json', type);
    const csv = yard.ask('POST', '/api/import/units', {
      as: 'lead',
      raw: 'tag',
      headers: { 'content-type': 'text/plain' },
    });
    assert.equal((await problemIn(await csv)).code, 'not-json');
  });

  test('codes are guessed slowly by who has no device; who has one waits for nobody', async () => {
    const slow = new TestYard();
    await slow.open(3);
    await slow.addPeople();
    const statuses: number[] = [];
    for (let n = 0; n < 5; n++)
      statuses.push(
        (await slow.ask('POST', '/api/devices', { cookie: '', body: { code: 'AAAAAAAA', name: 'X' } })).status,
      );
    assert.deepEqual(statuses, [404, 404, 404, 429, 429]);
    await slow.signInAgain();
    assert.equal((await slow.ask('GET', '/api/session', { as: 'lead' })).status, 200);
    await slow.close();
  });
});
