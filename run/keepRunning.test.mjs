import assert from 'node:assert/strict';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { after, test } from 'node:test';
import { keepRunning } from './keepRunning.mjs';

const folder = mkdtempSync(path.join(tmpdir(), 'hudrik-run-'));
after(() => rmSync(folder, { recursive: true }));
const FAST = { firstPauseMs: 40, longestPauseMs: 160, steadyAfterMs: 10_000 };

/** A program that writes down when it began, dies as often as it is told to, and then stays. */
function program(name, { dies, code = 1 }) {
  const runs = path.join(folder, `${name}.txt`);
  writeFileSync(runs, '');
  const script = `
    const { appendFileSync, readFileSync } = require('node:fs');
    appendFileSync(${JSON.stringify(runs)}, Date.now() + '\\n');
    const n = readFileSync(${JSON.stringify(runs)}, 'utf8').trim().split('\\n').length;
    if (n <= ${dies}) process.exit(${code});
    setInterval(() => undefined, 1000);`;
  const times = () => readFileSync(runs, 'utf8').trim().split('\n').filter(Boolean).map(Number);
  return { args: ['-e', script], times };
}

async function until(isSo) {
  for (let n = 0; !isSo(); n++) {
    if (n > 400) throw new Error('it did not come to that');
    await new Promise((resolve) => setTimeout(resolve, 20));
  }
}

test('a program that dies is started again, after pauses that grow up to the longest', async () => {
  const { args, times } = program('dying', { dies: 5 });
  const kept = keepRunning(process.execPath, args, {}, FAST);
  await until(() => times().length === 6);
  const gaps = times()
    .slice(1)
    .map((time, at) => time - times()[at]);
  assert.ok(gaps[0] >= 40 && gaps[2] >= 160 && gaps[4] >= 160, String(gaps));
  assert.ok(gaps[4] < 1500, 'no pause is longer than the longest');
  kept.stop();
  assert.equal(await kept.ended, 0);
  assert.equal(times().length, 6);
});

test('killed from outside it is started again', async () => {
  const { args, times } = program('killed', { dies: 0 });
  const kept = keepRunning(process.execPath, args, {}, FAST);
  await until(() => times().length === 1);
  process.kill(kept.pid(), 'SIGKILL');
  await until(() => times().length === 2);
  kept.stop();
  assert.equal(await kept.ended, 0);
});

test('one that says it cannot be helped is not started again', async () => {
  const { args, times } = program('hopeless', { dies: 9, code: 78 });
  assert.equal(await keepRunning(process.execPath, args, {}, FAST).ended, 78);
  assert.equal(times().length, 1);
});

test('asked to stop in a pause, it does not start again', async () => {
  const { args, times } = program('stopped', { dies: 9 });
  const kept = keepRunning(process.execPath, args, {}, { ...FAST, firstPauseMs: 5000 });
  await until(() => times().length === 1);
  await new Promise((resolve) => setTimeout(resolve, 100));
  kept.stop();
  assert.equal(await kept.ended, 0);
  assert.equal(times().length, 1);
});
