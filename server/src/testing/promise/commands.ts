import { randomUUID } from 'node:crypto';
import { checksOf, classOf, CLOCK_IDS, CLOCKS, FAULT_IDS, OBSERVATIONS, SYSTEMS } from '@hudrik/core/catalogue';
import type { Role } from '@hudrik/core/contracts';
import { DEFECT_ENDS } from '@hudrik/core/defects';
import { cardOf } from '@hudrik/core/log';
import fc from 'fast-check';
import { handOut, thingOff } from '../samples';
import { deed, jobAt, onJob, pick, role, signer, which, type Deed } from './deed';
import { honestWay } from './honestWay';
import { answers, dangers, exempt, onPhone, plates, reconnect } from './odder';
import { goodResult } from './asked';
import { overtaken } from './overtaken';
import type { World } from './world';

const exceptionsOf = (world: World, picks: readonly number[]): Record<string, string> => {
  const all = checksOf(classOf(world.classId)).flatMap((check) =>
    check.exceptions.map((entry) => [check.id, entry.id] as const),
  );
  return Object.fromEntries(picks.flatMap((n) => (pick(all, n) ? [pick(all, n) ?? ['', '']] : [])));
};

const looking = fc
  .record({ picks: fc.array(fc.nat(200), { maxLength: 3 }), as: signer, settles: fc.boolean() })
  .map(({ picks, as, settles }) =>
    deed(`check-in ${picks.join()} as ${as}`, async (world) => {
      const found = exceptionsOf(world, picks);
      const settled = settles ? (await world.settledNow()).filter(({ defectId }) => defectId !== '') : undefined;
      const open = await world.defects();
      const allowed = settled?.filter(
        ({ defectId }) => found[open.find((defect) => defect.id === defectId)?.origin.id ?? ''] === undefined,
      );
      return world.checkIn(allowed ? { settled: allowed } : {}, found, as);
    }),
  );

const told = fc.nat(20).map((n) =>
  deed(`told ${n}`, (world) => {
    const complaint = pick(classOf(world.classId).complaints, n);
    return world.checkIn({ complaintIds: complaint === undefined ? [] : [complaint] });
  }),
);

const notStarting = fc.constant(
  deed('it does not start', (world) =>
    world.checkIn({
      starts: 'will-not-start',
      answers: checksOf(classOf(world.classId)).map((check) =>
        check.running
          ? { check: check.id, result: 'not-possible', because: 'will-not-start', reading: undefined, photos: [] }
          : { check: check.id, result: 'ok', reading: undefined, photos: [] },
      ),
    }),
  ),
);

const jobs = fc
  .record({ n: which, as: signer, what: fc.constantFrom('start', 'drop', 'put-off', 'finish', 'finish-blind') })
  .map(({ n, as, what }) =>
    deed(
      `${what} job ${n} as ${as}`,
      onJob(n, async (world, jobId) => {
        if (what === 'start') return world.enter({ jobId }, 'job-started', {}, as);
        if (what === 'drop') return world.enter({ jobId }, 'job-dropped', { why: 'Not needed' }, as);
        if (what === 'put-off') return world.enter({ jobId }, 'job-put-off', { why: 'Another day' }, as);
        const card = await world.card();
        const looks = card?.jobs.find((job) => job.id === jobId)?.defects.map((defect) => defect.id) ?? [];
        const measured = await world.figuresFor(card?.defects ?? []);
        return world.enter(
          { jobId },
          'job-finished',
          { note: '', looks: what === 'finish' ? looks : [], measured },
          as,
        );
      }),
    ),
  );

const tray = fc
  .record({
    n: which,
    system: fc.constantFrom(undefined, ...SYSTEMS),
    what: fc.constantFrom('off', 'back', 'trial', 'leave'),
  })
  .map(({ n, system, what }) =>
    deed(
      `tray ${what} ${system}`,
      onJob(n, async (world, jobId) => {
        if (what === 'off')
          return world.enter({ jobId }, 'taken-off', thingOff('Cover', system === undefined ? {} : { system }));
        const card = await world.card();
        const off = card ? cardOf(card.entries).ledger.putBack[0] : undefined;
        if (off === undefined) return false;
        const { thingId } = off;
        if (what === 'back') return world.enter({ jobId }, 'put-back', { thingId });
        if (what === 'trial') return world.enter({ jobId }, 'replaced', { thingId, part: 'Old', forTrial: true });
        return world.enter({ jobId }, 'struck-off', { thingId, why: 'Stays off' });
      }),
    ),
  );

