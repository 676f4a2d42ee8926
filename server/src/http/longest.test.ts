import assert from 'node:assert/strict';
import { test } from 'node:test';
import { timesOfLongest } from '../testing/longest';

test('the longest that may be sent is looked at in a moment, whatever it is filled with', async () => {
  const times = await timesOfLongest();
  assert.ok(times.length > 300, String(times.length));
  // Minutes, where a pattern goes back over what it has read; a slow machine is not that slow.
  assert.deepEqual(
    times.filter(({ ms }) => ms > 500),
    [],
  );
});
