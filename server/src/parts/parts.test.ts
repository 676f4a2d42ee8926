import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { createServer, type Server } from 'node:http';
import { after, describe, test } from 'node:test';
import type {
  ExchangePart,
  ImportReport,
  LogRecord,
  OrderLine,
  OrdersReply,
  PartLine,
  PartsReply,
  Quote,
} from '@hudrik/core/contracts';
import type { PartLineAction } from '@hudrik/core/states';
import { cardIn, onCard } from '../testing/proving';
import { foundCheckIn } from '../testing/samples';
import { entryIn, problemIn, useYard, jsonOf } from '../testing/yard';
import { httpSupplier } from './supplier';
import { portOf } from '../portOf';

const CSV =
  'number,name,cents,place,count,superseded_by,kit_of\r\nTV-1182,Gasket set,790,Shelf 3,2,,\r\nTV-2040,Carburettor,5400,Shelf 1,0,,\r\nTV-9000,Service kit,6500,Shelf 2,1,,TV-1182*2 TV-2040\r\nTV-1180,,,,,TV-1180A,\r\nTV-1180A,,,,,TV-1182,\r\n';

describe('parts', () => {
  const yard = useYard();
  const take = async (csv: string) =>
    await jsonOf<ImportReport>(await yard.ask('POST', '/api/import/parts', { as: 'lead', raw: csv }));
  const find = async (text: string) =>
    await yard.read<PartsReply>(`/api/parts?find=${encodeURIComponent(text)}`, 'technician');
  const job = async (tag: string): Promise<string> => {
    await yard.addUnit(tag);
    await yard.checkIn(foundCheckIn(tag, 'generator', '101.0', { exhaust: 'loose' }));
    return (
      (
        await yard.read<{
          jobs: { id: string }[];
        }>(`/api/jobs?tag=${tag}`, 'technician')
      ).jobs[0]?.id ?? ''
    );
  };
  const ask = async (jobId: string, number: string, count = 1): Promise<PartLine | undefined> => {
    const lineId = randomUUID();
    await entryIn(await yard.enter({ jobId }, 'part-asked', { lineId, number, count }));
    return lineOf(jobId, lineId);
  };
  const lineOf = async (jobId: string, lineId: string): Promise<PartLine | undefined> =>
    (await cardIn(yard, jobId)).parts.find((line) => line.id === lineId);
  const change = (lineId: string, action: PartLineAction) => yard.enter({ lineId }, 'part-line-changed', { action });
  const order = async (lines: readonly (string | undefined)[], id: string = randomUUID()): Promise<OrderLine> =>
    await jsonOf<OrderLine>(await yard.ask('POST', '/api/orders', { as: 'technician', body: { id, lines } }));
  const orders = () => yard.read<OrdersReply>('/api/orders');
  const orderNow = async (id: string) => (await orders()).orders.find((one) => one.id === id);

  test('CSV in: pieces, kits and old numbers; loops, forks and unknown pieces are refused by line', async () => {
    const report = await take(CSV);
    assert.deepEqual([report.taken, report.refused], [5, 0]);
    const bad = await take(
      'number,name,cents,place,count,superseded_by,kit_of\r\nTV-1182,,,,,TV-1180,\r\nTV-1180,,,,,TV-7777,\r\nTV-9001,Kit,1,,0,,TV-NONE*2\r\nTV-1182,Again,1,,1,,\r\n',
    );
    assert.equal(bad.taken, 0);
    assert.match(bad.lines[0]?.why ?? '', /loop/);
    assert.match(bad.lines[1]?.why ?? '', /fork/);
    assert.match(bad.lines[2]?.why ?? '', /kit_of/);
  });

  test('any old number finds today’s; what comes out goes in again', async () => {
    const { parts, today } = await find('tv-1180');
    assert.deepEqual(
      [today?.number, today?.through, parts[0]?.number, parts[0]?.onHand],
      ['TV-1182', ['TV-1180', 'TV-1180A'], 'TV-1182', 2],
    );
    const csv = await (await yard.ask('GET', '/api/export/parts', { as: 'counter' })).text();
    assert.match(csv, /TV-9000,Service kit,6500,Shelf 2,1,,TV-1182\*2 TV-2040\*1/);
    assert.match(csv, /TV-1180A,,,,,TV-1182,/);
  });

  test('a file of an older version, which called the name `says`, is still taken', async () => {
    const report = await take('number,says,cents,place,count,superseded_by,kit_of\r\nTV-5000,Old heading,100,,1,,\r\n');
    assert.deepEqual([report.taken, (await find('TV-5000')).parts[0]?.name], [1, 'Old heading']);
  });

  test('reserved from the shelf by an old number, used, given back; never more than lie there', async () => {
    const id = await job('GE-01');
    const line = await ask(id, 'TV-1180', 2);
    assert.deepEqual([line?.number, line?.state, line?.inStock], ['TV-1182', 'reserved', 0]);
    const otherJob = await job('GE-02');
    const other = await ask(otherJob, 'TV-1182');
    assert.equal(other?.state, 'wanted');
    assert.equal((await problemIn(await change(other?.id ?? '', 'reserve'))).code, 'not-in-stock');
    await entryIn(await change(line?.id ?? '', 'use'));
    assert.equal((await lineOf(id, line?.id ?? ''))?.state, 'used');
    assert.equal((await find('TV-1182')).parts[0]?.onHand, 0);
    assert.equal((await problemIn(await change(line?.id ?? '', 'use'))).code, 'part-line-moved');
    await change(line?.id ?? '', 'return');
    assert.equal((await find('TV-1182')).parts[0]?.onHand, 2);
    await entryIn(await change(other?.id ?? '', 'reserve'));
    assert.equal((await lineOf(otherJob, other?.id ?? ''))?.state, 'reserved');
    await assert.rejects(
      yard.db
        .insertInto('part_move')
        .values({ part_id: 1, change: -50, why: 'used', note: null, line_id: null, person_id: null, at: new Date() })
        .execute(),
      /shelf/,
    );
  });

  test('the last piece is promised to one of two who ask at once', async () => {
    const jobs = [await job('GE-03'), await job('GE-04')];
    await take('number,name,cents,place,count,superseded_by,kit_of\r\nTV-3000,Last one,100,,1,,\r\n');
    const states = (await Promise.all(jobs.map((id) => ask(id, 'TV-3000')))).map((line) => line?.state);
    assert.deepEqual(states.sort(), ['reserved', 'wanted']);
  });

  test('a shelf is not counted below what is promised; who waits for it is said', async () => {
    await take('number,name,cents,place,count,superseded_by,kit_of\r\nTV-3100,Plug,100,,3,,\r\n');
    const id = await job('GE-09');
    await ask(id, 'TV-3100', 2);
    const count = (n: number) =>
      yard.ask('POST', '/api/parts/TV-3100/count', { as: 'technician', body: { count: n, why: 'Counted' } });
    const refused = await problemIn(await count(1));
    assert.equal(refused.code, 'shelf-promised');
    assert.deepEqual(refused.facts, { promised: 2, waiting: [{ tag: 'GE-09', jobId: id, count: 2 }] });
    assert.equal((await count(2)).status, 200);
    assert.equal((await find('TV-3100')).parts[0]?.onHand, 2);
  });

  test('ordered, asked about, arrived: the job sleeps meanwhile and goes on with its last part', async () => {
    const id = await job('GE-05');
    const line = await ask(id, 'TV-2040');
    await onCard(yard, id, 'paused', { for: 'part', why: '' });
    assert.equal((await cardIn(yard, id)).visit.state, 'waits-part');
    const orderId = randomUUID();
    const kept = await order([line?.id], orderId);
    assert.deepEqual([kept.state, kept.lines[0]?.state, kept.supplierRef], ['sending', 'ordered', null]);
    await yard.runBackground();
    const placed = await orderNow(orderId);
    assert.deepEqual([placed?.state, placed?.cents, placed?.askedAt], ['placed', 5400, yard.now.toISOString()]);
    assert.equal((await orders()).supplier.answeredAt, yard.now.toISOString());
    assert.equal((await order([line?.id], orderId)).supplierRef, placed?.supplierRef);
    yard.later(24 * 5);
    assert.equal((await yard.ask('POST', `/api/orders/${orderId}/send`, { as: 'technician' })).status, 202);
    await yard.runBackground();
    const now = await orderNow(orderId);
    assert.equal(now?.late, Date.parse(now?.expectedAt ?? '') > yard.now.getTime());
    const receive = () => yard.ask('POST', `/api/orders/${orderId}/receive`, { as: 'apprentice' });
    const came = await jsonOf<OrderLine>(await receive());
    assert.deepEqual([came.state, came.lines[0]?.state], ['arrived', 'arrived']);
    assert.equal((await cardIn(yard, id)).visit.state, 'open');
    assert.equal((await find('TV-2040')).parts[0]?.onHand, 1);
    await receive();
    assert.equal((await find('TV-2040')).parts[0]?.onHand, 1);
    const kinds = (await yard.read<{ records: LogRecord[] }>('/api/units/GE-05/history?limit=20')).records;
    const said = kinds.filter((record) => record.kind.startsWith('part-') || record.kind === 'resumed');
    assert.deepEqual(
      said.map((record) => [record.kind, record.by]),
      [
        ['resumed', null],
        ['part-arrived', 'The apprentice'],
        ...(now?.late ? [['part-late', null]] : []),
        ['part-ordered', null],
        ['part-asked', 'The technician'],
      ],
    );
  });

  test('a supplier that is away loses nothing: the order waits and is sent under the same key when it answers', async () => {
    const { supplier } = yard;
    const line = await ask(await job('GE-10'), 'TV-2040');
    const away = { ok: false, code: 'away' } as const;
    yard.supplier = { quote: async () => away, order: async () => away, status: async () => away };
    const { id } = await order([line?.id]);
    await yard.runBackground();
    const waiting = await orderNow(id);
    assert.deepEqual([waiting?.state, waiting?.problem, waiting?.tries], ['sending', 'away', 1]);
    assert.equal((await orders()).supplier.problem, 'away');
    const keys: string[] = [];
    yard.supplier = {
      ...supplier,
      order: async (key, lines) => {
        keys.push(key);
        return supplier.order(key, lines);
      },
    };
    await yard.runBackground();
    assert.deepEqual([(await orderNow(id))?.state, keys], ['placed', [id]]);
    yard.supplier = supplier;
  });

  test('a quote is asked in the background: it follows what the supplier has replaced, and says when it was given', async () => {
    const quote = (number: string) => yard.read<Quote>(`/api/parts/${number}/quote`);
    const asked = async (number: string) => {
      await yard.ask('POST', `/api/parts/${number}/quote`, { as: 'technician' });
      const before = await quote(number);
      assert.equal(before.askedAt, yard.now.toISOString());
      await yard.runBackground();
      return quote(number);
    };
    assert.equal((await quote('TV-8000')).askedAt, null);
    const replaced = await asked('TV-1180');
    assert.deepEqual([replaced.number, replaced.cents, replaced.answeredAt], ['TV-1182', 790, yard.now.toISOString()]);
    assert.deepEqual([(await asked('TV-2041')).obtainable, (await quote('TV-2041')).problem], [false, null]);
    assert.equal((await asked('NONSENSE')).problem, 'not-known');
  });

  test('a supplier whose numbers go round in a circle ends somewhere', async () => {
    const { supplier } = yard;
    const other: Readonly<Record<string, string>> = { 'CC-1': 'CC-2', 'CC-2': 'CC-1' };
    const said = (number: string) => ({
      ok: true as const,
      value: { number, supersededBy: other[number] ?? null, name: number, obtainable: true, cents: 5, leadDays: 1 },
    });
    yard.supplier = { ...supplier, quote: async (number) => said(number) };
    await yard.ask('POST', '/api/parts/CC-1/quote', { as: 'technician' });
    await yard.runBackground();
    yard.supplier = supplier;
    assert.equal((await yard.read<Quote>('/api/parts/CC-1/quote')).number, 'CC-2');
  });

  test('an order that the supplier refuses goes back to wanted, and says why', async () => {
    const id = await job('GE-06');
    await take('number,name,cents,place,count,superseded_by,kit_of\r\nTV-2041,Old carburettor,100,,0,,\r\n');
    const line = await ask(id, 'TV-2041');
    const { id: orderId } = await order([line?.id]);
    await yard.runBackground();
    const failed = await orderNow(orderId);
    assert.equal(failed?.state, 'failed');
    assert.match(failed?.problem ?? '', /not to be had \(TV-2041\)/);
    assert.equal((await cardIn(yard, id)).parts[0]?.state, 'wanted');
    const again = await yard.ask('POST', `/api/orders/${orderId}/receive`, { as: 'technician' });
    assert.equal((await problemIn(again)).code, 'order-moved');
  });

  test('a job that ends gives back what it had reserved', async () => {
    const id = await job('GE-07');
    await take('number,name,cents,place,count,superseded_by,kit_of\r\nTV-4000,Clamp,100,,1,,\r\n');
    assert.equal((await ask(id, 'TV-4000'))?.state, 'reserved');
    await yard.enter({ jobId: id }, 'job-dropped', { why: 'Not worth it' }, 'lead');
    assert.equal((await find('TV-4000')).parts[0]?.reserved, 0);
  });

  test('an exchange part has an origin and goes from taken to proven, never back from its end', async () => {
    const id = await job('GE-08');
    const partId = randomUUID();
    const facts = { name: 'Carburettor', number: 'TV-2040', place: 'Box 4' };
    await entryIn(await yard.enter({ id: partId, jobId: id }, 'part-kept', facts));
    const { parts } = await yard.read<{ parts: ExchangePart[] }>('/api/exchange-parts');
    const kept = parts.find((part) => part.id === partId);
    assert.deepEqual([kept?.origin, kept?.state], ['GE-08', 'as-taken']);
    const call = (state: string, as: 'apprentice' | 'technician') =>
      yard.ask('POST', `/api/exchange-parts/${partId}`, { as, body: { state } });
    // An apprentice cleans it; to call it proven is to sign it off.
    assert.equal((await call('cleaned', 'apprentice')).status, 200);
    const refused = await call('proven', 'apprentice');
    assert.deepEqual([refused.status, (await problemIn(refused)).code], [403, 'not-your-role']);
    for (const state of ['proven', 'fitted'])
      assert.equal(
        (await yard.ask('POST', `/api/exchange-parts/${partId}`, { as: 'technician', body: { state } })).status,
        200,
      );
    assert.equal(
      (await yard.ask('POST', `/api/exchange-parts/${partId}`, { as: 'technician', body: { state: 'proven' } })).status,
      404,
    );
  });
});

