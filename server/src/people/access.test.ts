import assert from 'node:assert/strict';
import { describe, test } from 'node:test';
import type { Access, Status } from '@hudrik/core/contracts';
import { waitAfterWrong } from '@hudrik/core/people';
import { jsonOf, problemIn, useYard } from '../testing/yard';

const MINUTE_MS = 60_000;

describe('devices', () => {
  const yard = useYard();
  const access = (as: 'lead' | 'technician' = 'lead') => yard.read<Access>('/api/access', as);
  const code = async () =>
    jsonOf<{ code: string; expiresAt: string; address: string | null }>(
      await yard.ask('POST', '/api/device-codes', { as: 'lead', body: {} }),
    );
  const enter = (typed: string, name = 'Shed phone') =>
    yard.ask('POST', '/api/devices', { cookie: '', body: { code: typed, name } });
  const wait = (ms: number) => (yard.now = new Date(yard.now.getTime() + ms));

  test('a code lets one device in, however it is typed; the second time, and after ten minutes, none', async () => {
    const first = await code();
    assert.match(first.code, /^[2-9A-Z]{8}$/);
    // Asked as 127.0.0.1, which means another machine on a phone.
    assert.equal(first.address, yard.url.replace('127.0.0.1', 'yard.test'));
    assert.equal((await problemIn(await enter('ABCD2345'))).code, 'wrong-code');
    const answer = await enter(` ${first.code.slice(0, 4).toLowerCase()}-${first.code.slice(4)} `);
    assert.equal(answer.status, 201);
    const cookie = answer.headers.get('set-cookie') ?? '';
    assert.match(cookie, /hudrik_device=[\w-]{43}; .*HttpOnly; SameSite=Strict/);
    assert.doesNotMatch(cookie, /Secure/);
    assert.equal((await problemIn(await enter(first.code))).code, 'wrong-code');
    const late = await code();
    wait(10 * MINUTE_MS + 1);
    assert.equal((await problemIn(await enter(late.code))).code, 'wrong-code');
    const { devices } = await access();
    assert.deepEqual(devices.map(({ name, letInBy }) => [name, letInBy]).sort(), [
      ['Shed phone', 'The lead'],
      ['The bench PC', null],
    ]);
    // Only hashes are kept.
    const { rows } = await yard.pool.query(
      'select key_hash, (select count(*)::int from device_code) as codes from device',
    );
    assert.ok(rows.every((row: { key_hash: Buffer }) => row.key_hash.length === 32));
  });

  test('a device that was not let in names nobody', async () => {
    const options = await jsonOf<object>(await yard.ask('GET', '/api/sign-in-options', { cookie: '' }));
    assert.deepEqual(options, { yard: '', demo: false, isLetIn: false, wantsFirstLead: false, people: [] });
  });

  test('a session is good on its own device alone', async () => {
    const other = await yard.letIn('Another');
    const answer = await yard.ask('GET', '/api/session', { as: 'lead', cookie: other.cookie });
    assert.equal((await problemIn(answer)).code, 'not-signed-in');
  });

  test('says what waits on it: written down when it begins and ends, and once a minute between', async () => {
    const { id, cookie } = await yard.letIn('Shed phone');
    const says = async (waiting: string) => {
      await yard.ask('GET', '/api/sign-in-options', { cookie, headers: { 'Hudrik-Waiting': waiting } });
      const { devices } = await yard.read<Status>('/api/status', 'lead');
      return devices.waiting.map(({ name, count }) => [name, count]);
    };
    assert.deepEqual(await says('12'), [['Shed phone', 12]]);
    assert.deepEqual(await says('7'), [['Shed phone', 12]]);
    yard.now = new Date(yard.now.getTime() + 90_000);
    assert.deepEqual(await says('5'), [['Shed phone', 5]]);
    for (const nonsense of ['', '-3', '2.5', '12345678', 'many'])
      assert.deepEqual(await says(nonsense), [['Shed phone', 5]]);
    assert.deepEqual(await says('0'), []);
    await says('2');
    await yard.db.updateTable('device').set({ put_out_at: yard.now }).where('id', '=', id).execute();
    assert.deepEqual(await says('2'), []);
  });

  test('put out: its key is good for nothing, and who is signed in on it is out', async () => {
    const phone = await yard.letIn('Lost phone');
    const id = yard.personId('technician');
    const signed = await yard.ask('POST', '/api/session', {
      cookie: phone.cookie,
      body: { personId: id, pin: '12345' },
    });
    const session = signed.headers.get('set-cookie')?.split(';')[0] ?? '';
    const me = () => yard.ask('GET', '/api/session', { cookie: `${phone.cookie}; ${session}` });
    assert.equal((await me()).status, 200);
    assert.equal((await access()).devices.find((one) => one.id === phone.id)?.signedIn, 1);
    const put = () => yard.ask('DELETE', `/api/devices/${phone.id}`, { as: 'lead' });
    assert.equal((await put()).status, 200);
    assert.equal((await problemIn(await me())).code, 'not-let-in');
    assert.equal((await put()).status, 404);
    assert.ok((await access()).sessions.every(({ device }) => device !== 'Lost phone'));
  });

  test('who is no lead sees and ends their own sessions, and nobody’s else', async () => {
    const own = await access('technician');
    assert.deepEqual([own.devices, own.sessions.map(({ person }) => person)], [[], ['The technician']]);
    assert.equal(own.sessions[0]?.isThis, true);
    const lead = (await access()).sessions.find(({ person }) => person === 'The lead');
    const end = (id: number, as: 'technician' | 'lead') => yard.ask('DELETE', `/api/sessions/${id}`, { as });
    assert.equal((await end(lead?.id ?? 0, 'technician')).status, 404);
    const counter = (await access()).sessions.find(({ person }) => person === 'The counter');
    assert.equal((await end(counter?.id ?? 0, 'lead')).status, 200);
    assert.equal((await yard.ask('GET', '/api/session', { as: 'counter' })).status, 401);
    await yard.signInAgain();
  });
});

