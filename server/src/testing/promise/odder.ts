import { checksOf, classOf, dangersOf, folderOf, RATING_IDS } from '@hudrik/core/catalogue';
import fc from 'fast-check';
import { deed, onJob, pick, role, signer, which, type Deed } from './deed';

/** By one of two phones, off line for a while: what they made arrives later, the one's behind the other's. */
export const onPhone = (inner: fc.Arbitrary<Deed>): fc.Arbitrary<Deed> =>
  fc.record({ n: fc.nat(1), act: inner }).map(({ n, act }) =>
    deed(`phone ${n} off line: ${act.name}`, async (world) => {
      const phone = world.phones[n];
      if (phone === undefined) return act.run(world);
      const before = world.phone;
      phone.isOffLine = true;
      world.phone = phone;
      try {
        return await act.run(world);
      } finally {
        world.phone = before;
      }
    }),
  );

export const reconnect = fc.record({ n: fc.nat(1), some: fc.nat(6) }).map(({ n, some }) =>
  deed(`phone ${n} sends ${some || 'all'}`, async (world) => {
    const phone = world.phones[n];
    if (phone === undefined) return;
    const sent = phone.waiting.splice(0, some === 0 ? phone.waiting.length : some);
    for (const send of sent) await send();
    phone.isOffLine = phone.waiting.length > 0;
  }),
);

export const dangers = fc
  .record({ n: which, as: role, what: fc.constantFrom('tell', 'gate', 'move', 'left-anyway') })
  .map(({ n, as, what }) =>
    deed(`danger ${what} ${n} as ${as}`, async (world) => {
      const danger = pick(dangersOf(classOf(world.classId)), n)?.id ?? 'leaks';
      if (what === 'tell')
        return world.onUnit('trouble-told', { reference: null, complaintIds: [danger], note: '' }, as);
      if (what === 'left-anyway')
        return world.onUnit('left-anyway', { hire: null, dueAt: null, why: 'The lorry took it' }, as);
      const hire = await world.hireOut();
      const atGate = { runs: 'not-tried' as const, leaks: true, complete: true, dangers: [danger] };
      if (what === 'gate') return world.onUnit('hire-back', { reference: hire?.reference ?? 'NONE', atGate }, as);
      const told = await world.db
        .selectFrom('log_entry')
        .select('id')
        .where('unit_id', '=', world.unitId)
        .where('kind', 'in', ['trouble-told', 'hire-back'])
        .orderBy('place', 'desc')
        .limit(1)
        .executeTakeFirst();
      return told ? world.onUnit('told-moved', { entryId: told.id, toTag: await world.other() }, as) : false;
    }),
  );

/** What is on the plate or the sheet is changed, and confirmed or not; what is not on this unit, and is after all. */
export const plates = fc
  .record({
    n: fc.nat(RATING_IDS.length - 1),
    by: fc.constantFrom(0.5, 0.8, 1.3, 2),
    what: fc.constantFrom('plate', 'sheet', 'confirm'),
  })
  .map(({ n, by, what }) =>
    deed(`${what} ${RATING_IDS[n]} × ${by}`, async (world) => {
      const rating = RATING_IDS[n] ?? 'hertz';
      const usual = folderOf(world.classId).rated[rating];
      if (usual === undefined) return false;
      if (what === 'plate') return world.edit({ rated: { [rating]: usual * by } });
      if (what === 'sheet') return world.changeSheet({ [rating]: usual * by });
      const figure = await world.db
        .selectFrom('figure_set')
        .selectAll()
        .orderBy('id', 'desc')
        .limit(1)
        .executeTakeFirst();
      if (figure === undefined || figure.value === null) return false;
      return world.onUnit(
        'figure-confirmed',
        {
          ...{ rating: figure.rating as 'flow', of: figure.unit_id === null ? 'model' : 'unit', value: figure.value },
          ...{
            from: 'plate',
            photoId: await world.photo(),
            alone: { why: 'Only one lead', photoId: await world.photo() },
          },
        },
        'lead',
      );
    }),
  );

export const exempt = fc.record({ n: which, back: fc.boolean(), photo: fc.boolean() }).map(({ n, back, photo }) =>
  deed(`${back ? 'on this unit after all' : 'not on this unit'} ${n}`, async (world) => {
    const check =
      pick(
        checksOf(classOf(world.classId)).filter((one) => one.alwaysThere !== true),
        n,
      )?.id ?? '';
    if (back) return world.onUnit('fitted-after-all', { check, why: 'It has one' }, 'lead');
    const photoId = photo ? await world.photo() : null;
    const why = { why: 'Has none', photoId, source: 'Parts list' };
    return world.onUnit('not-fitted', { check, ...why, ...(await world.second('lead')) }, 'lead');
  }),
);

/** Answers of a proof by themselves, in any order: not right, right again, taken back; no load to be had. */
export const answers = fc
  .record({
    n: which,
    as: signer,
    what: fc.constantFrom('leaks', 'dry', 'not-right', 'right', 'take-back', 'no-load', 'run', 'stop'),
  })
  .map(({ n, as, what }) =>
    deed(
      `answer ${what} as ${as}`,
      onJob(n, async (world, jobId) => {
        const on = { jobId };
        const did = n % 2 === 0 ? 'Mended it' : undefined;
        if (what === 'leaks' || what === 'dry')
          return world.enter(on, 'leak-look', { dry: what === 'dry', note: '', did }, as);
        if (what === 'no-load') return world.enter(on, 'load-not-had', { why: 'No snow in July' }, 'lead');
        if (what === 'run') return world.enter(on, 'run-started', {}, as);
        if (what === 'stop') return world.enter(on, 'run-stopped', { why: '' }, as);
        if (what !== 'take-back')
          return world.enter(on, 'proof-look', { look: 'steady', ok: what === 'right', did }, as);
        const card = await world.card();
        const answer = card?.entries.findLast(({ kind }) => kind === 'leak-look' || kind === 'proof-look');
        return answer ? world.enter(on, 'answer-taken-back', { entryId: answer.id }, as) : false;
      }),
    ),
  );
