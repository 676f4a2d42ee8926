import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { describe, test } from 'node:test';
import type { Defect, LogRecord, Opening, UnitPage } from '@hudrik/core/contracts';
import { changeUnit } from '../log/changeUnit';
import { openDefects } from './openDefects';
import { onCard, prove, signOff } from '../testing/proving';
import { foundCheckIn, handOut, thingOff, wellCheckIn } from '../testing/samples';
import { entryIn, problemIn, useYard } from '../testing/yard';

describe('what is wrong with a unit', () => {
  const yard = useYard();
  const page = (tag: string): Promise<UnitPage> => yard.read<UnitPage>(`/api/units/${tag}`);
  const defects = async (tag: string): Promise<readonly Defect[]> => (await page(tag)).defects;
  const verdict = async (tag: string) => (await page(tag)).unit.verdict;
  const newest = async (tag: string) => (await yard.read<Opening>(`/api/units/${tag}/opening`)).basedOn;
  const jobOf = async (tag: string, work?: string) =>
    (await page(tag)).jobs.find((job) => work === undefined || job.work === work)?.id ?? '';
  const drop = (jobId: string) => yard.enter({ jobId }, 'job-dropped', { why: 'Not needed' });
  const close = (tag: string, defectId: string, as: 'technician' | 'lead' | 'apprentice' = 'technician') =>
    yard.enter({ tag }, 'defect-closed', { defectId, how: 'was-all-right', why: 'Looked at it twice' }, as);
  const out = (tag: string, as: 'lead' | 'counter' = 'lead') => {
    const hours = { typed: '101.0', confirmed: true, meterEvent: null };
    const going = handOut('generator', '101.0', {
      dueAt: '2031-03-06T17:00:00Z',
      hours,
      waiverReason: 'Only next door',
    });
    return yard.enter({ tag }, 'check-out', going, as);
  };

  test('dropping its job frees no unit: it is held, and nothing is being done about it', async () => {
    await yard.addUnit('GE-01');
    await yard.checkIn(foundCheckIn('GE-01', 'generator', '101.0', { sockets: 'damaged' }));
    const [before] = await defects('GE-01');
    assert.deepEqual(
      [before?.weight, before?.safety, before?.origin],
      ['hold', true, { kind: 'check', id: 'sockets', exception: 'damaged' }],
    );
    const jobId = await jobOf('GE-01');
    assert.equal(before?.jobId, jobId);
    assert.equal((await drop(jobId)).status, 201);
    const after = await verdict('GE-01');
    assert.deepEqual([after.readiness, after.because], ['held', [before?.sentence]]);
    assert.deepEqual((await page('GE-01')).jobs, []);
    assert.equal((await problemIn(await out('GE-01'))).code, 'not-ready');
  });

  test('with its carburettor in the tray nothing is dropped, signed or handed out', async () => {
    await yard.addUnit('GE-02');
    await yard.checkIn(foundCheckIn('GE-02', 'generator', '101.0', { 'oil-look': 'smells-of-fuel' }));
    const jobId = await jobOf('GE-02');
    await onCard(yard, jobId, 'taken-off', thingOff('Carburettor'));
    const refused = await problemIn(await drop(jobId));
    assert.deepEqual([refused.code, refused.facts?.['things']], ['things-off', ['Carburettor']]);
    assert.deepEqual((await verdict('GE-02')).because.length, 2);
    assert.match((await verdict('GE-02')).because.join(), /On the bench/);
    assert.equal((await problemIn(await out('GE-02'))).code, 'not-ready');
  });

  test('what is on the bench is held until its work is signed, even if it was only prep', async () => {
    await yard.addUnit('GE-03');
    await yard.checkIn(foundCheckIn('GE-03', 'generator', '101.0', { clean: 'dirty' }));
    assert.equal((await verdict('GE-03')).readiness, 'prep');
    const jobId = await jobOf('GE-03');
    await yard.enter({ jobId }, 'job-started', {});
    assert.equal((await verdict('GE-03')).readiness, 'held');
    assert.equal((await signOff(yard, jobId)).status, 201);
    assert.equal((await verdict('GE-03')).readiness, 'fit');
  });

  test('a signature must have looked at each thing that its job is there for', async () => {
    await yard.addUnit('GE-04');
    await yard.checkIn(foundCheckIn('GE-04', 'generator', '101.0', { clean: 'dirty' }));
    const jobId = await jobOf('GE-04');
    const [defect] = await defects('GE-04');
    for (const looks of [undefined, [], [randomUUID()]]) {
      const refused = await problemIn(await yard.enter({ jobId }, 'job-finished', { note: '', looks }));
      assert.deepEqual(
        [refused.code, refused.facts?.['defects']],
        ['not-looked-at', [{ id: defect?.id, sentence: defect?.sentence }]],
      );
    }
    const entry = await entryIn(await signOff(yard, jobId));
    assert.deepEqual(entry.outcome['closed'], [defect?.sentence]);
    assert.deepEqual(await defects('GE-04'), []);
    const row = await yard.db
      .selectFrom('defect')
      .selectAll()
      .where('id', '=', defect?.id ?? '')
      .executeTakeFirstOrThrow();
    assert.deepEqual([row.closed_by, row.closed_how, row.closed_at], [entry.id, 'put-right', yard.now]);
  });

  test('a proof closes what its job is there for, and nothing else', async () => {
    await yard.addUnit('GE-05');
    await yard.checkIn(foundCheckIn('GE-05', 'generator', '101.0', { sockets: 'damaged', clean: 'dirty' }));
    const jobId = await jobOf('GE-05', 'new-socket');
    assert.equal((await prove(yard, jobId)).status, 201);
    assert.deepEqual(
      (await defects('GE-05')).map((defect) => defect.origin.id),
      ['clean'],
    );
    assert.equal((await verdict('GE-05')).readiness, 'prep');
  });

  test('found again it is the same defect, seen again; what is worse makes it worse, never milder', async () => {
    await yard.addUnit('GE-06');
    await yard.checkIn(foundCheckIn('GE-06', 'generator', '101.0', { clean: 'dirty' }));
    const [first] = await defects('GE-06');
    yard.later(1);
    await yard.checkIn(
      foundCheckIn(
        'GE-06',
        'generator',
        '101.0',
        { clean: 'dirty', sockets: 'damaged' },
        { basedOn: await newest('GE-06') },
      ),
    );
    const after = await defects('GE-06');
    assert.deepEqual(
      after.map((defect) => [defect.origin.id, defect.weight]),
      [
        ['sockets', 'hold'],
        ['clean', 'prep'],
      ],
    );
    const again = after.find((defect) => defect.origin.id === 'clean');
    assert.equal(again?.id, first?.id);
    assert.equal(again?.foundAt, first?.foundAt);
    assert.ok((again?.seenAt ?? '') > (first?.seenAt ?? ''));
    assert.deepEqual((await verdict('GE-06')).because.length, 2);
  });

  test('what can hurt is still said when it is found again without its caution', async () => {
    const id = await yard.addUnit('GE-30');
    const origin = { kind: 'check', id: 'gun', exception: 'lock' } as const;
    const found = { origin, sentence: 'The lock slips.', weight: 'hold', safety: true, work: null } as const;
    const see = (caution: string | null) =>
      changeUnit(yard.context, null, { id }, ({ trx, at }) =>
        openDefects(trx, { unitId: id, entryId: null, at }, [{ ...found, caution }]),
      );
    await see('high-pressure-water');
    await see(null);
    assert.deepEqual(
      (await defects('GE-30')).map((defect) => defect.caution),
      ['high-pressure-water'],
    );
  });

  test('a later return in which all is ticked closes nothing by itself', async () => {
    await yard.addUnit('GE-07');
    await yard.checkIn(foundCheckIn('GE-07', 'generator', '101.0', { sockets: 'damaged' }));
    await drop(await jobOf('GE-07'));
    await yard.checkIn(wellCheckIn('GE-07', 'generator', '101.0', { basedOn: await newest('GE-07') }));
    assert.equal((await verdict('GE-07')).readiness, 'held');
  });

  test('a check that nobody could look at: looking closes it, and what is found then opens its own', async () => {
    await yard.addUnit('GE-08');
    const well = wellCheckIn('GE-08', 'generator', '101.0');
    const unseen = well.facts.answers.map((answer) =>
      ['sockets', 'clean'].includes(answer.check)
        ? { ...answer, result: 'could-not-look' as const, reading: undefined }
        : answer,
    );
    await yard.checkIn({ ...well, facts: { ...well.facts, answers: unseen } });
    assert.deepEqual(
      (await defects('GE-08')).map((defect) => [defect.origin.id, defect.weight, defect.safety]),
      [
        ['sockets', 'hold', true],
        ['clean', 'prep', false],
      ],
    );
    await yard.checkIn(
      foundCheckIn('GE-08', 'generator', '101.0', { sockets: 'damaged' }, { basedOn: await newest('GE-08') }),
    );
    assert.deepEqual(
      (await defects('GE-08')).map((defect) => [defect.origin.id, defect.origin.exception]),
      [['sockets', 'damaged']],
    );
    const rows = await yard.db
      .selectFrom('defect')
      .select(['closed_how', 'closed_by'])
      .where('exception', '=', 'could-not-look')
      .execute();
    assert.deepEqual(
      rows.map((row) => [row.closed_how, row.closed_by !== null]),
      [
        ['looked-at', true],
        ['looked-at', true],
      ],
    );
  });

  test('by hand: anyone on the bench may find one; a technician closes it, once, and the second is told by whom', async () => {
    await yard.addUnit('GE-09');
    const found = { sentence: 'The handle is cracked.', weight: 'hold', safety: true } as const;
    assert.equal((await yard.enter({ tag: 'GE-09' }, 'defect-found', found, 'counter')).status, 403);
    assert.equal((await yard.enter({ tag: 'GE-09' }, 'defect-found', found, 'apprentice')).status, 201);
    const [defect] = await defects('GE-09');
    assert.deepEqual(
      [defect?.sentence, defect?.safety, defect?.by, defect?.jobId],
      ['The handle is cracked.', true, 'The apprentice', null],
    );
    const id = defect?.id ?? '';
    assert.equal((await close('GE-09', id, 'apprentice')).status, 403);
    const answers = await Promise.all([close('GE-09', id), close('GE-09', id, 'lead')]);
    assert.deepEqual(answers.map((answer) => answer.status).sort(), [201, 409]);
    const late = await problemIn(answers.find((answer) => answer.status === 409) ?? new Response('{}'));
    assert.equal(late.code, 'defect-closed');
    assert.match(String(late.facts?.['by']), /^The (technician|lead)$/);
    assert.equal((await verdict('GE-09')).readiness, 'fit');
    const { records } = await yard.read<{ records: LogRecord[] }>('/api/units/GE-09/history');
    assert.deepEqual([records[0]?.kind, records[0]?.outcome['sentence']], ['defect-closed', 'The handle is cracked.']);
    assert.equal((await problemIn(await close('GE-08', id))).code, 'not-found');
  });

  test('a cause that was confirmed holds by itself, until it is repaired and proved', async () => {
    await yard.addUnit('GE-10');
    await yard.checkIn(wellCheckIn('GE-10', 'generator', '101.0', { complaintIds: ['will-not-fire'] }));
    const findingId = randomUUID();
    await yard.enter({ tag: 'GE-10', id: findingId }, 'finding-opened', { machine: { engine: {}, past: {} } });
    await yard.enter({ findingId }, 'causes-confirmed', { causes: ['main-jet-blocked'], note: '' });
    assert.deepEqual((await defects('GE-10')).map((defect) => defect.origin.kind).sort(), ['cause', 'told']);
    const jobId = await jobOf('GE-10', 'find-fault');
    await drop(jobId);
    assert.equal((await verdict('GE-10')).readiness, 'held');
  });

  test('with things in the tray, or a clock that runs, it is neither laid up nor sold', async () => {
    await yard.addUnit('GE-20');
    await yard.checkIn(foundCheckIn('GE-20', 'generator', '101.0', { 'oil-look': 'smells-of-fuel' }));
    const jobId = await jobOf('GE-20');
    const edit = async (body: object) => {
      const { version } = (await page('GE-20')).unit;
      return yard.ask('PATCH', '/api/units/GE-20', { as: 'lead', body, headers: { 'If-Match': `"${version}"` } });
    };
    const off = thingOff('Carburettor');
    await onCard(yard, jobId, 'taken-off', off);
    const layUp = () => yard.enter({ tag: 'GE-20' }, 'laid-up', { method: 'as-it-is', note: '' });
    for (const refused of [layUp(), edit({ gone: { why: 'Sold' } })]) {
      const { code, facts } = await problemIn(await refused);
      assert.deepEqual([code, facts?.['things']], ['things-off', ['Carburettor']]);
    }
    assert.equal((await edit({ homeBay: 'South 1' })).status, 200);
    await onCard(yard, jobId, 'put-back', { thingId: off.thingId });
    const clockId = randomUUID();
    await onCard(yard, jobId, 'clock-started', { clockId, clock: 'drip-test', minutes: 120, stepId: null });
    assert.equal((await problemIn(await layUp())).code, 'clock-runs');
    yard.later(2.1);
    await onCard(yard, jobId, 'clock-ended', { clockId, result: 'dry', note: '' });
    assert.equal((await layUp()).status, 201);
  });

  test('nobody waives what can hurt the hirer', async () => {
    await yard.addUnit('GE-11');
    await yard.enter({ tag: 'GE-11' }, 'defect-found', { sentence: 'Label unreadable.', weight: 'prep', safety: true });
    assert.equal((await verdict('GE-11')).readiness, 'prep');
    const refused = await problemIn(await out('GE-11'));
    assert.deepEqual([refused.code, refused.facts?.['because']], ['not-ready', ['Label unreadable.']]);
    await yard.addUnit('GE-12');
    await yard.enter({ tag: 'GE-12' }, 'defect-found', { sentence: 'Dirty.', weight: 'prep', safety: false });
    assert.equal((await out('GE-12')).status, 201);
  });

  test('the database itself: none is closed without its entry, thrown away, or opened again', async () => {
    const id = await yard.addUnit('GE-13');
    await yard.enter({ tag: 'GE-13' }, 'defect-found', { sentence: 'Dirty.', weight: 'prep', safety: false });
    const [defect] = await defects('GE-13');
    const write = (set: Record<string, unknown>) =>
      changeUnit(yard.context, null, { id }, ({ trx }) =>
        trx
          .updateTable('defect')
          .set(set)
          .where('id', '=', defect?.id ?? '')
          .execute(),
      );
    await assert.rejects(write({ closed_at: yard.now }), /check constraint/);
    await assert.rejects(
      write({ closed_at: yard.now, closed_how: 'put-right', closed_by: randomUUID() }),
      /foreign key/,
    );
    await assert.rejects(
      yard.db
        .deleteFrom('defect')
        .where('id', '=', defect?.id ?? '')
        .execute(),
      /not thrown away/,
    );
    await assert.rejects(
      yard.db
        .updateTable('defect')
        .set({ sentence: 'Clean.' })
        .where('id', '=', defect?.id ?? '')
        .execute(),
      /outside its own transaction/,
    );
    await close('GE-13', defect?.id ?? '');
    await assert.rejects(write({ closed_at: null, closed_by: null, closed_how: null }), /is closed/);
  });
});
