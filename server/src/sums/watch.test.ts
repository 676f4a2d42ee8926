import assert from 'node:assert/strict';
import { test } from 'node:test';
import { Watch } from './Watch';

test('a search is seen and stopped over the same memory', () => {
  const here = new Watch();
  const there = new Watch(here.buffer);
  assert.equal(there.spent(0.25), 0.25);
  there.better(5000);
  assert.deepEqual(here.read(), { share: 0.25, savedCents: 0 });
  there.better(4200);
  assert.deepEqual(here.read(), { share: 0.25, savedCents: 800 });
  here.stop();
  assert.equal(there.spent(0.3), 1);
  assert.equal(here.read().share, 0.3);
});
