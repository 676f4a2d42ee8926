import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { describe, test } from 'node:test';
import type { Defect, LogRecord, Opening, Role, UnitPage } from '@hudrik/core/contracts';
import type { Facts } from '@hudrik/core/log';
import sharp from 'sharp';
import { onCard, prove, signOff } from '../testing/proving';
import { foundCheckIn, thingOff, wellCheckIn } from '../testing/samples';
import { checkedIn, entryIn, problemIn, useYard } from '../testing/yard';

describe('what somebody’s look closes', () => {
  const yard = useYard();
  const page = (tag: string): Promise<UnitPage> => yard.read<UnitPage>(`/api/units/${tag}`);
  const opened = async (tag: string): Promise<readonly Defect[]> => (await page(tag)).defects;
  const ready = async (tag: string) => (await page(tag)).unit.verdict.readiness;
  const opening = (tag: string) => yard.read<Opening>(`/api/units/${tag}/opening`);
  const ended = async (id: string) =>
    (await yard.db.selectFrom('defect').selectAll().where('id', '=', id).executeTakeFirstOrThrow()).closed_how;
  const found = async (tag: string, checks: Readonly<Record<string, string>>) => {
    await yard.addUnit(tag);
    await yard.checkIn(foundCheckIn(tag, 'generator', '101.0', checks));
    return opened(tag);
  };
  const close = (tag: string, defectId: string, more: Partial<Facts<'defect-closed'>> = {}, at?: string) =>
    yard.enter({ tag, ...(at === undefined ? {} : { at }) }, 'defect-closed', {
      defectId,
      how: 'put-right',
      why: 'New one fitted',
      ...more,
    });
  /** The next return, in which all that is not said otherwise is in order. */
  const back = async (tag: string, more: Partial<Facts<'check-in'>>, as: Role = 'technician') => {
    yard.later(1);
    const { basedOn } = await opening(tag);
    return yard.checkIn(wellCheckIn(tag, 'generator', '101.0', { basedOn, ...more }), as);
  };

  test('made without a connection before it was seen again, it closes nothing; one that was made after does', async () => {
    const [defect] = await found('GE-01', { sockets: 'damaged' });
    const looked = yard.now;
    yard.later(1);
    const { basedOn } = await opening('GE-01');
    await yard.checkIn(foundCheckIn('GE-01', 'generator', '101.0', { sockets: 'damaged' }, { basedOn }));
    const early = new Date(looked.getTime() + 60_000).toISOString();
    const refused = await problemIn(await close('GE-01', defect?.id ?? '', {}, early));
    assert.deepEqual([refused.code, refused.facts?.['seenAt']], ['look-too-old', yard.now.toISOString()]);
    assert.equal((await close('GE-01', defect?.id ?? '')).status, 201);
    assert.equal(await ready('GE-01'), 'fit');
  });

  test('not while anything of what the check looks at is off', async () => {
    const defects = await found('GE-02', { sockets: 'damaged', 'fuel-leak': 'carburettor' });
    const socket = defects.find((defect) => defect.origin.id === 'sockets')?.id ?? '';
    const jobId = (await page('GE-02')).jobs[0]?.id ?? '';
    // Nobody said what it belongs to.
    const panel = thingOff('Panel', { system: undefined });
    await onCard(yard, jobId, 'taken-off', panel);
    const refused = await problemIn(await close('GE-02', socket));
    assert.deepEqual([refused.code, refused.facts?.['things']], ['things-off', ['Panel']]);
    await onCard(yard, jobId, 'put-back', { thingId: panel.thingId });
    assert.equal((await close('GE-02', socket)).status, 201);
    assert.equal(await ended(socket), 'put-right');
  });

  test('a cause is put right by work that is proved; that it was none closes it, and it explains nothing more', async () => {
    await yard.addUnit('GE-03');
    await yard.checkIn(wellCheckIn('GE-03', 'generator', '101.0', { complaintIds: ['will-not-fire'] }));
    const findingId = randomUUID();
    await yard.enter({ tag: 'GE-03', id: findingId }, 'finding-opened', { machine: { engine: {}, past: {} } });
    await yard.enter({ findingId }, 'causes-confirmed', { causes: ['plug-fouled', 'coil-failed'], note: '' });
    const of = async (kind: string, id: string) =>
      (await opened('GE-03')).find((defect) => defect.origin.kind === kind && defect.origin.id === id);
    const coil = (await of('cause', 'coil-failed'))?.id ?? '';
    assert.equal((await problemIn(await close('GE-03', coil))).code, 'needs-proof');
    assert.equal((await close('GE-03', coil, { how: 'was-all-right', why: 'It sparks well' })).status, 201);
    assert.deepEqual((await of('told', 'will-not-fire'))?.causes, ['plug-fouled']);
  });

  describe('in order at a later return', () => {
    /** What of it was set aside: why, and which. */
    const setAside = async (answer: Response) =>
      ((await checkedIn(answer)).aside ?? []).map((one) => [
        'code' in one ? one.code : one.part,
        'defectId' in one ? one.defectId : null,
      ]);
    const settle = (defectId: string, how: 'put-right' | 'was-all-right' = 'was-all-right') => ({
      settled: [{ defectId, how, why: 'Looked twice' }],
    });

    test('closed when a technician says how that came, not when an apprentice does', async () => {
      const [defect] = await found('GE-04', { sockets: 'damaged' });
      const id = defect?.id ?? '';
      assert.deepEqual(await setAside(await back('GE-04', settle(id), 'apprentice')), [['not-your-role', id]]);
      assert.equal(await ended(id), null);
      assert.equal(
        (await signOff(yard, (await page('GE-04')).jobs.find(({ work }) => work === 'sign-off')?.id ?? '')).status,
        201,
      );
      assert.deepEqual(await setAside(await back('GE-04', settle(id))), []);
      assert.deepEqual([await ended(id), await ready('GE-04')], ['was-all-right', 'fit']);
      // Somebody else’s phone says the same: it is settled.
      assert.equal((await back('GE-04', settle(id))).status, 201);
    });

    test('only what a check has found and finds in order now; of this unit', async () => {
      const [socket] = await found('GE-05', { sockets: 'damaged' });
      await yard.enter({ tag: 'GE-05' }, 'defect-found', { sentence: 'Bent handle.', weight: 'prep', safety: false });
      const byHand = (await opened('GE-05')).find((defect) => defect.origin.kind === 'by-hand')?.id ?? '';
      assert.deepEqual(await setAside(await back('GE-05', settle(byHand))), [['not-valid', byHand]]);
      const { basedOn } = await opening('GE-05');
      const stillBad = foundCheckIn(
        'GE-05',
        'generator',
        '101.0',
        { sockets: 'damaged' },
        { basedOn, ...settle(socket?.id ?? '') },
      );
      assert.deepEqual(await setAside(await yard.checkIn(stillBad)), [['not-valid', socket?.id]]);
      await yard.addUnit('GE-06');
      await yard.checkIn(wellCheckIn('GE-06', 'generator', '101.0'));
      assert.deepEqual(await setAside(await back('GE-06', settle(socket?.id ?? ''))), []);
      assert.equal(await ended(socket?.id ?? ''), null);
    });

    test('what was measured is all right by the figure of this return; put right, where that is proved, it is not by a look', async () => {
      await yard.addUnit('GE-07');
      const { facts } = wellCheckIn('GE-07', 'generator', '101.0');
      const answers = facts.answers.map((answer) =>
        answer.check === 'volts'
          ? { ...answer, result: 'not-ok' as const, exception: 'low', reading: { value: 90, unit: 'V' } }
          : answer,
      );
      await yard.checkIn({ id: randomUUID(), tag: 'GE-07', facts: { ...facts, answers } });
      const volts = (await opened('GE-07')).find((defect) => defect.origin.id === 'volts')?.id ?? '';
      assert.deepEqual(await setAside(await back('GE-07', settle(volts, 'put-right'))), [['needs-proof', volts]]);
      assert.equal(await ended(volts), null);
      assert.deepEqual(await setAside(await back('GE-07', settle(volts))), []);
      assert.equal(await ended(volts), 'was-all-right');
    });
  });

  describe('lived with', () => {
    const live = (tag: string, defectId: string, as: Role = 'lead') =>
      yard.enter({ tag }, 'lived-with', { defectId, why: 'Only the paint', watch: 'Whether it opens' }, as);
    const worn = async (tag: string, safety = false) => {
      await yard.addUnit(tag);
      await yard.checkIn(foundCheckIn(tag, 'generator', '101.0', { 'fuel-leak': 'carburettor' }));
      await yard.enter({ tag }, 'defect-found', { sentence: 'Handle is worn.', weight: 'hold', safety });
      return (await opened(tag)).find((defect) => defect.origin.kind === 'by-hand')?.id ?? '';
    };
    const whyNot = async (answer: Response) => {
      const { code, facts } = await problemIn(answer);
      return [code, facts?.['why']];
    };

    test('by a lead, after a proof since, and no safety matter; each return asks what became of it', async () => {
      const id = await worn('GE-10');
      assert.equal((await live('GE-10', id, 'technician')).status, 403);
      assert.deepEqual(await whyNot(await live('GE-10', id)), ['not-lived-with', 'not-proved']);
      const jobId = (await page('GE-10')).jobs[0]?.id ?? '';
      await prove(yard, jobId, { passed: false });
      assert.deepEqual(await whyNot(await live('GE-10', id)), ['not-lived-with', 'not-proved']);
      assert.equal((await prove(yard, jobId)).status, 201);
      // What was worked on since is not proved.
      await yard.enter({ tag: 'GE-10' }, 'job-raised', {
        kind: 'repair',
        title: 'New gasket',
        minutes: 20,
        blocks: 'none',
      });
      const gasket = (await page('GE-10')).jobs[0]?.id ?? '';
      const cover = thingOff('Cover');
      await onCard(yard, gasket, 'taken-off', cover);
      await onCard(yard, gasket, 'put-back', { thingId: cover.thingId });
      assert.deepEqual(await whyNot(await live('GE-10', id)), ['not-lived-with', 'not-proved']);
      assert.equal((await prove(yard, gasket)).status, 201);
      const entry = await entryIn(await live('GE-10', id));
      assert.equal(entry.outcome['sentence'], 'Handle is worn.');
      assert.deepEqual([await ended(id), await ready('GE-10')], ['lived-with', 'fit']);
      const asked = async () => (await opening('GE-10')).asksAgain.map((one) => [one.id, one.how]);
      const again = (showed: boolean) => back('GE-10', { again: [{ defectId: id, showed }] });
      assert.equal((await again(false)).status, 201);
      // It is lived with still, and asked about still.
      assert.deepEqual([await asked(), await ready('GE-10')], [[[id, 'lived-with']], 'fit']);
      assert.equal((await again(true)).status, 201);
      assert.deepEqual([await asked(), await ready('GE-10')], [[], 'held']);
      assert.deepEqual(
        (await opened('GE-10')).map((defect) => [defect.sentence, defect.id === id]),
        [['Handle is worn.', false]],
      );
    });

    test('never what can hurt, nor what was told', async () => {
      const id = await worn('GE-11', true);
      await prove(yard, (await page('GE-11')).jobs[0]?.id ?? '');
      assert.deepEqual(await whyNot(await live('GE-11', id)), ['not-lived-with', 'safety']);
      await yard.addUnit('GE-12');
      await yard.checkIn(wellCheckIn('GE-12', 'generator', '101.0', { complaintIds: ['hunts'] }));
      const told = (await opened('GE-12'))[0]?.id ?? '';
      assert.deepEqual(await whyNot(await live('GE-12', told)), ['not-lived-with', 'kind']);
    });

    test('what this unit never had asks nothing again', async () => {
      await yard.addUnit('GE-13');
      await yard.checkIn(wellCheckIn('GE-13', 'generator', '101.0'));
      const defectId = randomUUID();
      const came = await checkedIn(await back('GE-13', { again: [{ defectId, showed: true }] }));
      assert.deepEqual(came.aside, [{ part: 'again', defectId }]);
      assert.equal(await ready('GE-13'), 'fit');
    });
  });

  describe('not fitted', () => {
    const notFitted = (
      tag: string,
      check: string,
      photoId: string | null,
      as: Role = 'lead',
      more: Partial<Facts<'not-fitted'>> = {},
    ) => yard.enter({ tag }, 'not-fitted', { check, why: 'This model has none', photoId, ...more }, as);
    const photo = async (): Promise<string> => {
      const id = randomUUID();
      const raw = await sharp({ create: { width: 8, height: 8, channels: 3, background: '#888' } })
        .jpeg()
        .toBuffer();
      const answer = await yard.ask('PUT', `/api/photos/${id}`, {
        as: 'lead',
        raw,
        headers: { 'content-type': 'image/jpeg' },
      });
      assert.equal(answer.status, 201);
      return id;
    };

    const onUnit = (tag: string, photoId: string | null, more: Partial<Facts<'not-fitted'>> = {}, as: Role = 'lead') =>
      notFitted(tag, 'cords', photoId, as, { source: 'Parts list', ...more });

    test('by a lead, with a photo taken for it, of what not every unit of the class has; then it is not asked again', async () => {
      await yard.addUnit('GE-20');
      assert.equal((await onUnit('GE-20', await photo(), {}, 'technician')).status, 403);
      for (const photoId of [null, randomUUID()])
        assert.deepEqual((await problemIn(await onUnit('GE-20', photoId))).facts, { why: 'missing' });
      assert.equal((await problemIn(await notFitted('GE-20', 'wings', await photo()))).facts?.['field'], 'check');
      const always = await problemIn(await notFitted('GE-20', 'sockets', await photo()));
      assert.deepEqual([always.code, always.facts], ['always-there', { check: 'Sockets whole, none burnt or loose' }]);
      const id = await photo();
      assert.equal((await onUnit('GE-20', id)).status, 201);
      // A photo shows one unit, once.
      assert.deepEqual((await problemIn(await notFitted('GE-20', 'battery', id))).facts, { why: 'used' });
      assert.deepEqual((await opening('GE-20')).notFitted, ['cords']);
      const { facts } = wellCheckIn('GE-20', 'generator', '101.0');
      const answers = facts.answers.filter((answer) => answer.check !== 'cords');
      assert.equal((await back('GE-20', { answers })).status, 201);
      assert.equal(await ready('GE-20'), 'fit');
      const { records } = await yard.read<{ records: LogRecord[] }>('/api/units/GE-20/history');
      assert.ok(records.some((record) => record.kind === 'not-fitted'));
    });

    test('not while its check has found something else; a return that finds it all the same ends it', async () => {
      await found('GE-23', { cords: 'damaged' });
      const open = await problemIn(await onUnit('GE-23', await photo()));
      assert.deepEqual([open.code, open.facts?.['sentence']], ['check-open', 'A supply cord or its plug is damaged.']);
      await yard.addUnit('GE-24');
      assert.equal((await onUnit('GE-24', await photo())).status, 201);
      const { basedOn } = await opening('GE-24');
      yard.later(1);
      await yard.checkIn(foundCheckIn('GE-24', 'generator', '101.0', { cords: 'damaged' }, { basedOn }));
      assert.deepEqual([await ready('GE-24'), (await opening('GE-24')).notFitted], ['held', []]);
    });

    test('a lead takes it back: it is asked again', async () => {
      await yard.addUnit('GE-25');
      await onUnit('GE-25', await photo());
      const after = (as: Role) =>
        yard.enter({ tag: 'GE-25' }, 'fitted-after-all', { check: 'cords', why: 'It has two' }, as);
      assert.equal((await after('technician')).status, 403);
      assert.equal((await after('lead')).status, 201);
      assert.deepEqual((await opening('GE-25')).notFitted, []);
      assert.equal((await problemIn(await after('lead'))).code, 'not-found');
    });

    test('an ordinary check needs no photo, and another unit keeps its own', async () => {
      await yard.addUnit('GE-21');
      await yard.addUnit('GE-22');
      assert.equal((await notFitted('GE-21', 'battery', null)).status, 201);
      assert.deepEqual([(await opening('GE-21')).notFitted, (await opening('GE-22')).notFitted], [['battery'], []]);
    });
  });
});