describe('a supplier that is down, slow or lying', () => {
  const servers: Server[] = [];
  after(() => servers.forEach((server) => server.close()));
  const patience = { timeoutMs: 120, tries: 3, pauseMs: 5 };
  const answering = async (
    answer: (asked: number) => { status?: number; body?: string; waitMs?: number },
  ): Promise<{ url: string; asked: () => number }> => {
    let asked = 0;
    const server = createServer((_, response) => {
      const { status = 200, body = '', waitMs = 0 } = answer(++asked);
      setTimeout(() => response.writeHead(status, { 'content-type': 'application/json' }).end(body), waitMs);
    });
    servers.push(server);
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    return { url: `http://127.0.0.1:${portOf(server)}`, asked: () => asked };
  };
  const good = JSON.stringify({
    number: 'TV-1',
    supersededBy: null,
    name: 'x',
    obtainable: true,
    cents: 100,
    leadDays: 2,
  });

  test('is asked again with pauses, and believed when it answers', async () => {
    const { url, asked } = await answering((n) => (n < 3 ? { status: 503 } : { body: good }));
    assert.equal((await httpSupplier(url, ['127.0.0.1'], { ...patience, timeoutMs: 3000 }).quote('TV-1')).ok, true);
    assert.equal(asked(), 3);
  });

  test('gives up after its tries, and says how it failed', async () => {
    const code = async (answer: Parameters<typeof answering>[0]) => {
      const said = await httpSupplier((await answering(answer)).url, ['127.0.0.1'], patience).quote('TV-1');
      return said.ok ? 'ok' : said.code;
    };
    assert.equal(await code(() => ({ status: 500 })), 'away');
    assert.equal(await code(() => ({ body: good, waitMs: 400 })), 'slow');
    assert.equal(await code(() => ({ body: '{"number":' })), 'nonsense');
    assert.equal(await code(() => ({ body: '{"number":"TV-1","obtainable":"perhaps"}' })), 'nonsense');
    assert.equal(await code(() => ({ body: good.replace('100', '-5') })), 'nonsense');
    const nobody = await httpSupplier('http://127.0.0.1:9', ['127.0.0.1'], patience).quote('TV-1');
    assert.equal(nobody.ok ? 'ok' : nobody.code, 'away');
  });

  test('a plain no is not asked again', async () => {
    const { url, asked } = await answering(() => ({ status: 404, body: '{"why":"no such number"}' }));
    const said = await httpSupplier(url, ['127.0.0.1'], patience).quote('TV-1');
    assert.deepEqual([said.ok ? '' : said.code, asked()], ['refused', 1]);
  });
});
