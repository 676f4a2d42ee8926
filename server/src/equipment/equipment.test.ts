import assert from 'node:assert/strict';
import { describe, test } from 'node:test';
import type { EquipmentReply, UnitService } from '@hudrik/core/contracts';
import { DOMParser } from '@xmldom/xmldom';
import { fleetOf, type SimulatedMachine } from '../standins/equipmentFeed';
import { startStandIns } from '../standins/start';
import { httpFeed } from '../outside/feed';
import { foundCheckIn } from '../testing/samples';
import { useYard } from '../testing/yard';
import { readFleetText } from './readFleetText';
import { takeEquipment } from './takeEquipment';

const yard = useYard();
yard.now = new Date('2030-05-06T06:00:00Z');

const machine = (hours: number, at: string, more: Partial<SimulatedMachine> = {}): SimulatedMachine => ({
  equipmentId: 'GE-01',
  serial: '',
  hours,
  at,
  ...more,
});
const answers = (text: string) => ({ ok: true as const, body: { bytes: Buffer.from(text), type: 'application/xml' } });
const tells = (...machines: SimulatedMachine[]): Promise<EquipmentReply> => {
  yard.equipmentAnswer = answers(fleetOf(machines));
  return takeEquipment(yard.context, yard.context.equipment);
};
const service = (tag = 'GE-01') => yard.read<UnitService>(`/api/units/${tag}/service`);
const oilLeft = async () => (await service()).items.find(({ id }) => id === 'engine-oil')?.hoursLeft ?? 0;

