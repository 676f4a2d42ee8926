import assert from 'node:assert/strict';
import { after, before, describe, test } from 'node:test';
import { CLASS_IDS, LIVE_EFFECTS, folderOf, type ClassId, type Rated } from '@hudrik/core/catalogue';
import { planFor, ratedOf } from '@hudrik/core/ratings';
import { httpSupplier } from '../parts/supplier';
import { readingOf } from './loadBank';
import { startStandIns, type StandIns } from './start';

describe('the simulated load bank', () => {
  const extremes = [0, 0.5, 1];

  for (const classId of CLASS_IDS) {
    test(`a sound ${classId} reads within the limits of its proof at every load that is asked for`, () => {
      for (const reading of folderOf(classId).proof.readings.filter((entry) => entry.live !== undefined)) {
        for (const jitter of extremes) {
          const value =
            readingOf({ classId, families: [], load: reading.atLoad ?? 0 }, 1, () => jitter)[reading.live ?? ''] ??
            Number.NaN;
          assert.ok(value >= (reading.least ?? value) && value <= (reading.most ?? value), `${reading.id}: ${value}`);
        }
      }
    });
  }

  const RATED: readonly (readonly [ClassId, Rated])[] = [
    ['generator', { hertz: 50, volts: 230 }],
    ['generator', { hertz: 60, volts: 240, governor: 'inverter' }],
    ['pressure-washer', { flow: 21, pressure: 250, 'top-speed': 3400 }],
    ['log-splitter', { cycle: 9, pressure: 240 }],
    ['welder', { 'open-circuit': 95, 'high-amperes': 220 }],
    ['tiller', { 'top-speed': 3000 }],
  ];
  for (const [classId, own] of RATED)
    test(`a sound ${classId} rated ${JSON.stringify(own)} reads within its own limits`, () => {
      const { proof, rated: usual } = folderOf(classId);
      const rated = ratedOf(usual, own);
      for (const reading of planFor(proof, usual, rated).readings.filter((entry) => entry.live !== undefined))
        for (const jitter of extremes) {
          const live = readingOf({ classId, families: [], rated, load: reading.atLoad ?? 0 }, 1, () => jitter);
          const value = live[reading.live ?? ''] ?? Number.NaN;
          assert.ok(value >= (reading.least ?? value) && value <= (reading.most ?? value), `${reading.id}: ${value}`);
        }
    });

  test('every fault it knows shows in some class at some load', () => {
    for (const family of Object.keys(LIVE_EFFECTS)) {
      const shows = CLASS_IDS.some((classId) =>
        extremes.some(
          (load) =>
            JSON.stringify(readingOf({ classId, families: [family], load }, 1, () => 0.5)) !==
            JSON.stringify(readingOf({ classId, families: [], load }, 1, () => 0.5)),
        ),
      );
      assert.equal(shows, true, family);
    }
  });

  test('a starved set dies under load, and nothing reads below nothing', () => {
    assert.equal(readingOf({ classId: 'generator', families: ['fuel-supply'], load: 1 }, 0, () => 0.5).rpm, 0);
    for (const family of Object.keys(LIVE_EFFECTS))
      for (const value of Object.values(
        readingOf({ classId: 'generator', families: [family, 'governor', 'rings-and-bore'], load: 1 }, 4.7, () => 0),
      ))
        assert.ok(value >= 0);
  });
});

describe('the simulated supplier', () => {
  let now = Date.UTC(2030, 2, 4);
  let standIns: StandIns;
  before(async () => {
    standIns = await startStandIns({ dayMs: 1000, failsOf100: 0, now: () => now });
  });
  after(() => standIns.stop());
  const supplier = () => httpSupplier(standIns.supplierUrl, ['127.0.0.1'], { timeoutMs: 1000, tries: 1, pauseMs: 1 });

  test('the same key is one order; another key is another', async () => {
    const lines = [{ number: 'TV-1182', count: 2 }];
    const [one, again, other] = [
      await supplier().order('a', lines),
      await supplier().order('a', lines),
      await supplier().order('b', lines),
    ];
    assert.ok(one.ok && again.ok && other.ok);
    assert.equal(one.value.order, again.value.order);
    assert.notEqual(one.value.order, other.value.order);
    assert.deepEqual(one.value.lines, [{ number: 'TV-1182', count: 2, cents: 790 }]);
  });

  test('orders go from placed, some by way of late, to sent', async () => {
    const states = new Set<string>();
    const orders: string[] = [];
    for (let n = 0; n < 12; n++) {
      const placed = await supplier().order(`key ${n}`, [{ number: 'TV-1182', count: 1 }]);
      assert.ok(placed.ok && placed.value.state === 'placed');
      orders.push(placed.value.order);
    }
    now += 4000;
    for (const order of orders) {
      const status = await supplier().status(order);
      assert.ok(status.ok);
      states.add(status.value.state);
    }
    assert.deepEqual([...states].sort(), ['late', 'sent']);
    now += 2000;
    const last = await supplier().status(orders[0] ?? '');
    assert.equal(last.ok && last.value.state, 'sent');
  });

  test('with bad luck it fails now and then, and patience gets through', async () => {
    const unlucky = await startStandIns({ dayMs: 1000, failsOf100: 30, now: () => now });
    const [hasty, patient] = [
      httpSupplier(unlucky.supplierUrl, ['127.0.0.1'], { timeoutMs: 200, tries: 1, pauseMs: 1 }),
      httpSupplier(unlucky.supplierUrl, ['127.0.0.1'], { timeoutMs: 200, tries: 8, pauseMs: 1 }),
    ];
    const answers = await Promise.all(Array.from({ length: 30 }, () => hasty.quote('TV-2040')));
    assert.ok(answers.some((answer) => !answer.ok) && answers.some((answer) => answer.ok));
    assert.equal((await patient.quote('TV-2040')).ok, true);
    unlucky.stop();
  });
});
