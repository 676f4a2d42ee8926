import { checksOf, classOf } from '@hudrik/core/catalogue';
import type { Opening } from '@hudrik/core/contracts';
import {
  assessDraftHours,
  draftTrueHours,
  judgeDraft,
  leafIsDone,
  leavesOf,
  startDraft,
  factsOf,
  type Draft,
} from './draft';

const now = new Date('2030-03-04T09:00:00Z');
const opening: Opening = {
  tag: 'GE-09',
  classId: 'generator',
  model: { make: 'Tuvellan', name: 'Lantern 5' },
  verdict: { readiness: 'out', because: [] },
  basedOn: null,
  lastReading: 661.2,
  lastReadAt: '2030-03-01T09:00:00Z',
  meterOffset: 0,
  hire: null,
  nextHire: null,
  wentOut: null,
  lastFuelEighths: 8,
  use: { shape: 40, rate: 10 },
  trueHours: 661.2,
  hoursToOilService: 30,
  nextHireHours: 0,
  workMinutes: 0,
} as Opening;
const draft = (more: Partial<Draft> = {}): Draft => ({ ...startDraft(opening, 'id', now), ...more });
const hours = { kind: 'hours', name: 'Hours' } as const;

test('a leaf for hours, fuel, what was noticed, each station, and the verdict', () => {
  expect(leavesOf('generator').map((leaf) => leaf.kind)).toEqual([
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

test('the device sees the verdict that the server will', () => {
  const answers = Object.fromEntries(
    checksOf(classOf('generator')).map((check) => [check.id, { check: check.id, result: 'ok' as const, photos: [] }]),
  );
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
