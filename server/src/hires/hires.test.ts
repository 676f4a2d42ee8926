import assert from 'node:assert/strict';
import { describe, test } from 'node:test';
import type { ImportReport, Shift, UnitPage } from '@hudrik/core/contracts';
import { foundCheckIn, wellCheckIn, handOut } from '../testing/samples';
import { prove, signOff } from '../testing/proving';
import { problemIn, useYard, jsonOf } from '../testing/yard';

describe('hires and check-outs', () => {
  const yard = useYard();
  const book = (reference: string, tag: string | null, fromAt: string, toAt: string) =>
    yard.book({ reference, classId: 'generator', tag, fromAt, toAt });
  const unit = async (tag: string): Promise<UnitPage> => await yard.read<UnitPage>(`/api/units/${tag}`, 'counter');
  const out = (
    tag: string,
    typed: string,
    more: object = {},
    as: 'lead' | 'counter' | 'apprentice' | 'technician' = 'counter',
  ) => yard.enter({ tag }, 'check-out', handOut('generator', typed, { dueAt: '2030-03-06T17:00:00Z', ...more }), as);

  test('one unit is not promised twice for the same time, not even by two desks at once', async () => {
    await yard.addUnit('GE-01');
    const answers = await Promise.all([
      book('A', 'GE-01', '2030-04-01T08:00:00Z', '2030-04-03T08:00:00Z'),
      book('B', 'GE-01', '2030-04-02T08:00:00Z', '2030-04-04T08:00:00Z'),
    ]);
    assert.deepEqual(answers.map((answer) => answer.status).sort(), [201, 409]);
    assert.equal((await book('C', 'GE-01', '2030-04-04T08:00:00Z', '2030-04-05T08:00:00Z')).status, 201);
    assert.equal((await book('D', null, '2030-04-04T08:00:00Z', '2030-04-05T08:00:00Z')).status, 201);
  });

  test('the database itself refuses two hires of one unit that overlap', async () => {
    const id = await yard.addUnit('GE-02');
    const row = {
      class_id: 'generator' as const,
      unit_id: id,
      from_at: '2030-05-01T08:00:00Z',
      to_at: '2030-05-03T08:00:00Z',
    };
    await yard.db
      .insertInto('hire')
      .values({ ...row, reference: 'X1' })
      .execute();
    await assert.rejects(
      yard.db
        .insertInto('hire')
        .values({ ...row, reference: 'X2' })
        .execute(),
      /hire_promised_once/,
    );
    await assert.rejects(
      yard.db
        .updateTable('unit')
        .set({ readiness: 'perhaps' as never })
        .where('id', '=', id)
        .execute(),
      /check constraint/,
    );
  });

  test('out and back: the hire ends with the check-in, and teaches how hard the unit is worked', async () => {
    await yard.addUnit('GE-03');
    const before = (await unit('GE-03')).use.hoursPerDay;
    assert.equal((await out('GE-03', '100.0')).status, 201);
    assert.equal((await unit('GE-03')).unit.verdict.readiness, 'out');
    assert.equal((await problemIn(await out('GE-03', '100.0'))).code, 'not-ready');
    yard.later(48);
    const reference = (await unit('GE-03')).hire?.reference ?? '';
    await yard.enter({ tag: 'GE-03' }, 'hire-back', { reference }, 'counter');
    assert.ok((await unit('GE-03')).unit.verdict.notLookedAtSince);
    const shift = await yard.read<Shift>('/api/shift', 'technician');
    assert.ok(shift.back.some((line) => line.tag === 'GE-03' && line.code === 'back-not-looked-at'));
    assert.equal((await yard.checkIn(wellCheckIn('GE-03', 'generator', '120.0'))).status, 201);
    const after = await unit('GE-03');
    assert.deepEqual([after.unit.verdict.readiness, after.hire], ['fit', null]);
    assert.ok(after.use.hoursPerDay > before);
    yard.later(-48);
  });

  test('a held unit does not go out, and the answer says why', async () => {
    await yard.addUnit('GE-04');
    await yard.checkIn(foundCheckIn('GE-04', 'generator', '101.0', { sockets: 'damaged' }));
    const problem = await problemIn(await out('GE-04', '101.0', { waiverReason: 'please' }, 'lead'));
    assert.equal(problem.code, 'not-ready');
    assert.deepEqual(problem.facts?.['because'], ['A socket is broken or burnt.']);
  });

  test('a unit in prep goes when its prep is done, or when a lead waives it with a reason', async () => {
    await yard.addUnit('GE-05');
    await yard.checkIn(foundCheckIn('GE-05', 'generator', '101.0', { clean: 'dirty' }));
    assert.equal((await problemIn(await out('GE-05', '101.0'))).code, 'prep-not-done');
    assert.equal(
      (await problemIn(await out('GE-05', '101.0', { waiverReason: 'in a hurry' }, 'counter'))).code,
      'prep-not-done',
    );
    assert.equal((await out('GE-05', '101.0', { waiverReason: 'Goes to a sawmill' }, 'lead')).status, 201);
    await yard.addUnit('GE-06');
    await yard.checkIn(foundCheckIn('GE-06', 'generator', '101.0', { clean: 'dirty' }));
    const [job] = (await unit('GE-06')).jobs;
    await signOff(yard, job?.id ?? '');
    assert.equal((await out('GE-06', '101.0')).status, 201);
  });

  test('a repair is not done before it is proven', async () => {
    await yard.addUnit('GE-07');
    await yard.checkIn(foundCheckIn('GE-07', 'generator', '101.0', { 'fuel-leak': 'carburettor' }));
    const [job] = (await unit('GE-07')).jobs;
    const finish = () => yard.enter({ jobId: job?.id ?? '' }, 'job-finished', { note: 'tightened' });
    assert.equal((await problemIn(await finish())).code, 'not-proven');
    assert.equal((await unit('GE-07')).unit.verdict.readiness, 'held');
    assert.equal((await prove(yard, job?.id ?? '')).status, 201);
    assert.equal((await problemIn(await finish())).code, 'job-closed');
    assert.equal((await unit('GE-07')).unit.verdict.readiness, 'fit');
  });

  test('an apprentice hands nothing out', async () => {
    assert.equal((await out('GE-07', '101.0', {}, 'apprentice')).status, 403);
  });

  test('CSV: good lines are taken, bad ones refused with the reason, nothing by half', async () => {
    await yard.addUnit('GE-20');
    const csv =
      'tag,make,model,serial,home_bay,hours\r\nGE-21,Tuvellan,Model GE-20,"S ""21"", spare",North 2,12.5\r\nGE-20,Tuvellan,Model GE-20,S20,North 2,1\r\nGE-22,Nobody,Model,S22,North 2,1\r\nXX,Tuvellan,Model GE-20,S,North 2,abc\r\n';
    const report = await jsonOf<ImportReport>(await yard.ask('POST', '/api/import/units', { as: 'lead', raw: csv }));
    assert.deepEqual([report.taken, report.refused], [1, 3]);
    assert.ok(report.lines.filter((line) => !line.taken).every((line) => line.why));
    assert.equal((await unit('GE-21')).unit.serial, 'S "21", spare');
    assert.equal(
      (await problemIn(await yard.ask('POST', '/api/import/units', { as: 'lead', raw: 'tag,colour\r\nGE-30,red\r\n' })))
        .code,
      'wrong-columns',
    );
    const exported = await (await yard.ask('GET', '/api/export/units', { as: 'lead' })).text();
    assert.match(exported, /^tag,make,model,serial,home_bay,hours\r\n/);
    assert.match(exported, /GE-21,Tuvellan,Model GE-20,"S ""21"", spare",North 2,12\.5\r\n/);
  });

  test('CSV of hires, and out again the same', async () => {
    const csv =
      'reference,class,tag,from,to\r\nZ-1,generator,GE-20,2030-06-01T08:00:00Z,2030-06-02T08:00:00Z\r\nZ-2,generator,,2030-06-02T08:00:00Z,2030-06-01T08:00:00Z\r\n';
    const report = await jsonOf<ImportReport>(await yard.ask('POST', '/api/import/hires', { as: 'counter', raw: csv }));
    assert.deepEqual([report.taken, report.refused], [1, 1]);
    assert.match(await (await yard.ask('GET', '/api/export/hires', { as: 'counter' })).text(), /Z-1,generator,GE-20,/);
  });

  test('a unit promised to another hirer does not go out on a hire of its class', async () => {
    await yard.addUnit('GE-30');
    await book('P-1', 'GE-30', '2030-03-05T08:00:00Z', '2030-03-07T08:00:00Z');
    await book('P-2', null, '2030-03-04T08:00:00Z', '2030-03-06T08:00:00Z');
    assert.equal((await problemIn(await out('GE-30', '100.0', { hire: 'P-2' }))).code, 'hire-overlaps');
    assert.equal((await out('GE-30', '100.0', { hire: 'P-1' })).status, 201);
  });

  test('models come in before their units, by hand and by CSV', async () => {
    assert.equal(
      (
        await yard.ask('POST', '/api/models', {
          as: 'technician',
          body: { classId: 'welder', make: 'Tuvellan', name: 'Seam 250' },
        })
      ).status,
      403,
    );
    assert.equal(
      (
        await yard.ask('POST', '/api/models', {
          as: 'lead',
          body: { classId: 'welder', make: 'Tuvellan', name: 'Seam 250' },
        })
      ).status,
      201,
    );
    const report = await jsonOf<ImportReport>(
      await yard.ask('POST', '/api/import/models', {
        as: 'lead',
        raw: 'class,make,model\r\nwelder,Tuvellan,Seam 250\r\nkettle,Tuvellan,Boil 1\r\ntiller,Fellbrook,Furrow 80\r\n',
      }),
    );
    assert.deepEqual(
      report.lines.map((line) => line.taken),
      [false, false, true],
    );
    assert.match(
      await (await yard.ask('GET', '/api/export/models', { as: 'lead' })).text(),
      /tiller,Fellbrook,Furrow 80/,
    );
  });
});
