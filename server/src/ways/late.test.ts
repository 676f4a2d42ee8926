import assert from 'node:assert/strict';
import { describe, test } from 'node:test';
import { isOf } from '@hudrik/core/log';
import { cardIn, onCard } from '../testing/proving';
import { handOut, thingOff, wellCheckIn } from '../testing/samples';
import { Ways } from '../testing/ways';
import { checkedIn, problemIn, useYard } from '../testing/yard';

/** Ways that led past "when a thing was seen decides what it may close". Each is shut; what was entered is kept. */
describe('late entries', () => {
  const yard = useYard();
  const ways = new Ways(yard);

  test('a check-in made before the hand-out and sent after it does not end the hire; the real return is taken', async () => {
    await ways.fit('GE-01');
    const { facts } = wellCheckIn('GE-01', 'generator', '100.5', { startedAt: ways.ago(0), basedOn: null });
    const at = yard.now.toISOString();
    yard.later(0.5);
    assert.equal((await ways.handOut('GE-01', 'generator', '100.5')).status, 201);
    yard.later(0.5);
    const late = await checkedIn(await yard.enter({ tag: 'GE-01', at }, 'check-in', facts));
    assert.deepEqual(late.late?.code, 'turned');
    assert.deepEqual([await ways.ready('GE-01'), late.reference], ['out', null]);
    yard.later(20);
    const real = await ways.checkIn('GE-01', 'generator', '104.0');
    assert.deepEqual([real.late, real.readiness], [undefined, 'fit']);
    assert.notEqual(real.reference, null);
  });

  test('what such a look found counts: it warns the counter while the unit is out, and holds it when it is back', async () => {
    await ways.fit('GE-02');
    const before = ways.ago(0);
    yard.later(0.5);
    await ways.handOut('GE-02', 'generator', '100.5');
    yard.later(0.5);
    const late = await ways.checkIn('GE-02', 'generator', '100.5', {
      at: before,
      found: { 'fuel-leak': 'carburettor' },
    });
    assert.equal(late.late?.code, 'turned');
    assert.equal(await ways.ready('GE-02'), 'out');
    const warned = (await ways.shift()).warned.find(({ tag }) => tag === 'GE-02');
    assert.deepEqual([warned?.code, warned?.because.length], ['out-dangerous', 1]);
    yard.later(20);
    await ways.checkIn('GE-02', 'generator', '103.0');
    assert.equal(await ways.ready('GE-02'), 'held');
  });

  test('a check-in made before a lay-up does not make it fit when it is woken; one begun after the waking does', async () => {
    await ways.fit('GE-03');
    const before = ways.ago(0);
    yard.later(1);
    await yard.enter({ tag: 'GE-03' }, 'laid-up', { method: 'run-dry', note: '' });
    yard.later(24);
    await yard.enter({ tag: 'GE-03' }, 'woken', { pulls: 2, wantsFuelRepair: false, needed: '' });
    yard.later(1);
    assert.equal((await ways.checkIn('GE-03', 'generator', '100.5', { at: before })).late?.code, 'turned');
    assert.equal(await ways.ready('GE-03'), 'held');
    assert.equal((await ways.checkIn('GE-03', 'generator', '100.5')).readiness, 'fit');
  });

  test('nor does one made before it was sold make fit what was bought back', async () => {
    await ways.fit('GE-04');
    const before = ways.ago(0);
    yard.later(1);
    const change = async (body: object) =>
      yard.ask('PATCH', '/api/units/GE-04', {
        as: 'lead',
        body,
        headers: { 'if-match': `"${(await ways.page('GE-04')).unit.version}"` },
      });
    assert.equal((await change({ gone: { why: 'Sold' } })).status, 200);
    yard.later(1);
    assert.equal((await change({ gone: null })).status, 200);
    yard.later(1);
    assert.equal((await ways.checkIn('GE-04', 'generator', '100.5', { at: before })).late?.code, 'turned');
    assert.equal(await ways.ready('GE-04'), 'held');
  });

  test('one begun before the hand-out and finished after it is a look of before', async () => {
    await ways.fit('GE-05');
    const began = ways.ago(0);
    yard.later(0.5);
    await ways.handOut('GE-05', 'generator', '100.5');
    yard.later(0.5);
    const { facts } = wellCheckIn('GE-05', 'generator', '100.5', { startedAt: began, basedOn: null });
    const came = await checkedIn(await yard.enter({ tag: 'GE-05', at: yard.now.toISOString() }, 'check-in', facts));
    assert.equal(came.late?.code, 'turned');
    assert.equal(await ways.ready('GE-05'), 'out');
  });

  test('what is older than three days, or of a device whose clock nobody measured, is kept and closes nothing', async () => {
    for (const [tag, when, code] of [
      ['GE-06', { at: ways.ago(4 * 24 * 60) }, 'too-old'],
      ['GE-07', { at: ways.ago(10), offsetMs: null }, 'unknown'],
    ] as const) {
      await yard.addUnit(tag, 'generator', 100, { isLookedAt: false });
      const came = await ways.checkIn(tag, 'generator', '100.5', when);
      assert.equal(came.late?.code, code);
      assert.equal(await ways.ready(tag), 'held');
      const kept = (await ways.history(tag)).find((record) => record.kind === 'check-in');
      assert.deepEqual([kept?.timing, kept?.at], [code, when.at]);
    }
  });

  test('a stamp that lies ahead is the arrival, and a look older than the last sighting closes nothing', async () => {
    await ways.fit('GE-08');
    const looked = ways.ago(0);
    yard.later(1);
    await ways.checkIn('GE-08', 'generator', '100.5', { found: { sockets: 'damaged' } });
    const socket = await ways.defect('GE-08', 'sockets');
    const close = (at: string) =>
      yard.enter({ tag: 'GE-08', at }, 'defect-closed', {
        defectId: socket?.id ?? '',
        how: 'was-all-right',
        why: 'Only soot',
      });
    assert.equal((await problemIn(await close(looked))).code, 'look-too-old');
    yard.later(1);
    assert.equal((await close(new Date(yard.now.getTime() + 86_400_000).toISOString())).status, 201);
    const told = (await ways.history('GE-08')).find((record) => record.kind === 'defect-closed');
    assert.equal(told?.at, yard.now.toISOString());
  });

  test('of a time that is not known, a closing entry is kept and ends nothing, and one on a card is asked for again', async () => {
    await ways.fit('GE-09');
    await ways.checkIn('GE-09', 'generator', '100.5', { found: { 'fuel-leak': 'carburettor' } });
    const leak = await ways.defect('GE-09', 'fuel-leak');
    const at = yard.now.toISOString();
    const unknown = { tag: 'GE-09', at, offsetMs: null };
    await yard.enter(unknown, 'defect-closed', { defectId: leak?.id ?? '', how: 'was-all-right', why: 'Dry' });
    assert.equal(await ways.howEnded(leak?.id ?? ''), null);
    const [job] = (await ways.page('GE-09')).jobs;
    await onCard(yard, job?.id ?? '', 'to-proof', {});
    const look = await yard.enter({ jobId: job?.id ?? '', at, offsetMs: null }, 'leak-look', { dry: true, note: '' });
    assert.deepEqual([(await problemIn(look)).code], ['time-not-known']);
  });

  test('a check-in is refused whole for nothing: hours, base and a settlement that do not fit are set aside and told', async () => {
    await ways.fit('GE-10');
    await ways.checkIn('GE-10', 'generator', '100.5', { found: { 'fuel-leak': 'carburettor' } });
    const leak = await ways.defect('GE-10', 'fuel-leak');
    yard.later(1);
    const { facts } = wellCheckIn('GE-10', 'generator', '3.0', {
      startedAt: yard.now.toISOString(),
      basedOn: '00000000-0000-4000-8000-000000000000',
      settled: [{ defectId: leak?.id ?? '', how: 'put-right', why: 'New gasket' }],
    });
    const came = await checkedIn(await yard.enter({ tag: 'GE-10' }, 'check-in', facts));
    assert.deepEqual(came.aside?.map(({ part }) => part).sort(), ['hours', 'settlement']);
    assert.equal(await ways.howEnded(leak?.id ?? ''), null);
    assert.equal(await ways.ready('GE-10'), 'held');
  });

  test('a check-in made after the hand-out answers any gate stamp of that hire, also one that lies ahead', async () => {
    await ways.fit('GE-11');
    await ways.handOut('GE-11', 'generator', '100.5');
    yard.later(5);
    const began = ways.ago(0);
    const [hire] = await ways.hires('GE-11');
    yard.later(1);
    // Noted at the gate after the walk-round was begun.
    await yard.enter({ tag: 'GE-11' }, 'hire-back', { reference: hire?.reference ?? '', atGate: undefined }, 'counter');
    const came = await ways.checkIn('GE-11', 'generator', '102.0', { at: began });
    assert.deepEqual([came.late, came.readiness], [undefined, 'fit']);
  });

  test('"back on the yard" never dead-ends: twice, late, or of a hire that is over', async () => {
    await ways.fit('GE-12');
    await ways.handOut('GE-12', 'generator', '100.5');
    yard.later(5);
    const [hire] = await ways.hires('GE-12');
    const back = () =>
      yard.enter({ tag: 'GE-12' }, 'hire-back', { reference: hire?.reference ?? '', atGate: undefined }, 'counter');
    assert.deepEqual([(await back()).status, (await back()).status], [201, 201]);
    yard.later(1);
    await ways.checkIn('GE-12', 'generator', '102.0');
    assert.equal((await back()).status, 201);
    assert.equal(await ways.ready('GE-12'), 'fit');
  });

  test('a late hand-out stands at its own time: what was found before it forbids it, what was found since is told', async () => {
    await ways.fit('GE-13');
    const left = ways.ago(0);
    yard.later(0.5);
    await yard.enter({ tag: 'GE-13' }, 'defect-found', {
      sentence: 'The handle is cracked.',
      weight: 'hold',
      safety: true,
    });
    yard.later(0.5);
    const out = await ways.handOut('GE-13', 'generator', '100.5', { at: left });
    assert.equal(out.status, 201);
    const told = (await ways.history('GE-13')).find((record) => record.kind === 'check-out');
    assert.deepEqual([told?.at, told?.outcome['foundSince']], [left, ['The handle is cracked.']]);
    assert.equal(
      (await ways.shift()).warned.some(({ tag }) => tag === 'GE-13'),
      true,
    );
    await ways.fit('GE-14');
    await yard.enter({ tag: 'GE-14' }, 'defect-found', {
      sentence: 'The frame is bent.',
      weight: 'hold',
      safety: true,
    });
    yard.later(0.5);
    assert.equal(
      (await problemIn(await ways.handOut('GE-14', 'generator', '100.5', { at: ways.ago(10) }))).code,
      'not-ready',
    );
  });

  test('a late lay-up stands at its own time, and a waking before it ends nothing', async () => {
    await ways.fit('GE-15');
    const layAt = ways.ago(0);
    yard.later(2);
    await yard.enter({ tag: 'GE-15', at: layAt }, 'laid-up', { method: 'run-dry', note: '' });
    const unit = await yard.db
      .selectFrom('unit')
      .select('laid_up_at')
      .where('tag', '=', 'GE-15')
      .executeTakeFirstOrThrow();
    assert.equal(unit.laid_up_at?.toISOString(), layAt);
    const woken = { pulls: 1, wantsFuelRepair: false, needed: '' };
    const early = new Date(Date.parse(layAt) - 3_600_000).toISOString();
    assert.equal((await problemIn(await yard.enter({ tag: 'GE-15', at: early }, 'woken', woken))).code, 'not-laid-up');
    assert.equal((await yard.enter({ tag: 'GE-15' }, 'woken', woken)).status, 201);
  });

  test('two phones, one behind the other: what arrives last is not what happened last', async () => {
    await ways.fit('GE-16');
    await ways.handOut('GE-16', 'generator', '100.5');
    yard.later(20);
    const [first, second] = [ways.ago(30), ways.ago(10)];
    const found = await ways.checkIn('GE-16', 'generator', '104.0', {
      at: second,
      found: { 'fuel-leak': 'carburettor' },
    });
    assert.equal(found.readiness, 'held');
    const well = await ways.checkIn('GE-16', 'generator', '104.0', { at: first, more: { basedOn: null } });
    assert.notEqual(well.secondLookOf, undefined);
    assert.equal(await ways.ready('GE-16'), 'held');
  });

  test('a hire that was booked for it changes nothing: only what turned it makes a look late', async () => {
    await ways.fit('GE-17');
    const before = ways.ago(0);
    yard.later(0.5);
    await yard.book({
      ...{ reference: 'B-17', classId: 'generator', tag: 'GE-17', hirer: '', phone: '' },
      fromAt: new Date(yard.now.getTime() + 86_400_000).toISOString(),
      toAt: new Date(yard.now.getTime() + 2 * 86_400_000).toISOString(),
    });
    assert.equal((await ways.checkIn('GE-17', 'generator', '100.5', { at: before })).late, undefined);
  });

  test('work that was done after a signature is not signed by it, whichever arrived first', async () => {
    await ways.fit('GE-18');
    await ways.checkIn('GE-18', 'generator', '100.5', { found: { cords: 'damaged' } });
    const [job] = (await ways.page('GE-18')).jobs;
    const jobId = job?.id ?? '';
    await yard.enter({ jobId }, 'job-started', {});
    const signed = ways.ago(0);
    yard.later(0.5);
    const { entries } = await cardIn(yard, jobId);
    const listed = entries.find((entry) => isOf(entry, 'steps-listed'));
    assert.ok(listed);
    await onCard(yard, jobId, 'to-proof', {});
    await yard.enter({ jobId, at: yard.now.toISOString() }, 'run-started', {});
    const proved = { passed: true, note: '', looks: [] };
    const refused = await problemIn(await yard.enter({ jobId, at: signed }, 'proved', proved));
    assert.equal(refused.code, 'card-refused');
    assert.match(JSON.stringify(refused.facts), /seen-before|not-in-proof/);
  });

  test('what nobody could look at is not looked at by a check-in that was begun before the last work there', async () => {
    const jobId = await ways.begun('GE-20', { cords: 'damaged' });
    const unseen = wellCheckIn('GE-20', 'generator', '101.0', { startedAt: ways.ago(0), basedOn: null });
    const answers = unseen.facts.answers.map((answer) =>
      answer.check === 'fuel-leak' ? { check: answer.check, result: 'could-not-look' as const, photos: [] } : answer,
    );
    await yard.checkIn({ ...unseen, facts: { ...unseen.facts, answers } });
    const open = async () => (await ways.defect('GE-20', 'fuel-leak'))?.origin.exception;
    assert.equal(await open(), 'could-not-look');
    const carburettor = thingOff('Carburettor', { system: 'fuel' });
    await onCard(yard, jobId, 'taken-off', carburettor);
    yard.later(0.1);
    const before = ways.ago(0);
    yard.later(0.1);
    await onCard(yard, jobId, 'put-back', { thingId: carburettor.thingId });
    yard.later(0.1);
    assert.equal((await ways.checkIn('GE-20', 'generator', '101.0', { at: before })).late, undefined);
    assert.equal(await open(), 'could-not-look');
    await ways.checkIn('GE-20', 'generator', '101.0');
    assert.equal(await open(), undefined);
  });

  test('a hand-out of an unknown time stands at its arrival', async () => {
    await ways.fit('GE-19');
    const dueAt = new Date(yard.now.getTime() + 86_400_000).toISOString();
    const facts = handOut('generator', '100.5', { dueAt });
    await yard.enter({ tag: 'GE-19', at: ways.ago(600), offsetMs: null }, 'check-out', facts, 'counter');
    const { hires } = await yard.read<{ hires: { outAt: string }[] }>('/api/hires?tag=GE-19');
    assert.equal(hires[0]?.outAt, yard.now.toISOString());
  });
});
