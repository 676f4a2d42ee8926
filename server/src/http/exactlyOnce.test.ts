import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { describe, test } from 'node:test';
import { signOff } from '../testing/proving';
import { sql } from 'kysely';
import { wellCheckIn } from '../testing/samples';
import { entryIn, problemIn, useYard } from '../testing/yard';
import { nth } from '@hudrik/core/typed';

describe('what is asked for twice is done once', () => {
  const yard = useYard();
  const key = (): string => `key-${randomUUID()}`;
  const modelId = async (): Promise<number> =>
    (await yard.db.selectFrom('model').select('id').limit(1).executeTakeFirstOrThrow()).id;
  const book = (reference: string, headers: Record<string, string>, more: object = {}) =>
    yard.ask('POST', '/api/hires', {
      as: 'counter',
      headers,
      body: {
        reference,
        classId: 'generator',
        tag: null,
        fromAt: '2030-05-01T09:00:00Z',
        toAt: '2030-05-02T09:00:00Z',
        sure: true,
        ...more,
      },
    });
  const booked = async (reference: string): Promise<number> =>
    (await yard.db.selectFrom('hire').select('id').where('reference', '=', reference).execute()).length;

  test('ten twins at once, of several kinds: each pair has one effect and one answer', async () => {
    await yard.addUnit('GE-01');
    const model = await modelId();
    const asks = [
      (n: number, header: string) => book(`T-${n}`, { 'Idempotency-Key': header }),
      (n: number, header: string) =>
        yard.ask('POST', '/api/people', {
          as: 'lead',
          headers: { 'Idempotency-Key': header },
          body: { name: `Twin ${n}`, role: 'technician', pin: '470413' },
        }),
      (n: number, header: string) =>
        yard.ask('POST', '/api/units', {
          as: 'lead',
          headers: { 'Idempotency-Key': header },
          body: {
            tag: `GE-${300 + n}`,
            modelId: model,
            serial: `S${n}`,
            homeBay: 'North',
            meterReading: 1,
            meterOffset: 0,
          },
        }),
      (n: number, header: string) =>
        yard.ask('POST', '/api/parts', {
          as: 'technician',
          headers: { 'Idempotency-Key': header },
          body: { number: `TW-${n}`, name: 'Twin', cents: 100, place: '', count: 3 },
        }),
    ];
    for (const ask of asks)
      for (let n = 0; n < 10; n++) {
        const header = key();
        const twins = await Promise.all([ask(n, header), ask(n, header), ask(n, header)]);
        const answers = await Promise.all(
          twins.map(async (answer) => ({ status: answer.status, body: await answer.text() })),
        );
        assert.ok(nth(answers, 0).status < 300, nth(answers, 0).body);
        assert.deepEqual(answers[1], answers[0]);
        assert.deepEqual(answers[2], answers[0]);
      }
    const count = async (table: 'hire' | 'person' | 'unit' | 'part', column: string, like: string): Promise<number> =>
      (
        await sql<{
          n: number;
        }>`select count(*) as n from ${sql.table(table)} where ${sql.ref(column)} like ${like}`.execute(yard.db)
      ).rows[0]?.n ?? 0;
    assert.equal(await count('hire', 'reference', 'T-%'), 10);
    assert.equal(await count('person', 'name', 'Twin %'), 10);
    assert.equal(await count('unit', 'tag', 'GE-30_'), 10);
    assert.equal(await count('part', 'number', 'TW-%'), 10);
    const moves = await yard.db.selectFrom('part_move').select('id').execute();
    assert.equal(moves.length, 10, 'each shelf was filled once');
  });

  test('an entry is its own key: ten twins at once are one each, also of a check-in with all that it brings', async () => {
    for (let n = 0; n < 10; n++) {
      const tag = `GE-${400 + n}`;
      await yard.addUnit(tag);
      const sent = wellCheckIn(tag, 'generator', '101.0');
      const twins = await Promise.all([yard.checkIn(sent), yard.checkIn(sent), yard.checkIn(sent, 'technician')]);
      const entries = await Promise.all(twins.map(entryIn));
      assert.deepEqual(entries[1], entries[0]);
      assert.deepEqual(entries[2], entries[0]);
      const readings = await yard.db
        .selectFrom('meter_reading as r')
        .innerJoin('unit as u', 'u.id', 'r.unit_id')
        .select('r.id')
        .where('u.tag', '=', tag)
        .execute();
      assert.equal(readings.length, 2);
    }
  });

  test('while the first is still at it, its twin waits, and gets the same answer', async () => {
    await yard.addUnit('GE-02');
    let release: () => void = () => undefined;
    const blocked = yard.db.transaction().execute(async (trx) => {
      await trx.selectFrom('unit').select('id').where('tag', '=', 'GE-02').forUpdate().execute();
      await new Promise<void>((resolve) => (release = resolve));
    });
    await new Promise((resolve) => setTimeout(resolve, 50));
    const header = { 'Idempotency-Key': key() };
    let done = 0;
    const twins = [1, 2].map(async () => {
      const answer = await book('B-slow', header, { tag: 'GE-02' });
      done++;
      return [answer.status, await answer.text()];
    });
    await new Promise((resolve) => setTimeout(resolve, 150));
    assert.equal(done, 0);
    release();
    await blocked;
    const [first, second] = await Promise.all(twins);
    assert.equal(first?.[0], 201);
    assert.deepEqual(second, first);
    assert.equal(await booked('B-slow'), 1);
  });

  test('what failed keeps no key: it can be done right under the same one', async () => {
    await yard.addUnit('GE-03');
    const header = { 'Idempotency-Key': key() };
    assert.equal((await book('B-f', header, { tag: 'GE-99' })).status, 404);
    assert.equal((await book('B-f', header, { tag: 'GE-03' })).status, 201);
    assert.equal(await booked('B-f'), 1);
  });

  test('of two that come at once under one key, the second does the work when the first fails', async () => {
    const header = { 'Idempotency-Key': key() };
    const answers = await Promise.all([1, 2, 3].map(() => book('B-bad', header, { tag: 'GE-98' })));
    assert.deepEqual(
      answers.map((answer) => answer.status),
      [404, 404, 404],
    );
  });

  test('a key means one request: another path, query, body or person is refused', async () => {
    const used = key();
    assert.equal((await book('B-k', { 'Idempotency-Key': used })).status, 201);
    assert.equal((await problemIn(await book('B-other', { 'Idempotency-Key': used }))).code, 'key-reused');
    const elsewhere = await yard.ask('POST', '/api/hires/B-k/cancel', {
      as: 'counter',
      headers: { 'Idempotency-Key': used },
    });
    assert.equal((await problemIn(elsewhere)).code, 'key-reused');
    const asLead = await yard.ask('POST', '/api/hires', {
      as: 'lead',
      headers: { 'Idempotency-Key': used },
      body: {
        reference: 'B-k',
        classId: 'generator',
        tag: null,
        fromAt: '2030-05-01T09:00:00Z',
        toAt: '2030-05-02T09:00:00Z',
        sure: true,
      },
    });
    assert.equal((await problemIn(asLead)).code, 'key-reused');
    assert.equal(await booked('B-other'), 0);
  });

  test('a key out of form is the caller’s mistake, and nothing is done', async () => {
    for (const bad of ['short', 'x'.repeat(101), 'with space in it', 'quote"quote', 'a/b/c/d/e']) {
      const answer = await book('B-bad-key', { 'Idempotency-Key': bad });
      assert.deepEqual([bad, answer.status, (await problemIn(answer)).code], [bad, 400, 'bad-key']);
    }
    assert.equal(await booked('B-bad-key'), 0);
  });

  test('an entry that was taken is never answered as refused, whatever came after it', async () => {
    await yard.addUnit('GE-04');
    const { jobId } = await entryIn(
      await yard.enter(
        { tag: 'GE-04' },
        'job-raised',
        { kind: 'prep', title: 'Wash', minutes: 5, blocks: 'prep' },
        'lead',
      ),
    );
    const id = randomUUID();
    const note = () => yard.enter({ id, jobId: jobId ?? '' }, 'step-added', { stepId: randomUUID(), title: 'Wipe' });
    const first = await entryIn(await note());
    await entryIn(await signOff(yard, jobId ?? '', 'lead'));
    assert.deepEqual(await entryIn(await note()), first, 'the job is closed, but this was taken before');
    assert.equal(
      (await problemIn(await yard.enter({ jobId: jobId ?? '' }, 'step-added', { stepId: randomUUID(), title: 'Late' })))
        .code,
      'job-closed',
    );
  });

  test('an id that stands for something else is refused', async () => {
    await yard.addUnit('GE-05');
    await yard.addUnit('GE-06');
    const id = randomUUID();
    await entryIn(await yard.enter({ id, tag: 'GE-05' }, 'note', { text: 'Loud' }));
    assert.equal(
      (await problemIn(await yard.enter({ id, tag: 'GE-06' }, 'note', { text: 'Loud' }))).code,
      'key-reused',
    );
  });
});

