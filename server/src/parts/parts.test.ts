import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { after, describe, test } from 'node:test';
import type { ExchangePart, ImportReport, OrderLine, PartLine, PartsReply, Quote } from '@hudrik/core/contracts';
import { enter, cardIn } from '../testing/proving';
import { foundCheckIn } from '../testing/samples';
import { problemIn, useYard } from '../testing/yard';
import { httpSupplier } from './supplier';

const CSV =
  'number,name,cents,place,count,superseded_by,kit_of\r\nTV-1182,Gasket set,790,Shelf 3,2,,\r\nTV-2040,Carburettor,5400,Shelf 1,0,,\r\nTV-9000,Service kit,6500,Shelf 2,1,,TV-1182*2 TV-2040\r\nTV-1180,,,,,TV-1180A,\r\nTV-1180A,,,,,TV-1182,\r\n';

describe('parts', () => {
  const yard = useYard();
  const take = async (csv: string) =>
    (await (await yard.ask('POST', '/api/import/parts', { as: 'lead', raw: csv })).json()) as ImportReport;
  const find = async (text: string) =>
    (await (
      await yard.ask('GET', `/api/parts?find=${encodeURIComponent(text)}`, { as: 'technician' })
    ).json()) as PartsReply;
  const job = async (tag: string): Promise<string> => {
    await yard.addUnit(tag);
    await yard.checkIn(foundCheckIn(tag, 'generator', '101.0', { exhaust: 'loose' }));
    return (
      (
        (await (await yard.ask('GET', `/api/jobs?tag=${tag}`, { as: 'technician' })).json()) as {
          jobs: { id: string }[];
        }
      ).jobs[0]?.id ?? ''
    );
  };
  const ask = (jobId: string, number: string, count = 1, id = randomUUID()) =>
    yard.ask('POST', `/api/jobs/${jobId}/parts`, { as: 'technician', body: { id, number, count } });
  const linesIn = async (answer: Response) => ((await answer.json()) as { lines: PartLine[] }).lines;
  const deed = (line: string, what: string) =>
    yard.ask('POST', `/api/part-lines/${line}/deed`, { as: 'technician', body: { deed: what } });

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

  test('reserved from the shelf by an old number, used, given back; never more than lie there', async () => {
    const id = await job('GE-01');
    const [line] = await linesIn(await ask(id, 'TV-1180', 2));
    assert.deepEqual([line?.number, line?.state, line?.inStock], ['TV-1182', 'reserved', 0]);
    const [other] = await linesIn(await ask(await job('GE-02'), 'TV-1182'));
    assert.equal(other?.state, 'wanted');
    assert.equal((await problemIn(await deed(other?.id ?? '', 'reserve'))).code, 'not-in-stock');
    assert.equal((await linesIn(await deed(line?.id ?? '', 'use')))[0]?.state, 'used');
    assert.equal((await find('TV-1182')).parts[0]?.onHand, 0);
    assert.equal((await problemIn(await deed(line?.id ?? '', 'use'))).code, 'part-line-moved');
    await deed(line?.id ?? '', 'return');
    assert.equal((await find('TV-1182')).parts[0]?.onHand, 2);
    assert.equal((await linesIn(await deed(other?.id ?? '', 'reserve')))[0]?.state, 'reserved');
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
    const states = (await Promise.all(jobs.map(async (id) => linesIn(await ask(id, 'TV-3000'))))).map(
      (lines) => lines.at(-1)?.state,
    );
    assert.deepEqual(states.sort(), ['reserved', 'wanted']);
  });

  test('ordered, late, arrived: the card sleeps meanwhile and wakes with its last part', async () => {
    const id = await job('GE-05');
    const [line] = await linesIn(await ask(id, 'TV-2040'));
    await enter(yard, id, 'waits', { for: 'part', why: '' });
    assert.equal((await cardIn(yard, id)).job.state, 'waits-part');
    // Ids are tried until the simulated supplier is late with one: which it is goes by the key.
    let order: OrderLine | null = null;
    const orderId = randomUUID();
    order = (await (
      await yard.ask('POST', '/api/orders', { as: 'technician', body: { id: orderId, lines: [line?.id] } })
    ).json()) as OrderLine;
    assert.deepEqual([order.state, order.lines[0]?.state, order.cents], ['placed', 'ordered', 5400]);
    const twice = (await (
      await yard.ask('POST', '/api/orders', { as: 'technician', body: { id: orderId, lines: [line?.id] } })
    ).json()) as OrderLine;
    assert.equal(twice.supplierRef, order.supplierRef);
    yard.later(24 * 5);
    const standing = (await (
      await yard.ask('POST', `/api/orders/${orderId}/send`, { as: 'technician' })
    ).json()) as OrderLine;
    assert.equal(standing.late, Date.parse(standing.expectedAt ?? '') > yard.now.getTime());
    const came = (await (
      await yard.ask('POST', `/api/orders/${orderId}/receive`, { as: 'apprentice' })
    ).json()) as OrderLine;
    assert.deepEqual([came.state, came.lines[0]?.state], ['arrived', 'arrived']);
    assert.equal((await cardIn(yard, id)).job.state, 'open');
    assert.equal((await find('TV-2040')).parts[0]?.onHand, 1);
    await yard.ask('POST', `/api/orders/${orderId}/receive`, { as: 'apprentice' });
    assert.equal((await find('TV-2040')).parts[0]?.onHand, 1);
  });

  test('a quote follows what the supplier has replaced, and keeps it; what is not to be had is said', async () => {
    const quote = async (number: string) =>
      (await (await yard.ask('GET', `/api/parts/${number}/quote`, { as: 'technician' })).json()) as Quote;
    assert.deepEqual([(await quote('TV-1180')).number, (await quote('TV-1180')).cents], ['TV-1182', 790]);
    assert.deepEqual([(await quote('TV-2041')).obtainable, (await quote('TV-2041')).problem], [false, null]);
    assert.equal((await quote('NONSENSE')).problem, 'not-known');
  });

  test('an order that the supplier refuses goes back to wanted, and says why', async () => {
    const id = await job('GE-06');
    await take('number,name,cents,place,count,superseded_by,kit_of\r\nTV-2041,Old carburettor,100,,0,,\r\n');
    const [line] = await linesIn(await ask(id, 'TV-2041'));
    const order = (await (
      await yard.ask('POST', '/api/orders', { as: 'technician', body: { id: randomUUID(), lines: [line?.id] } })
    ).json()) as OrderLine;
    assert.equal(order.state, 'failed');
    assert.match(order.problem ?? '', /not to be had \(TV-2041\)/);
    assert.equal((await cardIn(yard, id)).parts[0]?.state, 'wanted');
  });

  test('a job that ends gives back what it had reserved', async () => {
    const id = await job('GE-07');
    await take('number,name,cents,place,count,superseded_by,kit_of\r\nTV-4000,Clamp,100,,1,,\r\n');
    assert.equal((await linesIn(await ask(id, 'TV-4000')))[0]?.state, 'reserved');
    await yard.ask('POST', `/api/jobs/${id}/drop`, { as: 'lead', body: { why: 'Not worth it' } });
    assert.equal((await find('TV-4000')).parts[0]?.reserved, 0);
  });

  test('an exchange part has an origin and goes from taken to proven, never back from its end', async () => {
    const id = await job('GE-08');
    const partId = randomUUID();
    const parts = async (answer: Response) => ((await answer.json()) as { parts: ExchangePart[] }).parts;
    const [kept] = await parts(
      await yard.ask('POST', '/api/exchange-parts', {
        as: 'technician',
        body: { id: partId, name: 'Carburettor', number: 'TV-2040', jobId: id, place: 'Box 4' },
      }),
    );
    assert.deepEqual([kept?.origin, kept?.state], ['GE-08', 'as-taken']);
    for (const state of ['cleaned', 'proven', 'fitted'])
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
    return { url: `http://127.0.0.1:${(server.address() as AddressInfo).port}`, asked: () => asked };
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
    assert.equal((await httpSupplier(url, patience).quote('TV-1')).ok, true);
    assert.equal(asked(), 3);
  });

  test('gives up after its tries, and says how it failed', async () => {
    const code = async (answer: Parameters<typeof answering>[0]) => {
      const said = await httpSupplier((await answering(answer)).url, patience).quote('TV-1');
      return said.ok ? 'ok' : said.code;
    };
    assert.equal(await code(() => ({ status: 500 })), 'away');
    assert.equal(await code(() => ({ body: good, waitMs: 400 })), 'slow');
    assert.equal(await code(() => ({ body: '{"number":' })), 'nonsense');
    assert.equal(await code(() => ({ body: '{"number":"TV-1","obtainable":"perhaps"}' })), 'nonsense');
    assert.equal(await code(() => ({ body: good.replace('100', '-5') })), 'nonsense');
    const nobody = await httpSupplier('http://127.0.0.1:9', patience).quote('TV-1');
    assert.equal(nobody.ok ? 'ok' : nobody.code, 'away');
  });

  test('a plain no is not asked again', async () => {
    const { url, asked } = await answering(() => ({ status: 404, body: '{"why":"no such number"}' }));
    const said = await httpSupplier(url, patience).quote('TV-1');
    assert.deepEqual([said.ok ? '' : said.code, asked()], ['refused', 1]);
  });
});
