import assert from 'node:assert/strict';
import { describe, test } from 'node:test';
import { dangersOf, classOf } from '@hudrik/core/catalogue';
import type { Role } from '@hudrik/core/contracts';
import type { Facts } from '@hudrik/core/log';
import { onCard, prove } from '../testing/proving';
import { foundCheckIn, handOut, thingOff } from '../testing/samples';
import { Ways } from '../testing/ways';
import { problemIn, useYard } from '../testing/yard';

const SHOCK = 'got-shock';
const BLANKS = [
  '',
  '   ',
  '\u00a0\u00a0',
  '\u200b\u200b\u200b',
  '\u2060\u2060\u2060',
  '\ufeff\ufeff\ufeff',
  '\u00ad\u00ad\u00ad',
];

/** Ways that led past what is told, what is not on a unit, the figure in force, and a second person's word. */
describe('dangers and second persons', () => {
  const yard = useYard();
  const ways = new Ways(yard);
  const tell = (tag: string, complaintIds: string[], as: Role = 'counter', reference: string | null = null) =>
    yard.enter({ tag }, 'trouble-told', { reference, complaintIds, note: '' }, as);
  const close = (tag: string, defectId: string | undefined, more: object = {}, as: Role = 'technician') =>
    yard.enter(
      { tag },
      'defect-closed',
      { defectId: defectId ?? '', how: 'was-all-right', why: 'Looked at it', ...more },
      as,
    );

  describe('told and dangerous', () => {
    test('it holds from the moment it is told, by whoever takes the call, of a unit that is out or not', async () => {
      await ways.fit('GE-01');
      assert.ok(dangersOf(classOf('generator')).some(({ id }) => id === SHOCK));
      assert.equal((await tell('GE-01', [SHOCK])).status, 201);
      const shock = await ways.defect('GE-01', SHOCK);
      assert.deepEqual([await ways.ready('GE-01'), shock?.safety, shock?.second], ['held', true, 'danger']);
      await ways.fit('GE-02');
      await ways.handOut('GE-02', 'generator', '100.5');
      const [hire] = await ways.hires('GE-02');
      await tell('GE-02', [SHOCK], 'counter', hire?.reference ?? '');
      assert.equal((await ways.shift()).warned.find(({ tag }) => tag === 'GE-02')?.code, 'out-dangerous');
    });

    test('and at the gate, also where only “it leaks” was tapped', async () => {
      for (const [tag, atGate, id] of [
        ['GE-03', { runs: 'yes', leaks: false, complete: true, dangers: [SHOCK] }, SHOCK],
        ['GE-04', { runs: 'yes', leaks: true, complete: true }, 'leaks'],
      ] as const) {
        await ways.fit(tag);
        await ways.handOut(tag, 'generator', '100.5');
        yard.later(2);
        const [hire] = await ways.hires(tag);
        await yard.enter(
          { tag },
          'hire-back',
          {
            reference: hire?.reference ?? '',
            atGate: { ...atGate, ...('dangers' in atGate ? { dangers: [...atGate.dangers] } : {}) },
          },
          'counter',
        );
        assert.equal((await ways.defect(tag, id))?.safety, true);
        yard.later(0.2);
        await ways.checkIn(tag, 'generator', '102.0');
        assert.equal(await ways.ready(tag), 'held');
      }
    });

    test('the check-in that follows answers it; unanswered it is told so, and “it did not” alone closes nothing', async () => {
      await ways.fit('GE-05');
      await tell('GE-05', [SHOCK]);
      const shock = await ways.defect('GE-05', SHOCK);
      yard.later(1);
      const silent = await ways.checkIn('GE-05', 'generator', '100.5');
      assert.deepEqual(
        silent.aside?.map((one) => one.part),
        ['danger'],
      );
      yard.later(1);
      const dangers = [{ defectId: shock?.id ?? '', showed: 'no' as const, why: 'Measured it' }];
      const answered = await ways.checkIn('GE-05', 'generator', '100.5', { more: { dangers } });
      assert.deepEqual([answered.aside, await ways.ready('GE-05')], [undefined, 'held']);
    });

    test('that it was not found, two people say: a lead alone does not while somebody is here', async () => {
      await ways.fit('GE-06');
      await tell('GE-06', [SHOCK]);
      const shock = await ways.defect('GE-06', SHOCK);
      assert.deepEqual((await problemIn(await close('GE-06', shock?.id, {}, 'lead'))).facts?.['why'], 'danger');
      assert.equal(
        (await problemIn(await close('GE-06', shock?.id, { how: 'put-right' }, 'lead'))).code,
        'needs-proof',
      );
      assert.equal((await close('GE-06', shock?.id, await ways.second('technician', 'lead'), 'lead')).status, 201);
      assert.equal(await ways.ready('GE-06'), 'fit');
    });

    test('in a proof, too: “not found” of what is dangerous asks a second person', async () => {
      await ways.fit('GE-07');
      await tell('GE-07', [SHOCK]);
      const shock = await ways.defect('GE-07', SHOCK);
      const jobId = shock?.jobId ?? (await ways.page('GE-07')).jobs[0]?.id ?? '';
      const sign = (more: object) => ({ sign: () => ({ looks: [], notFound: [shock?.id ?? ''], ...more }) });
      assert.equal((await problemIn(await prove(yard, jobId, sign({})))).code, 'second-wanted');
      const signed = await prove(yard, jobId, sign(await ways.second('apprentice', 'technician')));
      assert.deepEqual([signed.status, await ways.howEnded(shock?.id ?? '')], [201, 'not-found']);
    });

    test('told of the wrong tag: its teller moves it, from the moment it was told; both units show it', async () => {
      await ways.fit('GE-08');
      await ways.fit('GE-09');
      await tell('GE-08', [SHOCK]);
      const wrong = await ways.defect('GE-08', SHOCK);
      const toldAt = yard.now.toISOString();
      yard.later(1);
      const move = (as: Role, toTag = 'GE-09') =>
        yard.enter({ tag: 'GE-08' }, 'told-moved', { entryId: wrong?.toldBy ?? '', toTag }, as);
      assert.equal((await move('technician')).status, 403);
      assert.equal((await move('counter', 'GE-08')).status, 422);
      assert.equal((await move('counter', 'GE-99')).status, 404);
      assert.equal((await move('counter')).status, 201);
      const right = await ways.defect('GE-09', SHOCK);
      assert.deepEqual(
        [await ways.ready('GE-08'), await ways.howEnded(wrong?.id ?? ''), await ways.ready('GE-09'), right?.foundAt],
        ['fit', 'moved', 'held', toldAt],
      );
      for (const tag of ['GE-08', 'GE-09'])
        assert.ok((await ways.history(tag)).some(({ kind }) => kind === 'told-moved' || kind === 'trouble-told'));
    });
  });

  test('check-out asks the class’s kit and what is looked at as it goes, and a waiver of blanks is none', async () => {
    await ways.fit('GE-10');
    const dueAt = new Date(yard.now.getTime() + 86_400_000).toISOString();
    const out = (more: object, as: Role = 'counter') =>
      yard.enter({ tag: 'GE-10' }, 'check-out', handOut('generator', '100.5', { dueAt, ...more }), as);
    assert.equal((await problemIn(await out({ kit: [] }))).code, 'kit-not-counted');
    assert.equal((await problemIn(await out({ looks: [] }))).code, 'looks-missing');
    await yard.enter({ tag: 'GE-10' }, 'job-raised', {
      ...{ kind: 'prep', title: 'Wash it', minutes: 10, work: undefined, blocks: 'prep' },
    });
    for (const waiverReason of BLANKS)
      assert.equal((await problemIn(await out({ waiverReason }, 'lead'))).code, 'prep-not-done');
    assert.equal((await out({ waiverReason: 'Only next door' }, 'lead')).status, 201);
  });

  test('blanks of any kind are no reason anywhere', async () => {
    await ways.fit('GE-11');
    await ways.checkIn('GE-11', 'generator', '100.5', { found: { cords: 'damaged' } });
    const cords = await ways.defect('GE-11', 'cords');
    for (const why of BLANKS) {
      assert.equal((await close('GE-11', cords?.id, { why })).status, 422);
      const left = await yard.enter({ tag: 'GE-11' }, 'left-anyway', { hire: null, dueAt: null, why }, 'lead');
      assert.equal(left.status, 422);
    }
  });

  test('a unit that has left anyway: a lead says so, the counter is warned until it is back, and it comes back held', async () => {
    await ways.fit('GE-12');
    await tell('GE-12', [SHOCK]);
    const leave = (as: Role) =>
      yard.enter({ tag: 'GE-12' }, 'left-anyway', { hire: null, dueAt: null, why: 'The lorry took it' }, as);
    for (const as of ['technician', 'counter'] as const) assert.equal((await leave(as)).status, 403);
    assert.equal((await leave('lead')).status, 201);
    assert.equal((await problemIn(await leave('lead'))).code, 'already-out');
    const warned = (await ways.shift()).warned.find(({ tag }) => tag === 'GE-12');
    assert.deepEqual([await ways.ready('GE-12'), warned?.code], ['out', 'left-anyway']);
    yard.later(20);
    await ways.checkIn('GE-12', 'generator', '103.0');
    assert.equal(
      (await ways.shift()).warned.some(({ tag }) => tag === 'GE-12'),
      false,
    );
    assert.equal(await ways.ready('GE-12'), 'held');
  });

  describe('not on this unit', () => {
    const notFitted = (tag: string, check: string, more: Partial<Facts<'not-fitted'>>, as: Role = 'lead') =>
      yard.enter(
        { tag },
        'not-fitted',
        { check, why: 'Made without', photoId: null, source: 'Parts list', ...more },
        as,
      );

    test('a guard that stays off is none of this unit’s only with a photo, its source and a second person', async () => {
      await ways.fit('GE-20');
      await ways.checkIn('GE-20', 'generator', '100.5', { found: { 'fuel-leak': 'hose' } });
      const jobId = (await ways.page('GE-20')).jobs[0]?.id ?? '';
      const guard = thingOff('Guard', { system: 'guard' });
      await onCard(yard, jobId, 'taken-off', guard);
      await onCard(yard, jobId, 'struck-off', { thingId: guard.thingId, why: 'Gone' });
      const off = await ways.defect('GE-20', guard.thingId);
      const second = await ways.second('technician', 'lead');
      assert.equal((await problemIn(await notFitted('GE-20', off?.id ?? '', second))).code, 'photo-wanted');
      const photoId = await ways.photo();
      assert.equal((await problemIn(await notFitted('GE-20', off?.id ?? '', { photoId }))).code, 'second-wanted');
      assert.equal((await notFitted('GE-20', off?.id ?? '', { photoId, ...second, source: undefined })).status, 422);
      assert.equal((await notFitted('GE-20', off?.id ?? '', { photoId, ...second })).status, 201);
      assert.equal(await ways.howEnded(off?.id ?? ''), 'not-fitted');
    });

    test('never of what every unit of the class has, nor while its check has found something', async () => {
      await ways.fit('GE-21');
      await ways.checkIn('GE-21', 'generator', '100.5', { found: { 'fuel-leak': 'hose', cords: 'damaged' } });
      const photoId = await ways.photo();
      assert.equal((await problemIn(await notFitted('GE-21', 'fuel-leak', { photoId }))).code, 'always-there');
      assert.equal((await problemIn(await notFitted('GE-21', 'cords', { photoId }))).code, 'check-open');
    });
  });

  describe('the limit in force when it was seen judges it', () => {
    const rate = async (tag: string, hertz: number, as: Role = 'lead') =>
      yard.ask('PATCH', `/api/units/${tag}`, {
        as,
        body: { rated: { hertz } },
        headers: { 'if-match': `"${(await ways.page(tag)).unit.version}"` },
      });
    /** Came back with its frequency low, by its figures of then. */
    const low = async (tag: string) => {
      await ways.fit(tag);
      const { facts } = foundCheckIn(tag, 'generator', '100.5', {}, { startedAt: yard.now.toISOString() });
      const answers = facts.answers.map((answer) =>
        answer.check === 'hertz' ? { ...answer, reading: { value: 52, unit: 'Hz' } } : answer,
      );
      await yard.enter({ tag }, 'check-in', { ...facts, answers, basedOn: null });
      return ways.defect(tag, 'hertz');
    };

    test('a plate changed to fit what was measured closes nothing, until it is confirmed and measured again', async () => {
      const defect = await low('GE-30');
      assert.notEqual(defect, undefined);
      const [job] = (await ways.page('GE-30')).jobs;
      yard.later(0.5);
      assert.equal((await rate('GE-30', 50)).status, 200);
      const look = { measured: { value: 51.5, unit: 'Hz' }, how: 'put-right' };
      const signed = await prove(yard, job?.id ?? '', {
        sign: (ids) => ({ looks: [...ids], measured: [{ defectId: defect?.id ?? '', value: 51.5, unit: 'Hz' }] }),
      });
      assert.equal((await problemIn(signed)).code, 'figure-not-confirmed');
      assert.notEqual((await close('GE-30', defect?.id, look)).status, 201);
      const { toConfirm } = await ways.page('GE-30');
      assert.deepEqual(
        toConfirm.map(({ defectId, rating, value }) => [defectId, rating, value]),
        [[defect?.id, 'hertz', 50]],
      );
      const confirm = (more: object) =>
        yard.enter(
          { tag: 'GE-30' },
          'figure-confirmed',
          { rating: 'hertz', of: 'unit', value: 50, from: 'plate', photoId: '', ...more } as never,
          'lead',
        );
      assert.equal((await confirm({ photoId: await ways.photo(), value: 55 })).status, 409);
      // Who changed it asks another lead; the yard has one: alone, with a reason.
      const own = await problemIn(await confirm({ photoId: await ways.photo() }));
      assert.equal(own.code, 'second-wanted');
      const alone = { alone: { why: 'The only lead', photoId: null } };
      assert.equal((await confirm({ photoId: await ways.photo(), ...alone })).status, 201);
      assert.deepEqual((await ways.page('GE-30')).toConfirm, []);
      await onCard(yard, job?.id ?? '', 'back-to-work', { why: '' });
      const again = await prove(yard, job?.id ?? '', {
        sign: (ids) => ({ looks: [...ids], measured: [{ defectId: defect?.id ?? '', value: 51.5, unit: 'Hz' }] }),
      });
      assert.equal(again.status, 201);
      assert.equal(await ways.howEnded(defect?.id ?? ''), 'put-right');
    });

    test('a sheet that is confirmed judges anew every unit that goes by it, fit ones too', async () => {
      await ways.fit('GE-31');
      await ways.checkIn('GE-31', 'generator', '100.5');
      assert.equal(await ways.ready('GE-31'), 'fit');
      const { model } = await yard.read<{ model: { id: number } }>('/api/units/GE-31/sheet');
      const sheet = await yard.read<{ dataSheet: object }>(`/api/models/${model.id}`, 'lead');
      yard.later(0.5);
      const changed = await yard.ask('PUT', `/api/models/${model.id}/data-sheet`, {
        as: 'lead',
        body: { ...sheet.dataSheet, rated: { hertz: 50 } },
      });
      assert.equal(changed.status, 200);
      assert.equal(await ways.ready('GE-31'), 'fit');
      const facts = {
        rating: 'hertz',
        of: 'model',
        value: 50,
        from: 'makers-sheet',
        photoId: await ways.photo(),
        alone: { why: 'The only lead', photoId: null },
      } as const;
      assert.equal((await yard.enter({ tag: 'GE-31' }, 'figure-confirmed', facts, 'lead')).status, 201);
      const over = await ways.defect('GE-31', 'hertz');
      assert.deepEqual([await ways.ready('GE-31'), over?.origin.exception], ['held', 'high']);
      assert.ok((await ways.history('GE-31')).some(({ kind }) => kind === 'judged-anew'));
    });

    test('a figure typed beside “could not look” is taken as the figure', async () => {
      await ways.fit('GE-32');
      const { facts } = foundCheckIn('GE-32', 'generator', '100.5', {}, { startedAt: yard.now.toISOString() });
      const answers = facts.answers.map((answer) =>
        answer.check === 'hertz'
          ? {
              check: 'hertz',
              result: 'could-not-look' as const,
              note: 'In a hurry',
              reading: { value: 80, unit: 'Hz' },
              photos: [],
            }
          : answer,
      );
      const taken = await yard.enter({ tag: 'GE-32' }, 'check-in', { ...facts, answers, basedOn: null });
      assert.equal(taken.status, 201);
      assert.equal((await ways.defect('GE-32', 'hertz'))?.origin.exception, 'high');
    });
  });

  describe('where nobody else is here', () => {
    test('the one does it with a reason, marked alone; the next who may countersigns, or does not agree and it is held', async () => {
      for (const [tag, agrees] of [
        ['GE-40', true],
        ['GE-41', false],
      ] as const) {
        await ways.fit(tag);
        await tell(tag, [SHOCK], 'technician');
        const shock = await ways.defect(tag, SHOCK);
        await ways.nextDay('technician');
        assert.equal(
          (await close(tag, shock?.id, { alone: { why: '\u200b\u200b\u200b', photoId: null } })).status,
          422,
        );
        assert.equal((await close(tag, shock?.id, { alone: { why: 'Yard of one today', photoId: null } })).status, 201);
        assert.equal(await ways.ready(tag), 'fit');
        const line = (await ways.shift('lead')).alone.find((one) => one.tag === tag);
        assert.notEqual(line, undefined);
        const sign = (as: Role, more: object = {}) =>
          yard.enter({ tag }, 'countersigned', { entryId: line?.entry.id ?? '', agrees, ...more }, as);
        assert.equal((await problemIn(await sign('technician'))).code, 'own-word');
        assert.equal((await sign('counter')).status, 403);
        if (!agrees) assert.equal((await sign('lead')).status, 422);
        assert.equal((await sign('lead', agrees ? {} : { why: 'It still bites' })).status, 201);
        assert.equal(await ways.ready(tag), agrees ? 'fit' : 'held');
        assert.equal((await problemIn(await sign('apprentice', { why: 'Late' }))).code, 'not-alone');
        assert.equal(
          (await ways.shift('lead')).alone.some((one) => one.tag === tag),
          false,
        );
      }
    });

    test('of what can be seen, alone, a photo shows it', async () => {
      await ways.fit('GE-42');
      for (let n = 0; n < 2; n++) {
        yard.later(1);
        await ways.checkIn('GE-42', 'generator', '100.5', { found: { 'fuel-leak': 'hose' } });
      }
      const leak = await ways.defect('GE-42', 'fuel-leak');
      await ways.nextDay('technician');
      const why = 'Yard of one today';
      assert.equal(
        (await problemIn(await close('GE-42', leak?.id, { alone: { why, photoId: null } }))).code,
        'photo-wanted',
      );
      const photoId = await ways.photo('technician');
      assert.equal((await close('GE-42', leak?.id, { alone: { why, photoId } })).status, 201);
    });
  });
});
