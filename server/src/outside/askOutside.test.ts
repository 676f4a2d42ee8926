import assert from 'node:assert/strict';
import { createServer, type RequestListener } from 'node:http';
import { after, describe, test } from 'node:test';
import { gzipSync } from 'node:zlib';
import { portOf } from '../portOf';
import { askOutside, isPublic, NotAnswered, type Bounds } from './askOutside';
import { httpFeed } from './feed';

const BOUNDS: Bounds = { privateHosts: ['127.0.0.1', 'localhost'], timeoutMs: 3000, mostBytes: 1_000_000 };
let asked = 0;
let answer: RequestListener = () => undefined;
const server = createServer((request, response) => {
  asked += 1;
  answer(request, response);
});
await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
const url = `http://127.0.0.1:${portOf(server)}/list`;
after(() => {
  server.closeAllConnections();
  server.close();
});
const problemOf = async (at = url, more: Partial<Bounds> = {}): Promise<string> => {
  const failed = await askOutside(at, { ...BOUNDS, ...more }).then(
    () => null,
    (error: unknown) => error,
  );
  assert.ok(failed instanceof NotAnswered, String(failed));
  return failed.problem;
};

describe('what is outside', () => {
  test('is read to its end, with what it says it is', async () => {
    answer = (_request, response) => response.setHeader('content-type', 'text/calendar; charset=x').end('list');
    const { status, type, bytes } = await askOutside(url, BOUNDS);
    assert.deepEqual([status, type, Buffer.from(bytes).toString()], [200, 'text/calendar; charset=x', 'list']);
  });

  test('sends so much and no more, counted as it unpacks', async () => {
    let sent = 0;
    answer = (_request, response) => {
      const push = (): void => {
        while (!response.destroyed && response.write(Buffer.alloc(65_536))) sent += 65_536;
      };
      response.on('drain', push).on('error', () => undefined);
      push();
    };
    assert.equal(await problemOf(), 'too-long');
    assert.ok(sent < 50_000_000, `it was read on: ${sent}`);
    const bomb = gzipSync(Buffer.alloc(20_000_000));
    assert.ok(bomb.length < 50_000);
    answer = (_request, response) => response.setHeader('content-encoding', 'gzip').end(bomb);
    assert.equal(await problemOf(), 'too-long');
  });

  test('has so long, to its last byte', async () => {
    answer = (_request, response) => {
      const drip = setInterval(() => response.write('.'), 20);
      response.on('close', () => clearInterval(drip));
    };
    const from = performance.now();
    assert.equal(await problemOf(url, { timeoutMs: 300 }), 'slow');
    assert.ok(performance.now() - from < 2500);
  });

  test('leads on to its own host alone, and not for ever', async () => {
    answer = ({ url: path }, response) =>
      path === '/there' ? response.end('there') : response.writeHead(302, { location: '/there' }).end();
    assert.equal(Buffer.from((await askOutside(url, BOUNDS)).bytes).toString(), 'there');
    for (const location of ['http://example.com/', `http://localhost:${portOf(server)}/`, 'file:///etc/passwd', url]) {
      answer = (_request, response) => response.writeHead(302, { location }).end();
      assert.equal(await problemOf(), 'leads-elsewhere', location);
    }
  });

  test('is not of this machine or this network, unless that host is named: also by a name that leads here', async () => {
    asked = 0;
    const port = portOf(server);
    for (const host of ['127.0.0.1', 'localhost', '[::1]', '[::ffff:127.0.0.1]', '0.0.0.0', '2130706433', '0x7f.1'])
      assert.equal(await problemOf(`http://${host}:${port}/`, { privateHosts: [] }), 'private-address', host);
    assert.equal(asked, 0);
    answer = (_request, response) => response.end('here');
    assert.equal(
      (await askOutside(`http://localhost:${port}/`, { ...BOUNDS, privateHosts: ['localhost'] })).status,
      200,
    );
  });

  // The blocks of the registries of special addresses (RFC 6890, RFC 4193, RFC 6598).
  test('addresses that are not the world’s', () => {
    const own = [
      '10.1.2.3',
      '172.16.0.1',
      '192.168.7.7',
      '169.254.169.254',
      '100.64.0.1',
      '0.0.0.0',
      '224.0.0.1',
      '255.255.255.255',
    ];
    for (const address of [...own, '::1', '::', 'fe80::1', 'fd00::1', 'ff02::1', '::ffff:10.0.0.1', '64:ff9b::a00:1'])
      assert.ok(!isPublic(address), address);
    for (const address of ['93.184.215.14', '2606:4700::1111']) assert.ok(isPublic(address), address);
  });
});

describe('a feed', () => {
  const feed = httpFeed(url, BOUNDS.privateHosts, { tries: 3, pauseMs: 1, mostBytes: 100 });
  test('is asked again where it was away, and not where that would bring the same', async () => {
    asked = 0;
    answer = (_request, response) => response.writeHead(500).end();
    assert.deepEqual(await feed.read(), { ok: false, problem: 'away' });
    assert.equal(asked, 3);
    asked = 0;
    answer = (_request, response) => response.end('x'.repeat(101));
    assert.deepEqual(await feed.read(), { ok: false, problem: 'too-long' });
    assert.equal(asked, 1);
    answer = (_request, response) => response.end('x'.repeat(100));
    assert.ok((await feed.read()).ok);
  });
});
