import assert from 'node:assert/strict';
import { get, type IncomingMessage } from 'node:http';
import { describe, test } from 'node:test';
import { gunzipSync } from 'node:zlib';
import { useYard } from '../testing/yard';

describe('what many are answered alike', () => {
  const yard = useYard();
  const raw = (path: string, encoding: string): Promise<{ answer: IncomingMessage; bytes: Buffer }> =>
    new Promise((resolve, reject) => {
      const cookie = `${yard.device.cookie}; ${yard.cookieOf('counter')}`;
      get(`${yard.url}${path}`, { headers: { cookie, 'accept-encoding': encoding } }, (answer) => {
        const chunks: Buffer[] = [];
        answer.on('data', (chunk: Buffer) => chunks.push(chunk));
        answer.on('end', () => resolve({ answer, bytes: Buffer.concat(chunks) }));
      }).on('error', reject);
    });
  const headers = ({ headers: said }: IncomingMessage) => [
    said['content-type'],
    said['content-encoding'],
    said['cache-control'],
    /Accept-Encoding/.test(said.vary ?? ''),
  ];

  test('is the same packed and plain, with the same headers; little is not packed', async () => {
    for (const tag of ['GE-01', 'GE-02', 'GE-03', 'GE-05', 'GE-06']) await yard.addUnit(tag);
    const plain = await raw('/api/units', 'identity');
    const packed = await raw('/api/units', 'br;q=0.5, gzip');
    assert.deepEqual(headers(plain.answer), ['application/json; charset=utf-8', undefined, 'no-store', true]);
    assert.deepEqual(headers(packed.answer), ['application/json; charset=utf-8', 'gzip', 'no-store', true]);
    assert.ok(packed.bytes.length < plain.bytes.length / 2);
    assert.deepEqual(JSON.parse(gunzipSync(packed.bytes).toString()), JSON.parse(plain.bytes.toString()));
    const little = await raw('/api/hires', 'gzip');
    assert.equal(little.answer.headers['content-encoding'], undefined);
    assert.deepEqual(JSON.parse(little.bytes.toString()), await yard.read('/api/hires', 'counter'));
  });

  test('asked by many at once, packed and plain, all are answered the same, and what came since is in the next', async () => {
    const answers = await Promise.all(
      Array.from({ length: 30 }, (_, n) => raw('/api/units', n % 2 ? 'gzip' : 'identity')),
    );
    const texts = answers.map(({ answer, bytes }) =>
      (answer.headers['content-encoding'] === 'gzip' ? gunzipSync(bytes) : bytes).toString(),
    );
    assert.equal(new Set(texts).size, 1);
    await yard.addUnit('GE-04');
    assert.match(gunzipSync((await raw('/api/units', 'gzip')).bytes).toString(), /GE-04/);
  });
});
