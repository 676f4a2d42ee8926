import { bandReading } from '../readings';
import {
  CAME_AFTER,
  CAME_AND_WENT,
  CAUTIONS,
  CLASS_IDS,
  CLOCK_IDS,
  CLOCKS,
  entryOf,
  PROOF_LOOKS,
  FAULT_IDS,
  FAULTS,
  LIVE_EFFECTS,
  folderOf,
  OBSERVATIONS,
  observationOfReading,
  READING_KINDS,
  READING_LIMITS,
  READING_OF_FAMILY,
  CLOCK_OF_FAMILY,
  SET_UPS,
  STEPS_OF_KIND,
  STEPS_OF_WORK,
  TEARDOWN_IDS,
  TEARDOWN_OF_SET_UP,
  TEARDOWNS,
  type AnyObservation,
} from './index';

const families = new Set(FAULT_IDS.map((id) => FAULTS[id].family));
const steps = [...Object.values(STEPS_OF_KIND), ...Object.values(STEPS_OF_WORK)];
const isShown = (shown: { observation: string; outcome: string }): boolean =>
  Object.keys(entryOf<AnyObservation>(OBSERVATIONS, shown.observation)?.outcomes ?? {}).includes(shown.outcome);

describe('what the bench knows', () => {
  test('steps have keys of their own, and their cautions, clocks, readings and teardowns exist', () => {
    for (const list of steps) {
      expect(new Set(list.map((step) => step.key)).size).toBe(list.length);
      for (const step of list) {
        if (step.caution) expect(CAUTIONS).toHaveProperty(step.caution);
        if (step.clock) expect(CLOCK_IDS).toContain(step.clock);
        if (step.reading) expect(READING_KINDS).toContain(step.reading);
        if (step.teardown) expect(TEARDOWN_IDS).toContain(step.teardown);
      }
    }
  });

  test('families and set-ups that steps go by exist', () => {
    for (const family of [
      ...Object.keys(READING_OF_FAMILY),
      ...Object.keys(CLOCK_OF_FAMILY),
      ...Object.keys(LIVE_EFFECTS),
    ])
      expect([...families]).toContain(family);
    for (const [setUp, teardown] of Object.entries(TEARDOWN_OF_SET_UP))
      expect([setUp in SET_UPS, TEARDOWN_IDS.some((id) => id === teardown)]).toEqual([true, true]);
  });

  test.each(TEARDOWN_IDS)('%s: things have keys of their own, counted fasteners, cautions that exist', (id) => {
    const { things } = TEARDOWNS[id];
    expect(new Set(things.map((thing) => thing.key)).size).toBe(things.length);
    for (const thing of things as readonly { fasteners?: readonly { count: number }[]; caution?: string }[]) {
      for (const fastener of thing.fasteners ?? []) expect(fastener.count).toBeGreaterThan(0);
      if (thing.caution) expect(CAUTIONS).toHaveProperty(thing.caution);
    }
  });

  test.each(CLOCK_IDS)('the clock %s ends with a result that lets the work go on, and one that does not', (id) => {
    const results = Object.values(CLOCKS[id].results) as (readonly [string, boolean])[];
    expect([
      results.some(([, goesOn]) => goesOn),
      results.some(([, goesOn]) => !goesOn),
      CLOCKS[id].minutes > 0,
    ]).toEqual([true, true, true]);
  });

  test('what a failed proof shows is in the fault-finding vocabulary; each reading has limits, a source and a scale round them', () => {
    for (const id of CLASS_IDS) {
      const { proof: plan, simulation } = folderOf(id);
      for (const reading of plan.readings) {
        const shows = [reading.low, reading.high].flatMap((shown) => (shown ? [shown] : []));
        expect(shows.filter((shown) => !isShown(shown))).toEqual([]);
        expect(reading.least ?? reading.most).toBeDefined();
        expect(reading.source.kind.length).toBeGreaterThan(5);
        expect([
          reading.scale[0] <= (reading.least ?? reading.scale[0]),
          reading.scale[1] >= (reading.most ?? reading.scale[1]),
        ]).toEqual([true, true]);
        if (reading.live && reading.live !== 'rpm') expect(simulation.channels).toHaveProperty(reading.live);
      }
      for (const look of [...plan.looks, ...PROOF_LOOKS.everyRun])
        if (look.fails) expect([look.id, isShown(look.fails)]).toEqual([look.id, true]);
    }
    for (const outcome of Object.keys(CAME_AFTER.minutes))
      expect(isShown({ observation: CAME_AFTER.observation, outcome })).toBe(true);
    expect(isShown(CAME_AND_WENT)).toBe(true);
  });

  test('each kind of reading has its check', () => {
    for (const kind of READING_KINDS) expect(OBSERVATIONS[observationOfReading(kind)].reading).toBe(kind);
  });
});

test('a leak-down that holds less than half of 40 has lost over half: failed (common practice)', () => {
  const banded = bandReading('leak-down', { supply: 40, cylinder: 19, unit: 'psi' }, READING_LIMITS, { engine: {} });
  expect(banded.ok && [banded.value > 50, banded.outcome]).toEqual([true, 'failed']);
});
