import assert from 'node:assert/strict';
import { describe, test } from 'node:test';
import { FAULTS, FIRST_HELP } from '@hudrik/core/catalogue';
import type { BenchReply, Opening, TroubleReply, UnitPage } from '@hudrik/core/contracts';
import { entryIn, problemIn, useYard } from '../testing/yard';
import { handOut, wellCheckIn } from '../testing/samples';

const yard = useYard();
yard.now = new Date('2030-05-06T06:00:00Z');
const trouble = (complaints: string) =>
  yard.read<TroubleReply>(`/api/units/GE-01/trouble?complaints=${complaints}`, 'counter');
const tell = (complaintIds: string[], reference = 'B-1', as: 'counter' | 'apprentice' = 'counter') =>
  yard.enter({ tag: 'GE-01' }, 'trouble-told', { reference, complaintIds, note: 'On the slope' }, as);

describe('trouble while out', () => {
  test('every try names faults that there are', () => {
    for (const { faults } of FIRST_HELP) for (const fault of faults) assert.ok(fault in FAULTS, fault);
  });

  test('what may be tried comes by what was told; what can hurt is only stopped; a fit one could go in its place', async () => {
    for (const tag of ['GE-01', 'GE-02']) await yard.addUnit(tag);
    await yard.book({
      reference: 'B-1',
      classId: 'generator',
      tag: 'GE-01',
      fromAt: '2030-05-06T06:00:00Z',
      toAt: '2030-05-08T06:00:00Z',
    });
    await yard.enter({ tag: 'GE-01' }, 'check-out', handOut('generator', '100.0', { hire: 'B-1' }), 'counter');
    const [start, power] = [await trouble('will-not-fire'), await trouble('no-power')];
    assert.equal(start.swap, 'GE-02');
    assert.equal(start.reference, 'B-1');
    assert.match(start.tries.join(' '), /fuel tap|switch/);
    assert.match(power.tries[0] ?? '', /breaker/);
    assert.doesNotMatch(start.tries.join(' '), /gun|chute/);
    const hurts = await trouble('smelt-fuel,will-not-fire');
    assert.deepEqual(hurts.tries, []);
    assert.match(hurts.before, /^Stop it now/);
  });

  test('it is wrong from now on: its work is planned for when it is back, and its check-in begins with it', async () => {
    await entryIn(await tell(['will-not-fire']));
    await entryIn(await tell(['will-not-fire', 'hunts']));
    const page = await yard.read<UnitPage>('/api/units/GE-01');
    assert.equal(page.unit.verdict.readiness, 'out');
    assert.deepEqual(
      page.jobs.map(({ work }) => work),
      ['find-fault'],
    );
    assert.deepEqual(
      page.defects.map(({ sentence }) => sentence).sort(),
      ['The revs hunt up and down.', 'It would not fire at all.'].sort(),
    );
    const bench = await yard.read<BenchReply>('/api/bench');
    const visit = bench.visits.find(({ tag }) => tag === 'GE-01');
    const from = bench.plan.visits.find(({ id }) => id === visit?.id)?.from ?? 0;
    assert.ok(Date.parse(bench.at) + from * 60_000 >= Date.parse('2030-05-08T06:00:00Z'));
    const opening = await yard.read<Opening>('/api/units/GE-01/opening');
    assert.deepEqual([...(opening.told ?? [])].sort(), ['hunts', 'will-not-fire']);
    yard.later(30);
    await yard.checkIn(wellCheckIn('GE-01', 'generator', '104.0'));
    assert.equal((await yard.read<UnitPage>('/api/units/GE-01')).unit.verdict.readiness, 'held');
    assert.deepEqual((await yard.read<Opening>('/api/units/GE-01/opening')).told, []);
  });

  test('of what its class can have, and not by an apprentice', async () => {
    assert.equal((await problemIn(await tell(['will-not-fire'], 'B-1', 'apprentice'))).code, 'not-your-role');
    const odd = await yard.ask('GET', '/api/units/GE-02/trouble?complaints=chute-off', { as: 'counter' });
    assert.equal((await problemIn(odd)).code, 'not-valid');
  });
});