describe('whose something is', () => {
  const yard = useYard();

  test('a page that believes somebody else is signed in does nothing in their name', async () => {
    await yard.addUnit('GE-01');
    const ask = (believed: string) =>
      yard.ask('POST', '/api/log', {
        as: 'technician',
        headers: { 'Hudrik-Person': believed },
        body: { id: randomUUID(), kind: 'note', tag: 'GE-01', facts: { text: 'Loud' } },
      });
    const refused = await ask(String(yard.personId('lead')));
    assert.deepEqual([refused.status, (await problemIn(refused)).code], [401, 'somebody-else']);
    assert.equal((await ask(String(yard.personId('technician')))).status, 201);
    assert.equal((await problemIn(await ask(''))).code, 'somebody-else');
  });

  test('a lead sends on what another made: both names stand in the log, and the maker’s role counts', async () => {
    await yard.addUnit('GE-02');
    const apprentice = yard.personId('apprentice');
    const sentOn = await entryIn(
      await yard.enter({ tag: 'GE-02', madeBy: apprentice }, 'note', { text: 'It smells' }, 'lead'),
    );
    assert.deepEqual([sentOn.by, sentOn.sentBy], ['The apprentice', 'The lead']);
    const { records } = await yard.read<{ records: { by: string; sentBy: string | null }[] }>(
      '/api/units/GE-02/history',
    );
    assert.deepEqual([records[0]?.by, records[0]?.sentBy], ['The apprentice', 'The lead']);
    const raised = { kind: 'prep', title: 'Wash', minutes: 5, blocks: 'prep' } as const;
    const asApprentice = await yard.enter({ tag: 'GE-02', madeBy: apprentice }, 'job-raised', raised, 'lead');
    assert.equal((await problemIn(asApprentice)).code, 'not-your-role');
  });

  test('nobody else sends on, and nobody is made up', async () => {
    const note = { text: 'It smells' };
    for (const role of ['technician', 'apprentice', 'counter'] as const) {
      const other = yard.personId(role === 'technician' ? 'apprentice' : 'technician');
      assert.equal(
        (await problemIn(await yard.enter({ tag: 'GE-02', madeBy: other }, 'note', note, role))).code,
        'not-your-role',
      );
    }
    assert.equal((await yard.enter({ tag: 'GE-02', madeBy: 9999 }, 'note', note, 'lead')).status, 404);
    const own = await entryIn(await yard.enter({ tag: 'GE-02', madeBy: yard.personId('technician') }, 'note', note));
    assert.deepEqual([own.by, own.sentBy], ['The technician', null]);
  });
});