describe('hours from afar', () => {
  test('count for what falls due, and stand beside the unit’s service with their place', async () => {
    await yard.addUnit('GE-01');
    const before = await oilLeft();
    const start = (await yard.db.selectFrom('meter_reading').select('reading').executeTakeFirstOrThrow()).reading;
    yard.now = new Date('2030-05-06T16:00:00Z');
    const reply = await tells(
      machine(start + 4, '2030-05-06T15:00:00Z', { latitude: -48.9, longitude: -123.4 }),
      machine(5, '2030-05-06T15:00:00Z', { equipmentId: 'XX-99' }),
    );
    assert.equal((await oilLeft()).toFixed(3), (before - 4).toFixed(3));
    assert.deepEqual((await service()).fromAfar, {
      ...{ told: start + 4, toldAt: '2030-05-06T15:00:00.000Z', problem: null, isSilent: false },
      ...{ reading: start + 4, readAt: '2030-05-06T15:00:00.000Z', latitude: -48.9, longitude: -123.4 },
    });
    assert.deepEqual(reply.notTaken, [{ line: 16, name: 'XX-99', problem: 'not-ours' }]);
    assert.equal(reply.machines, 1);
  });

  test('that no meter shows, or that outrun the clock, do not count: they are told, and the last good ones stand', async () => {
    const [left, good] = [await oilLeft(), (await service()).fromAfar?.reading ?? 0];
    yard.now = new Date('2030-05-06T17:30:00Z');
    const fell = await tells(machine(good - 1, '2030-05-06T16:00:00Z'));
    assert.deepEqual(fell.odd, [{ tag: 'GE-01', problem: 'below-last', told: good - 1 }]);
    const ran = await tells(machine(good + 9, '2030-05-06T17:00:00Z'));
    assert.deepEqual(ran.odd, [{ tag: 'GE-01', problem: 'faster-than-clock', told: good + 9 }]);
    assert.equal(await oilLeft(), left);
    assert.equal((await service()).fromAfar?.reading, good);
    const ahead = await tells(machine(good + 1, '2030-05-07T17:00:00Z'));
    assert.deepEqual(ahead.notTaken, [{ line: 3, name: 'GE-01', problem: 'in-future' }]);
    const again = await tells(machine(good + 1, '2030-05-06T17:20:00Z'));
    assert.deepEqual([again.odd, await oilLeft()], [[], left - 1]);
  });

  test('told late or twice change nothing; a machine that stands is kept four times a day', async () => {
    const count = async () => (await yard.db.selectFrom('afar_reading').selectAll().execute()).length;
    const [before, reading] = [await count(), (await service()).fromAfar?.reading ?? 0];
    await tells(machine(reading - 0.5, '2030-05-06T16:30:00Z'));
    await tells(machine(reading, '2030-05-06T17:20:00Z'));
    yard.now = new Date('2030-05-07T06:00:00Z');
    await tells(machine(reading, '2030-05-06T23:19:00Z'));
    assert.equal(await count(), before);
    await tells(machine(reading, '2030-05-06T23:20:00Z'));
    assert.equal(await count(), before + 1);
  });

  test('who reads the meter later is believed, and what is told of before tells nothing', async () => {
    await yard.addUnit('GE-05');
    const of = async () => (await yard.read<UnitService>('/api/units/GE-05/service')).items;
    const left = async () => (await of()).find(({ id }) => id === 'engine-oil')?.hoursLeft ?? 0;
    const [before, start] = [
      await left(),
      await yard.db.selectFrom('meter_reading').select('reading').orderBy('id', 'desc').executeTakeFirstOrThrow(),
    ];
    yard.now = new Date('2030-05-07T16:00:00Z');
    await tells(machine(start.reading + 6, '2030-05-07T15:00:00Z', { equipmentId: 'GE-05' }));
    assert.equal((await left()).toFixed(3), (before - 6).toFixed(3));
    yard.now = new Date('2030-05-07T17:00:00Z');
    await yard.checkIn(foundCheckIn('GE-05', 'generator', (start.reading + 2).toFixed(1), {}));
    assert.equal((await left()).toFixed(3), (before - 2).toFixed(3));
    const told = async () => (await yard.db.selectFrom('afar_reading').select('id').execute()).length;
    const count = await told();
    await tells(machine(start.reading + 7, '2030-05-07T16:30:00Z', { equipmentId: 'GE-05' }));
    assert.equal(await told(), count);
  });

  test('a silent machine is said', async () => {
    yard.now = new Date('2030-05-09T06:00:00Z');
    assert.deepEqual((await yard.read<EquipmentReply>('/api/equipment')).silent, []);
    yard.now = new Date('2030-05-09T23:30:00Z');
    const silent = [{ tag: 'GE-01', toldAt: '2030-05-06T23:20:00.000Z' }];
    assert.deepEqual((await yard.read<EquipmentReply>('/api/equipment')).silent, silent);
    assert.equal((await service()).fromAfar?.isSilent, true);
  });

  test('by serial number where the feed knows no tag, unless two have the same', async () => {
    for (const tag of ['GE-02', 'GE-03', 'GE-04']) await yard.addUnit(tag);
    await yard.db.updateTable('unit').set({ serial: 'S-7' }).where('tag', '=', 'GE-02').execute();
    await yard.db.updateTable('unit').set({ serial: 'S-8' }).where('tag', 'in', ['GE-03', 'GE-04']).execute();
    yard.now = new Date('2030-05-10T08:00:00Z');
    const reply = await tells(
      machine(2000, '2030-05-10T07:00:00Z', { equipmentId: 'device 1', serial: 'S-7' }),
      machine(2000, '2030-05-10T07:00:00Z', { equipmentId: 'device 2', serial: 'S-8' }),
    );
    assert.deepEqual(reply.notTaken, [{ line: 12, name: 'device 2', problem: 'not-ours' }]);
    assert.deepEqual(
      reply.odd.map(({ tag }) => tag),
      ['GE-02'],
    );
  });

  test('a feed that is away, cut short or no feed changes nothing, and is told', async () => {
    const before = await yard.read<EquipmentReply>('/api/equipment');
    const standIns = await startStandIns({ dayMs: 1, failsOf100: 0, now: () => 0 }, undefined, [], async () => [
      machine(1, '2030-05-10T07:00:00Z'),
    ]);
    for (const [query, problem] of [
      ['?manners=cut', 'cut-short'],
      ['?manners=nonsense', 'other-type'],
    ] as const) {
      const reply = await takeEquipment(
        yard.context,
        httpFeed(standIns.equipmentUrl + query, ['127.0.0.1'], { tries: 1 }),
      );
      assert.deepEqual(reply, { ...before, problem });
    }
    standIns.stop();
    assert.equal(
      (await takeEquipment(yard.context, httpFeed(standIns.equipmentUrl, ['127.0.0.1'], { tries: 1 }))).problem,
      'away',
    );
    assert.equal((await tells()).problem, null);
  });
});

describe('the text of a fleet', () => {
  const text = fleetOf([machine(12.34, '2030-05-06T06:00:00Z', { serial: 'S & 1', latitude: 91, longitude: 0 })]);

  test('is read by another XML reader alike', () => {
    const other = new DOMParser().parseFromString(text, 'text/xml');
    const inOther = (name: string) =>
      other.getElementsByTagNameNS('http://standards.iso.org/iso/15143/-3', name)[0]?.textContent;
    assert.deepEqual([inOther('SerialNumber'), inOther('Hour')], ['S & 1', '12.34']);
    const read = readFleetText(text, { timeZone: 'UTC' });
    assert.ok(read.ok);
    assert.deepEqual(read.machines, [
      {
        ...{ line: 3, equipmentId: 'GE-01', serial: 'S & 1', reading: 12.3, readAt: new Date('2030-05-06T06:00:00Z') },
        ...{ latitude: null, longitude: null },
      },
    ]);
  });
});