const clocks = fc
  .record({ n: which, kind: fc.constantFrom(...CLOCK_IDS), what: fc.constantFrom('start', 'good', 'bad', 'early') })
  .map(({ n, kind, what }) =>
    deed(
      `clock ${kind} ${what}`,
      onJob(n, async (world, jobId) => {
        if (what === 'start')
          return world.enter({ jobId }, 'clock-started', {
            clockId: randomUUID(),
            clock: kind,
            minutes: CLOCKS[kind].minutes,
            stepId: null,
          });
        const card = await world.card();
        const running = card ? cardOf(card.entries).clocks.find((clock) => clock.result === null) : undefined;
        if (running === undefined) return false;
        const { clockId, clock } = running;
        if (what === 'good') world.later(CLOCKS[clock as keyof typeof CLOCKS].minutes / 60 + 0.1);
        const result = what === 'bad' ? 'drips' : goodResult(clock);
        return world.enter({ jobId }, 'clock-ended', { clockId, result, note: '' });
      }),
    ),
  );

const cardDeeds = fc
  .record({
    n: which,
    what: fc.constantFrom('tick', 'whole', 'park', 'pause', 'proof', 'back', 'blind', 'early', 'note'),
  })
  .map(({ n, what }) =>
    deed(
      `card ${what}`,
      onJob(n, async (world, jobId) => {
        if (what === 'whole') return world.makeWhole();
        if (what === 'park') return world.enter({ jobId }, 'parked', { why: 'For weeks' });
        if (what === 'pause') return world.enter({ jobId }, 'paused', { for: 'part', why: '' });
        if (what === 'proof') return world.enter({ jobId }, 'to-proof', {});
        if (what === 'back') return world.enter({ jobId }, 'back-to-work', { why: '' });
        if (what === 'note') return world.enter({ jobId }, 'note', { text: 'Said', stepId: null });
        if (what === 'early') return world.enter({ jobId }, 'proved', { passed: true, note: '', looks: [] });
        if (what === 'blind') return world.prove(true, 'none');
        const card = await world.card();
        const step = card ? cardOf(card.entries).steps.find((one) => one.state === 'to-do') : undefined;
        return step ? world.enter({ jobId: step.jobId ?? jobId }, 'step-done', { stepId: step.stepId }) : false;
      }),
    ),
  );

const prove = fc.boolean().map((isWhole) =>
  deed(`prove ${isWhole ? 'what is whole' : 'as it is'}`, async (world) => {
    const jobId = await jobAt(world, 0);
    if (jobId !== null) await world.enter({ jobId }, 'job-started', {});
    if (isWhole) await world.makeWhole();
    return world.prove(true);
  }),
);
const failProof = fc.constant(deed('fail the proof', (world) => world.prove(false)));

const finding = fc.record({ n: fc.nat(FAULT_IDS.length - 1), as: signer }).map(({ n, as }) =>
  deed(`confirm ${FAULT_IDS[n]} as ${as}`, async (world) => {
    const id = randomUUID();
    await world.enter({ id, tag: world.tag }, 'finding-opened', { machine: { engine: {}, past: {} } });
    return world.enter(
      { findingId: id },
      'causes-confirmed',
      { causes: [FAULT_IDS[n] ?? 'main-jet-blocked'], note: '' },
      as,
    );
  }),
);

/** Looked for without a card: what comes off for the look lies in the tray all the same. */
const looksInside = fc.constantFrom('kill-wire-off', 'plug-gap', 'bowl-look').map((observation) =>
  deed(`look in a finding: ${observation}`, async (world) => {
    const id = randomUUID();
    await world.enter({ id, tag: world.tag }, 'finding-opened', { machine: { engine: {}, past: {} } });
    const outcomes = [Object.keys(OBSERVATIONS[observation].outcomes)[0] ?? ''];
    return world.enter({ findingId: id }, 'seen', { observation, outcomes, reading: null });
  }),
);

/** Somebody does all of it as it should be done. */
const inOrder = fc.constant(deed('the honest way', (world) => honestWay(world)));

