import { checksOf, classOf, type Check } from '@hudrik/core/catalogue';
import { sampleDefect, sampleOpening } from '@hudrik/core/contracts/samples';
import {
  assessDraftHours,
  draftTrueHours,
  judgeDraft,
  leafIsDone,
  leavesOf,
  startDraft,
  factsOf,
  foundInOrder,
  notStarting,
  stationOf,
  type Draft,
} from './draft';
import { sayFuelOpen, sayHoursOpen } from './sayOpen';

const now = new Date('2030-03-04T09:00:00Z');
const opening = sampleOpening({
  tag: 'GE-09',
  lastReading: 661.2,
  lastReadAt: '2030-03-01T09:00:00Z',
  trueHours: 661.2,
  hoursToOilService: 30,
});
const draft = (more: Partial<Draft> = {}): Draft => ({ ...startDraft(opening, 'id', now), ...more });
const hours = { kind: 'hours', name: 'Hours' } as const;

test('a leaf for hours, fuel, what was noticed, each station, and the verdict', () => {
  expect(leavesOf(draft()).map((leaf) => leaf.kind)).toEqual([
    'hours',
    'fuel',
    'noticed',
    'station',
    'station',
    'station',
    'station',
    'station',
    'verdict',
  ]);
});

test('hours are settled when they make sense, or when the person stands by them; never below the last', () => {
  expect(leafIsDone(draft(), hours, now)).toBe(false);
  expect(leafIsDone(draft({ typed: '668.4' }), hours, now)).toBe(true);
  expect(leafIsDone(draft({ typed: '999' }), hours, now)).toBe(false);
  expect(leafIsDone(draft({ typed: '999', confirmed: true }), hours, now)).toBe(true);
  expect(leafIsDone(draft({ typed: '66.4', confirmed: true }), hours, now)).toBe(false);
});

test('a replaced meter and one that rolled over keep the true hours going', () => {
  const replaced = draft({
    typed: '4.2',
    meterEvent: { kind: 'replaced', oldReading: 663, newMeterShows: 0.2, rollsAt: undefined },
  });
  expect(draftTrueHours(replaced)).toBe(667);
  expect(assessDraftHours(replaced, now)?.hoursRun).toBe(5.8);
  expect(
    draftTrueHours(
      draft({ typed: '2.0', meterEvent: { kind: 'rolled-over', oldReading: null, newMeterShows: 0, rollsAt: 1000 } }),
    ),
  ).toBe(1002);
});

/** The answer of somebody who finds it in order, with the figure where one is asked. */
const okOf = (check: Check) => {
  const limit = check.measured?.limit;
  const reading = limit?.kind === 'within' ? { value: limit.min, unit: check.measured?.unit ?? '' } : undefined;
  return { check: check.id, result: 'ok' as const, photos: [], ...(reading ? { reading } : {}) };
};

test('the device sees the verdict that the server will', () => {
  const answers = Object.fromEntries(checksOf(classOf('generator')).map((check) => [check.id, okOf(check)]));
  const seconds = Object.fromEntries(classOf('generator').stations.map((station) => [station.id, 60]));
  const good = draft({
    typed: '668.4',
    fuelEighths: 8,
    fuelTap: 'was-shut',
    ended: 'well',
    missing: {},
    answers: answers as never,
    seconds,
  });
  expect(judgeDraft(good, false, now).result).toBe('fit');
  expect(
    judgeDraft(
      {
        ...good,
        answers: {
          ...good.answers,
          sockets: { check: 'sockets', result: 'not-ok', exception: 'damaged', photos: [] } as never,
        },
      },
      false,
      now,
    ).result,
  ).toBe('held');
  expect(judgeDraft({ ...good, missing: { key: 1 } }, false, now).bill).toMatchObject([
    { id: 'key', priceCents: 1500 },
  ]);
  expect(factsOf(good).answers).toHaveLength(checksOf(classOf('generator')).length);
});

