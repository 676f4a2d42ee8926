import fc from 'fast-check';
import { CLASS_IDS, folderOf, GOVERNOR_CLASSES, PROOF_LOOKS, type ProofNeed, type ProofPlan } from '../catalogue';
import {
  bandOfHertz,
  classReached,
  droopOf,
  isComeback,
  minutesWanted,
  proofOfEntries,
  proofSettingOf,
  voltageDeviation,
  type Complaint,
} from './index';

const at = (minute: number): string => new Date(Date.UTC(2030, 2, 4, 9, minute)).toISOString();
const said = (kind: string, facts: object, minute = 0, id = `${kind}-${minute}`) => ({
  id,
  kind,
  at: at(minute),
  facts,
});
type Said = ReturnType<typeof said>;

const NO_COMPLAINT: Complaint = { afterMinutes: null, comesAndGoes: false };
const settingOf = (id: string, needs: readonly ProofNeed[] = ['leak', 'load'], complaint: Complaint = NO_COMPLAINT) =>
  proofSettingOf({ folder: folderOf(id), known: PROOF_LOOKS, needs, complaint, systems: [] });

const middleOf = ({ least, most }: ProofPlan['readings'][number]): number =>
  least === undefined ? (most ?? 0) : most === undefined ? least : (least + most) / 2;

/** A proof in which all is well, run for so many minutes. */
function whole(id: string, minutes: number): Said[] {
  const { plan, looks } = settingOf(id);
  return [
    said('to-proof', {}),
    said('leak-look', { dry: true }),
    said('smoke', { clear: true }),
    said('proof-load', { load: plan.loads[0]?.id }),
    said('run-started', {}, 1),
    ...plan.readings.map((reading) => said('proof-reading', { reading: reading.id, value: middleOf(reading) }, 2)),
    ...looks.map((look) => said('proof-look', { look: look.id, ok: true }, 3)),
    said('run-stopped', {}, 1 + minutes),
  ];
}