const defects = fc
  .record({
    n: which,
    as: role,
    what: fc.constantFrom('find', 'find-mild', 'put-right', 'was-all-right', 'live-with', 'not-fitted'),
  })
  .map(({ n, as, what }) =>
    deed(`${what} ${n} as ${as}`, async (world) => {
      if (what === 'find' || what === 'find-mild')
        return world.onUnit(
          'defect-found',
          { sentence: 'The handle is cracked.', weight: what === 'find' ? 'hold' : 'prep', safety: what === 'find' },
          as,
        );
      const list = await world.defects();
      const defect = pick(list, n);
      if (defect === undefined) return false;
      if (what === 'live-with')
        return world.onUnit('lived-with', { defectId: defect.id, why: 'Worn', watch: 'It' }, as);
      if (what === 'not-fitted')
        return world.onUnit('not-fitted', { check: defect.origin.id, why: 'Has none', photoId: null }, as);
      const how = DEFECT_ENDS.find((end) => end === what);
      if (how !== 'put-right' && how !== 'was-all-right') return false;
      return world.onUnit('defect-closed', { defectId: defect.id, how, why: 'Looked', measured: undefined }, as);
    }),
  );

const raise = fc.constantFrom('repair', 'service', 'prep', 'lay-up', 'wake-up').map((kind) =>
  deed(`raise a ${kind}`, (world) =>
    world.onUnit('job-raised', {
      kind: kind as 'repair',
      title: `A ${kind}`,
      minutes: 20,
      work: undefined,
      blocks: kind === 'repair' ? 'hold' : 'prep',
    }),
  ),
);

let count = 0;
const hires = fc
  .record({
    as: fc.constantFrom<Role>('lead', 'counter', 'technician'),
    what: fc.constantFrom('out', 'out', 'out-waived', 'back', 'book', 'cancel'),
  })
  .map(({ as, what }) =>
    deed(`hire ${what} as ${as}`, async (world) => {
      if (what === 'book') return world.book(`P-${count++}`, 48, 24);
      const hire = await world.db
        .selectFrom('hire')
        .selectAll()
        .where('unit_id', '=', world.unitId)
        .orderBy('id', 'desc')
        .limit(1)
        .executeTakeFirst();
      if (what === 'cancel') return hire ? world.cancel(hire.reference) : false;
      if (what === 'back')
        return hire ? world.onUnit('hire-back', { reference: hire.reference, atGate: undefined }) : false;
      world.hours += 0.1;
      return world.onUnit(
        'check-out',
        handOut(world.classId, world.hours.toFixed(1), {
          dueAt: new Date(world.now.getTime() + 20 * 3_600_000).toISOString(),
          hours: { typed: world.hours.toFixed(1), confirmed: true, meterEvent: null },
          waiverReason: what === 'out-waived' ? 'Only next door' : '',
        }),
        as,
      );
    }),
  );

const fleet = fc.constantFrom('lay-up', 'wake', 'sell', 'scrap', 'buy-back').map((what) =>
  deed(what, (world) => {
    if (what === 'lay-up') return world.layUp();
    if (what === 'wake') return world.wake();
    if (what === 'buy-back') return world.edit({ gone: null });
    return world.edit({ gone: { why: 'No more', ...(what === 'scrap' ? { scrapped: true } : {}) } });
  }),
);

const time = fc
  .integer({ min: 1, max: 20 })
  .map((tenths) => deed(`${tenths}/10 h later`, async (world) => world.later(tenths / 10)));

const entries = fc.oneof(
  { weight: 7, arbitrary: looking },
  { weight: 2, arbitrary: told },
  { weight: 9, arbitrary: jobs },
  { weight: 6, arbitrary: tray },
  { weight: 4, arbitrary: clocks },
  { weight: 6, arbitrary: cardDeeds },
  { weight: 5, arbitrary: defects },
  { weight: 6, arbitrary: hires },
  { weight: 3, arbitrary: dangers },
  { weight: 2, arbitrary: exempt },
  { weight: 4, arbitrary: answers },
);

/** What may happen, more of it of what finishes than of what breaks. */
export const anyDeed: fc.Arbitrary<Deed> = fc.oneof(
  { weight: 40, arbitrary: entries },
  { weight: 9, arbitrary: onPhone(entries) },
  { weight: 4, arbitrary: reconnect },
  { weight: 6, arbitrary: overtaken },
  { weight: 1, arbitrary: notStarting },
  { weight: 9, arbitrary: prove },
  { weight: 1, arbitrary: failProof },
  { weight: 3, arbitrary: finding },
  { weight: 2, arbitrary: looksInside },
  { weight: 3, arbitrary: inOrder },
  { weight: 2, arbitrary: raise },
  { weight: 2, arbitrary: fleet },
  { weight: 3, arbitrary: plates },
  { weight: 3, arbitrary: time },
);