describe('PINs', () => {
  const yard = useYard();
  const sign = (pin: string, { role = 'technician', cookie = yard.device.cookie } = {}) =>
    yard.ask('POST', '/api/session', { cookie, body: { personId: yard.personId(role as 'technician'), pin } });
  const wait = (seconds: number) => (yard.now = new Date(yard.now.getTime() + seconds * 1000));

  test('wrong ones wait longer and longer, by person and device; the right one then, too, and nobody else', async () => {
    const phone = await yard.letIn('Phone');
    const codes = [];
    for (let n = 0; n < 4; n++) codes.push((await problemIn(await sign('999999'))).code);
    assert.deepEqual(codes, ['wrong-pin', 'wrong-pin', 'wrong-pin', 'too-many']);
    assert.deepEqual((await problemIn(await sign('12345'))).facts, { seconds: waitAfterWrong(3) });
    assert.equal((await sign('12345', { role: 'counter' })).status, 200);
    assert.equal((await sign('12345', { cookie: phone.cookie })).status, 200);
    wait(waitAfterWrong(3) - 1);
    assert.equal((await sign('12345')).status, 429);
    wait(1);
    assert.deepEqual((await problemIn(await sign('999998'))).facts, { seconds: waitAfterWrong(4) });
    wait(waitAfterWrong(4));
    assert.equal((await sign('12345')).status, 200);
    // The right one begins anew.
    assert.deepEqual((await problemIn(await sign('999999'))).facts, undefined);
  });

  test('guessed at once, they are taken one after the other', async () => {
    const phone = await yard.letIn('Fast phone');
    const answers = await Promise.all(
      Array.from({ length: 12 }, (_, n) => sign(String(700_000 + n), { cookie: phone.cookie })),
    );
    assert.deepEqual(answers.map(({ status }) => status).sort(), [
      ...Array<number>(3).fill(401),
      ...Array<number>(9).fill(429),
    ]);
  });

  test('they are told to whose they are and to a lead, until they are seen', async () => {
    const told = async (as: 'technician' | 'lead' | 'counter') =>
      (await yard.read<Access>('/api/access', as)).wrongPins.map(({ device, count, isNew }) => [device, count, isNew]);
    assert.deepEqual(await told('technician'), [
      ['The bench PC', 5, true],
      ['Fast phone', 3, true],
    ]);
    assert.equal((await told('lead')).length, 2);
    assert.deepEqual(await told('counter'), []);
    await yard.ask('POST', '/api/session/wrong-pins-seen', { as: 'technician', body: {} });
    assert.ok((await told('technician')).every(([, , isNew]) => isNew === false));
  });

  test('a new one must be hard to guess, for oneself and set by a lead', async () => {
    const own = (body: object) => yard.ask('PUT', '/api/session/pin', { as: 'counter', body });
    const byLead = (pin: string) =>
      yard.ask('PATCH', `/api/people/${yard.personId('counter')}`, { as: 'lead', body: { pin } });
    for (const pin of ['12345', '123456', '121212', '159753', 'counter1']) {
      assert.equal((await own({ old: '12345', fresh: pin })).status, 422, pin);
      assert.equal((await byLead(pin)).status, 422, pin);
    }
    assert.equal(
      (
        await yard.ask('POST', '/api/people', {
          as: 'lead',
          body: { name: 'Osk Dahl', role: 'counter', pin: 'osk 47' },
        })
      ).status,
      422,
    );
    assert.equal((await yard.read<Access>('/api/access', 'counter')).isPinShort, true);
    // A wrong one is wrong again when it is sent again under its key, and is counted again.
    const headers = { 'Idempotency-Key': 'change-of-pin-1' };
    for (const fresh of ['471183', '471183']) {
      const wrong = { old: '99999', fresh };
      const answer = await yard.ask('PUT', '/api/session/pin', { as: 'counter', body: wrong, headers });
      assert.deepEqual([answer.status, (await problemIn(answer)).code], [401, 'wrong-pin']);
    }
    assert.equal((await own({ old: '12345', fresh: '471183' })).status, 200);
    assert.equal((await yard.read<Access>('/api/access', 'counter')).isPinShort, false);
    assert.equal((await sign('12345', { role: 'counter' })).status, 401);
    assert.equal((await sign('471183', { role: 'counter' })).status, 200);
  });

  test('a new one of one’s own signs out everywhere else', async () => {
    const phone = await yard.letIn('Phone 2');
    const signed = await sign('471183', { role: 'counter', cookie: phone.cookie });
    const session = signed.headers.get('set-cookie')?.split(';')[0] ?? '';
    await yard.ask('PUT', '/api/session/pin', { as: 'counter', body: { old: '471183', fresh: '830462' } });
    assert.equal((await yard.ask('GET', '/api/session', { cookie: `${phone.cookie}; ${session}` })).status, 401);
    assert.equal((await yard.ask('GET', '/api/session', { as: 'counter' })).status, 200);
  });
});

describe('a stream', () => {
  const yard = useYard();

  test('ends with its session', async () => {
    const stream = await yard.ask('GET', '/api/events', { as: 'apprentice' });
    const reader = stream.body?.getReader();
    await reader?.read();
    await yard.ask('DELETE', '/api/session', { as: 'apprentice' });
    for (;;) {
      const { done } = (await reader?.read()) ?? { done: true };
      if (done) break;
    }
    assert.ok(true);
  });
});
