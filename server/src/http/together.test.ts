import assert from 'node:assert/strict';
import { describe, test } from 'node:test';
import { together } from './together';

describe('reads asked for at once', () => {
  test('are done once for all who came before it began, and anew for who came after', async () => {
    const share = together<number>();
    let began = 0;
    const ends: (() => void)[] = [];
    const read = () => {
      const mine = ++began;
      return new Promise<number>((resolve) => ends.push(() => resolve(mine)));
    };
    const first = share('yard', read);
    const [second, third] = [share('yard', read), share('yard', read)];
    assert.equal(began, 1);
    ends[0]?.();
    assert.equal(await first, 1);
    await Promise.resolve();
    assert.equal(began, 2);
    // Who comes while the second is under way may not have what it reads.
    const fourth = share('yard', read);
    ends[1]?.();
    assert.deepEqual([await second, await third], [2, 2]);
    await new Promise((resolve) => setImmediate(resolve));
    ends[2]?.();
    assert.equal(await fourth, 3);
    assert.equal(began, 3);
  });

  test('of another thing are another read; one that failed is not kept', async () => {
    const share = together<number>();
    assert.deepEqual(await Promise.all([share('a', async () => 1), share('b', async () => 2)]), [1, 2]);
    await assert.rejects(share('a', async () => Promise.reject(new Error('away'))));
    assert.equal(await share('a', async () => 3), 3);
    await new Promise((resolve) => setImmediate(resolve));
    const failing = share('a', async () => Promise.reject(new Error('away')));
    const after = share('a', async () => 4);
    await assert.rejects(failing);
    assert.equal(await after, 4);
  });
});
