import fc from 'fast-check';
import { CLASS_IDS, EVERY_PROOF, folderOf, type ProofPlan } from '../catalogue';
import { droopOf, governorClassOf, isComeback, minutesWanted, proofOfEntries } from './index';

const at = (minute: number): string => new Date(Date.UTC(2030, 2, 4, 9, minute)).toISOString();
const said = (kind: string, facts: object, minute = 0) => ({ kind, at: at(minute), facts });
const settingOf = (plan: ProofPlan, afterMinutes: number | null = null, comesAndGoes = false) => ({
  plan,
  everyLooks: EVERY_PROOF,
  complaint: { afterMinutes, comesAndGoes },
  byLook: false,
});

/** A proof in which all is well, run for so many minutes. */
function whole(plan: ProofPlan, minutes: number) {
  return [
    said('to-proof', {}),
    said('leak-look', { dry: true }),
    said('smoke', { clear: true }),
    said('proof-load', { load: plan.loads[0]?.id }),
    said('run-started', {}, 1),
    ...plan.readings.map((reading) =>
      said(
        'proof-reading',
        {
          reading: reading.id,
          value:
            reading.least === undefined
              ? (reading.most ?? 0)
              : reading.most === undefined
                ? reading.least
                : (reading.least + reading.most) / 2,
        },
        2,
      ),
    ),
    ...[...plan.looks, ...EVERY_PROOF].map((look) => said('proof-look', { look: look.id, ok: true }, 3)),
    said('run-stopped', {}, 1 + minutes),
  ];
}

describe.each(CLASS_IDS.map((id) => [id] as const))('the proof of a %s', (id) => {
  const plan = folderOf(id).proof;
  const missing = (entries: ReturnType<typeof whole>) => proofOfEntries(entries, settingOf(plan), at(59)).missing;

  test('passes when all is well, and not with any one thing left out', () => {
    const entries = whole(plan, 20);
    expect(missing(entries)).toEqual([]);
    const needed = entries.filter((entry) => entry.kind !== 'to-proof' && entry.kind !== 'run-stopped');
    for (const left of needed)
      expect([left, missing(entries.filter((entry) => entry !== left)).length > 0]).toEqual([left, true]);
  });

  test('each reading: at its limits well, just outside not', () => {
    for (const { id: reading, least, most } of plan.readings) {
      const verdict = (value: number) =>
        proofOfEntries(
          [said('to-proof', {}), said('proof-reading', { reading, value })],
          settingOf(plan),
          at(0),
        ).readings.find((shown) => shown.reading.id === reading)?.verdict;
      if (least !== undefined) expect([verdict(least), verdict(least - 0.01)]).toEqual(['well', 'low']);
      if (most !== undefined) expect([verdict(most), verdict(most + 0.01)]).toEqual(['well', 'high']);
    }
  });

  test('asks 15 to 20 minutes as a rule, says what load is, and warns', () => {
    expect(plan.minutes).toBeGreaterThanOrEqual(15);
    expect(plan.minutes).toBeLessThanOrEqual(20);
    expect([plan.loads.length > 0, plan.cautions.includes('carbon-monoxide')]).toEqual([true, true]);
  });
});

describe('minutes under load (common practice)', () => {
  test('its worked example: 15 as a rule and a complaint after 12 minutes make 24', () =>
    expect(minutesWanted(15, { afterMinutes: 12, comesAndGoes: false })).toBe(24));
  test('a complaint that comes and goes wants longer', () =>
    expect(minutesWanted(15, { afterMinutes: null, comesAndGoes: true })).toBe(30));
  test('never fewer than the class asks, and at least twice the time it took', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 60 }),
        fc.integer({ min: 1, max: 60 }),
        fc.boolean(),
        (usual, after, comesAndGoes) => {
          const wanted = minutesWanted(usual, { afterMinutes: after, comesAndGoes });
          expect(wanted).toBeGreaterThanOrEqual(Math.max(usual, 2 * after));
        },
      ),
    );
  });
});

describe('the run', () => {
  const plan = folderOf('tiller').proof;
  const proof = (entries: ReturnType<typeof said>[], minute = 40) =>
    proofOfEntries(entries, settingOf(plan), at(minute));
  const begun = [said('to-proof', {}), said('leak-look', { dry: true })];

  test('stretches add up; it counts on while it runs', () => {
    expect(
      proof([...begun, said('run-started', {}, 0), said('run-stopped', {}, 6), said('run-started', {}, 10)], 14)
        .minutesRun,
    ).toBe(10);
  });

  test('smoke must clear before the time counts', () => {
    expect(
      proof([
        ...begun,
        said('run-started', {}, 0),
        said('smoke', { clear: false }, 8),
        said('smoke', { clear: true }, 10),
        said('run-stopped', {}, 20),
      ]).minutesRun,
    ).toBe(12);
  });

  test('untested and unloaded are called so', () => {
    expect(proof(begun).tested).toBe('untested');
    expect(proof([...begun, said('run-started', {}, 0), said('run-stopped', {}, 5)]).tested).toBe('unloaded');
    expect(proof([...begun, said('proof-load', { load: 'soil' }), said('run-started', {}, 0)]).tested).toBe('loaded');
  });

  test('only what was entered since it last went to proof counts', () => {
    expect(proof([...whole(plan, 20), said('back-to-work', {}), said('to-proof', {})]).missing).toContain('minutes');
  });

  test('what fails is told in the fault-finding vocabulary, each once', () => {
    const shows = proofOfEntries(
      [
        said('to-proof', {}),
        said('proof-reading', { reading: 'volts-50', value: 100 }),
        said('proof-reading', { reading: 'volts-100', value: 90 }),
        said('proof-look', { look: 'restart-hot', ok: false }),
      ],
      settingOf(folderOf('generator').proof),
      at(1),
    ).shows;
    expect(shows).toEqual([
      { observation: 'output', outcome: 'drops-on-load' },
      { observation: 'starting', outcome: 'hard' },
    ]);
  });
});

test('droop: its worked example, and the class it reaches (ISO 8528-5; 3, 5 and 8 per cent from memory)', () => {
  expect(droopOf(62.4, 60, 60)).toBeCloseTo(4, 9);
  expect([2.9, 3, 4, 5, 7.9, 8, 8.1, -0.1].map(governorClassOf)).toEqual([
    'G3',
    'G3',
    'G2',
    'G2',
    'G1',
    'G1',
    null,
    null,
  ]);
});

test('a comeback: within 30 days or 20 engine hours, whichever is longer', () => {
  expect([isComeback(30, 100), isComeback(31, 20), isComeback(31, 21), isComeback(31, null)]).toEqual([
    true,
    true,
    false,
    false,
  ]);
});