describe.each(CLASS_IDS.map((id) => [id] as const))('the proof of a %s', (id) => {
  const setting = settingOf(id);
  const { plan } = setting;
  const missing = (entries: readonly Said[]) => proofOfEntries(entries, setting, at(59)).missing;

  test('passes when all is well, and not with any one thing left out', () => {
    const entries = whole(id, 20);
    expect(missing(entries)).toEqual([]);
    const needed = entries.filter((entry) => entry.kind !== 'to-proof' && entry.kind !== 'run-stopped');
    for (const left of needed)
      expect([left, missing(entries.filter((entry) => entry !== left)).length > 0]).toEqual([left, true]);
  });

  test('each reading: at its limits well, just outside not', () => {
    for (const { id: reading, least, most } of plan.readings) {
      const verdict = (value: number) =>
        proofOfEntries(
          [said('to-proof', {}), said('run-started', {}), said('proof-reading', { reading, value })],
          setting,
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
  const begun = [said('to-proof', {}), said('leak-look', { dry: true })];
  const loaded = [...begun, said('proof-load', { load: 'soil' })];
  const [start, stop] = [
    (minute: number) => said('run-started', {}, minute),
    (minute: number) => said('run-stopped', {}, minute),
  ];
  const smokes = (minute: number) => said('smoke', { clear: false }, minute);
  const clear = (minute: number) => said('smoke', { clear: true }, minute);
  const load = (minute: number, id: string | null) => said('proof-load', { load: id }, minute);
  const proof = (entries: readonly Said[], minute = 40, complaint = NO_COMPLAINT) =>
    proofOfEntries(entries, settingOf('tiller', ['leak', 'load'], complaint), at(minute));
  const minutes = (entries: readonly Said[], minute = 40, complaint = NO_COMPLAINT) =>
    proof(entries, minute, complaint).minutesRun;

  test('stretches add up; it counts on while it runs', () => {
    expect(minutes([...loaded, start(0), stop(6), start(10)], 14)).toBe(10);
    expect(proof([...loaded, start(0)], 14)).toMatchObject({ counts: true, runningSince: at(0) });
    expect(proof([...loaded, start(0), stop(6)], 14)).toMatchObject({ counts: false, runningSince: null });
  });

  test('without load no minute counts, before or after it was on', () => {
    expect(minutes([...begun, start(0)], 20)).toBe(0);
    expect(minutes([...begun, start(0), load(5, 'soil'), load(12, null)], 30)).toBe(7);
    expect(minutes([...begun, start(0), load(5, 'soil'), load(9, 'other'), stop(20)], 30)).toBe(15);
  });

  test('while it smokes no minute counts; what counted stays, and it may clear while it runs or stands', () => {
    expect(minutes([...loaded, start(0), smokes(8), clear(10), stop(20)])).toBe(18);
    expect(minutes([...loaded, smokes(0), start(1), clear(4), stop(20)])).toBe(16);
    expect(minutes([...loaded, start(0), smokes(3), stop(5), clear(6), start(7), stop(17)])).toBe(13);
  });

  test('where the trouble came after a time, the longest unbroken run counts', () => {
    const stretches = [...loaded, start(0), stop(10), start(12), stop(26), start(30), stop(35)];
    expect(minutes(stretches)).toBe(29);
    expect(minutes(stretches, 40, { afterMinutes: 12, comesAndGoes: false })).toBe(14);
    expect(minutes(stretches, 40, { afterMinutes: null, comesAndGoes: true })).toBe(14);
    expect(
      minutes([...loaded, start(0), smokes(9), clear(9), stop(20)], 40, { afterMinutes: 12, comesAndGoes: false }),
    ).toBe(11);
    expect(minutes([...stretches, start(36)], 56, { afterMinutes: 12, comesAndGoes: false })).toBe(20);
  });

  test('what is said late lends no minute from before what was said already', () => {
    // Load and a clear exhaust, both sent after the start with an earlier time.
    expect(minutes([...begun, start(10), load(0, 'soil')], 14)).toBe(4);
    expect(minutes([...loaded, start(10), smokes(12), clear(0), stop(14)])).toBe(4);
    expect(proof([...loaded, smokes(20), start(5)], 25)).toMatchObject({ runningSince: at(20), minutesRun: 0 });
    expect(minutes([...loaded, start(10), stop(2), start(12), stop(14)])).toBe(2);
  });

  test('untested and unloaded are called so', () => {
    expect(proof(begun).tested).toBe('untested');
    expect(proof([...begun, start(0), stop(5)]).tested).toBe('unloaded');
    expect(proof([...loaded, start(0)]).tested).toBe('loaded');
  });

  test('only what was entered since it last went to proof counts', () => {
    expect(proof([...whole('tiller', 20), said('back-to-work', {}), said('to-proof', {})]).missing).toContain(
      'minutes',
    );
  });
});

describe('readings count only while it runs', () => {
  const reading = (value: number, minute: number, more: object = {}) =>
    said('proof-reading', { reading: 'speed', value, ...more }, minute, `r${minute}`);
  const shown = (...entries: Said[]) =>
    proofOfEntries([said('to-proof', {}), ...entries], settingOf('tiller'), at(59)).readings[0];
  const [start, stop] = [said('run-started', {}, 5), said('run-stopped', {}, 10)];

  test('before it runs and after it stands is no reading', () => {
    expect(shown(reading(3400, 1), start, stop, reading(3400, 11))).toMatchObject({
      value: null,
      verdict: 'not-taken',
    });
    expect(shown(start, reading(3400, 6), stop)).toMatchObject({ value: 3400, verdict: 'well' });
  });

  test('of one run each must be within; a later run begins anew', () => {
    expect(shown(start, reading(2000, 6), reading(3400, 7))).toMatchObject({ value: 2000, verdict: 'low' });
    const later = [said('run-started', {}, 12), reading(3400, 13)];
    expect(shown(start, reading(2000, 6), stop, ...later)).toMatchObject({ value: 3400, verdict: 'well' });
  });

  test('what was mistyped is taken back by name', () => {
    expect(shown(start, reading(340, 6), reading(3400, 7, { insteadOf: 'r6' }))).toMatchObject({
      value: 3400,
      verdict: 'well',
    });
    expect(shown(start, reading(340, 6), reading(3400, 7, { insteadOf: 'r9' }))).toMatchObject({
      value: 340,
      verdict: 'low',
    });
  });

  test('one reading stands in for no other, and for none of an earlier run', () => {
    const rated = settingOf('pressure-washer');
    const [first, second] = rated.plan.readings;
    if (first?.least === undefined || second === undefined) throw new Error('two readings are needed');
    const of = (id: string, value: number, minute: number, more: object = {}) =>
      said('proof-reading', { reading: id, value, ...more }, minute, `w${minute}`);
    const verdictIn = (...entries: Said[]) =>
      proofOfEntries([said('to-proof', {}), start, ...entries], rated, at(59)).readings[0]?.verdict;
    const [bad, good] = [of(first.id, first.least / 2, 6), of(first.id, middleOf(first), 7)];
    expect(verdictIn(bad, good, of(second.id, middleOf(second), 8, { insteadOf: 'w6' }))).toBe('low');
    expect(verdictIn(bad, good, of(first.id, middleOf(first), 8, { insteadOf: 'w6' }))).toBe('well');
    const again = said('run-started', {}, 12);
    const inLater = [again, of(first.id, first.least / 2, 13), of(first.id, middleOf(first), 14, { insteadOf: 'w6' })];
    expect(verdictIn(bad, stop, ...inLater)).toBe('low');
  });

  test('it is converted into the unit of its limits', () =>
    expect(
      proofOfEntries(
        [said('to-proof', {}), start, said('proof-reading', { reading: 'pressure', value: 2400, unit: 'psi' }, 6)],
        settingOf('pressure-washer'),
        at(9),
      ).readings.find(({ reading: { id } }) => id === 'pressure'),
    ).toMatchObject({ verdict: 'well' }));
});

describe('it asks what the work needs, and no more', () => {
  const asked = (needs: readonly ProofNeed[], systems: Parameters<typeof proofSettingOf>[0]['systems'] = []) => {
    const setting = proofSettingOf({
      folder: folderOf('generator'),
      known: PROOF_LOOKS,
      needs,
      complaint: NO_COMPLAINT,
      systems,
    });
    return { setting, missing: proofOfEntries([said('to-proof', {})], setting, at(1)).missing };
  };

  test('nothing to run for a new lead', () => expect(asked([]).missing).toEqual([]));

  test('after an oil change: leaks, five minutes, and the level again', () => {
    expect(asked(['leak', 'short-run', 'level']).missing).toEqual([
      'leak-look',
      'smoke',
      'minutes',
      'look-steady',
      'look-restart-hot',
      'look-level-again',
    ]);
    expect(asked(['short-run']).setting.minutes).toBe(5);
  });

  test('a short run needs no load to count', () =>
    expect(
      proofOfEntries(
        [said('to-proof', {}), said('run-started', {}, 0), said('run-stopped', {}, 6)],
        asked(['short-run']).setting,
        at(9),
      ).minutesRun,
    ).toBe(6));

  test('what came off is looked at again: its safety checks, and leaks where fuel or oil was opened', () => {
    expect(asked([], ['electric']).missing).toEqual([
      'look-safety-cords',
      'look-safety-sockets',
      'look-safety-earth',
      'look-safety-kill-switch',
    ]);
    expect(asked([], ['fuel']).missing).toEqual(['leak-look']);
    expect(asked([], ['none']).missing).toEqual([]);
  });

  test('trouble at the start is tried three times', () =>
    expect(settingOf('tiller', ['load'], { ...NO_COMPLAINT, atStart: true }).looks.map((look) => look.id)).toContain(
      'three-starts',
    ));

  test('what fails is told in the fault-finding vocabulary, each once', () => {
    const { shows } = proofOfEntries(
      [
        said('to-proof', {}),
        said('run-started', {}),
        said('proof-reading', { reading: 'volts-50', value: 100 }),
        said('proof-reading', { reading: 'volts-100', value: 90 }),
        said('proof-look', { look: 'restart-hot', ok: false }),
      ],
      settingOf('generator'),
      at(1),
    );
    expect(shows).toEqual([
      { observation: 'output', outcome: 'drops-on-load' },
      { observation: 'starting', outcome: 'hard' },
    ]);
  });
});

test('droop: its worked example, and the class it reaches (ISO 8528-5; 3, 5 and 8 per cent from memory)', () => {
  expect(droopOf(62.4, 60, 60)).toBe(4);
  const byDroop = (droop: number) => classReached({ droop, band: null, voltage: null }, GOVERNOR_CLASSES).reached;
  expect([2.9, 3, 4, 5, 7.9, 8, 8.1, -0.1].map(byDroop)).toEqual(['G3', 'G3', 'G2', 'G2', 'G1', 'G1', null, null]);
});

test('droop classes by exact arithmetic: at each class’s own limit, whatever the hertz, a set is within it', () => {
  for (const rated of [50, 60])
    for (let tenths = rated * 9; tenths <= rated * 11; tenths++)
      for (const { name, droop } of GOVERNOR_CLASSES) {
        const full = tenths / 10;
        const none = Number((full + (rated * droop) / 100).toFixed(1));
        const measured = { droop: droopOf(none, full, rated), band: null, voltage: null };
        expect([none, full, classReached(measured, GOVERNOR_CLASSES).reached]).toEqual([none, full, name]);
      }
});

test('a set’s class is that of its worst departure; what was not measured does not count (ISO 8528-5; values from memory)', () => {
  expect([bandOfHertz(60.5, 59.9, 60), voltageDeviation([123, 118], 120)]).toEqual([1, 2.5]);
  const of = (droop: number | null, band: number | null, voltage: number | null) =>
    classReached({ droop, band, voltage }, GOVERNOR_CLASSES);
  expect(of(2, 0.5, 1).reached).toBe('G3');
  expect(of(2, 0.6, 1)).toEqual({ reached: 'G2', by: { droop: 'G3', band: 'G2', voltage: 'G3' } });
  expect(of(2, 0.4, 5).reached).toBe('G1');
  expect(of(2, 0.4, 5.1)).toEqual({ reached: null, by: { droop: 'G3', band: 'G3', voltage: null } });
  expect(of(3, null, 2.5)).toEqual({ reached: 'G2', by: { droop: 'G3', band: undefined, voltage: 'G2' } });
  expect(of(null, null, null).reached).toBeNull();
  // One that rises with load is outside all, and that was measured.
  expect(of(-0.1, 0.4, 1)).toEqual({ reached: null, by: { droop: null, band: 'G3', voltage: 'G3' } });
});

test('a comeback: within 30 days or 20 engine hours, whichever is longer', () => {
  expect([isComeback(30, 100), isComeback(31, 20), isComeback(31, 21), isComeback(31, null)]).toEqual([
    true,
    true,
    false,
    false,
  ]);
});