describe('why a leaf does not go on', () => {
  const shows = (typed: string, more: Partial<Draft> = {}) => sayHoursOpen(draft({ typed, ...more }), now);
  test('the hours', () => {
    expect(shows('')).toBe('Enter what the meter shows.');
    expect(shows('1')).toMatch(/^It shows less than before/);
    expect(shows('668.4')).toBeNull();
    expect(shows('9668.4')).toBe('Confirm above that it is so.');
    expect(shows('9668.4', { confirmed: true })).toBeNull();
  });

  test('fuel and kit: what is not answered is named', () => {
    expect(sayFuelOpen(draft())).toBe('Still to answer: fuel, fuel tap, how it ran, what came back.');
    const all = { fuelEighths: 0, fuelTap: 'was-shut', ended: 'well', missing: {} } as const;
    expect(sayFuelOpen(draft({ ...all, ended: null }))).toBe('Still to answer: how it ran.');
    expect(sayFuelOpen(draft(all))).toBeNull();
  });
});

test.each([
  ['no', true],
  ['yes', undefined],
  ['not-tried', undefined],
] as const)('said at the gate to run: %s', (runs, willNotStart) => {
  const atGate = { runs, leaks: false, complete: true };
  expect(startDraft({ ...opening, atGate }, 'id', now).willNotStart).toBe(willNotStart);
});

describe('an engine that does not start', () => {
  const measured = checksOf(classOf('generator')).find((check) => check.id === 'hertz');
  const before = draft({
    answers: {
      hertz: { check: 'hertz', result: 'ok', photos: [] },
      clean: { check: 'clean', result: 'ok', photos: [] },
    },
  });

  test('is not asked to run: those checks are not possible, and stay open as such', () => {
    const after = { ...before, ...notStarting(before, true) };
    expect(after.answers['hertz']).toMatchObject({ result: 'not-possible', because: 'will-not-start' });
    expect(after.answers['kill-switch']).toMatchObject({ result: 'not-possible' });
    expect(after.answers['clean']).toMatchObject({ result: 'ok' });
    expect(factsOf(after).starts).toBe('will-not-start');
    expect(judgeDraft(after, false, now).reasons.map((reason) => reason.sentence)).toEqual(
      expect.arrayContaining(['It would not fire at all.', 'Not possible, it will not start: stop switch stops it.']),
    );
  });

  test('it starts after all: they are asked again', () => {
    const again = { ...before, ...notStarting({ ...before, ...notStarting(before, true) }, false) };
    expect([again.answers['hertz'], again.answers['kill-switch'], again.answers['clean']?.result]).toEqual([
      undefined,
      undefined,
      'ok',
    ]);
    expect(factsOf(again).starts).toBe('not-tried');
    expect(factsOf(before).starts).toBe('starts');
    expect(measured?.running).toBe(true);
  });
});

test('limits are the unit’s own; what it has not got is not asked', () => {
  const own = draft({
    opening: sampleOpening({ ratings: { model: { volts: 230 }, unit: {} }, notFitted: ['battery'] }),
  });
  const panel = stationOf(own, 'running').checks.find((check) => check.id === 'volts');
  expect(panel?.measured?.limit).toMatchObject({ min: 218.5, max: 241.5 });
  expect(stationOf(own, 'frame').checks.map((check) => check.id)).not.toContain('battery');
});

test('a draft of an edition before, which knows no limits of its own, goes on', () => {
  const { ratings: _, notFitted: __, defects: ___, asksAgain: ____, ...old } = sampleOpening();
  const kept = draft({ opening: old as never });
  expect(leavesOf(kept).length).toBe(9);
  expect(foundInOrder(kept)).toEqual([]);
});

test('what was found before and is in order now is asked about; what only nobody had seen is not', () => {
  const found = sampleDefect();
  const unseen = sampleDefect({ id: 'd2', origin: { kind: 'check', id: 'earth', exception: 'could-not-look' } });
  const known = draft({ opening: sampleOpening({ defects: [found, unseen] }) });
  const ok = (check: string) => ({ check, result: 'ok' as const, photos: [] });
  expect(foundInOrder(known)).toEqual([]);
  expect(foundInOrder({ ...known, answers: { sockets: ok('sockets'), earth: ok('earth') } })).toEqual([found]);
  const settled = {
    ...known,
    settled: { d1: { how: 'put-right' as const, why: ' New socket ' } },
    again: { d9: true },
  };
  expect(factsOf(settled)).toMatchObject({
    settled: [{ defectId: 'd1', how: 'put-right', why: 'New socket' }],
    again: [{ defectId: 'd9', showed: true }],
  });
});
