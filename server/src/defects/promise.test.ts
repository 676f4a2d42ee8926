import assert from 'node:assert/strict';
import { describe, test } from 'node:test';
import { CLASS_IDS, type ClassId } from '@hudrik/core/catalogue';
import fc from 'fast-check';
import { anyDeed } from '../testing/promise/commands';
import type { Deed } from '../testing/promise/deed';
import { honestWay } from '../testing/promise/honestWay';
import { Watch } from '../testing/promise/promises';
import { Phone } from '../testing/promise/phone';
import { World } from '../testing/promise/world';
import { useYard } from '../testing/yard';

const RUNS = Number(process.env['HUDRIK_PROMISE'] ?? 20);
const HOUR_MS = 3_600_000;
/** A clock up to two days off, measured or not. */
const phone = fc
  .record({ hours: fc.integer({ min: -48, max: 48 }), isMeasured: fc.boolean() })
  .map(({ hours, isMeasured }) => ({ errorMs: hours * HOUR_MS, isMeasured }));
type Off = { readonly errorMs: number; readonly isMeasured: boolean };
const STEPS = Number(process.env['HUDRIK_PROMISE_STEPS'] ?? 6);

/** The promise of the product, held against people who do whatever they like in any order. */
describe('fit means fit', () => {
  const yard = useYard();
  let units = 0;
  const reached = { fitAfterVisit: 0, outAgain: 0, runs: 0 };

  const letters: Readonly<Record<ClassId, string>> = {
    'pressure-washer': 'PW',
    generator: 'GE',
    tiller: 'TI',
    snowblower: 'SN',
    'log-splitter': 'LS',
    welder: 'WE',
  };

  async function live(classId: ClassId, off: readonly Off[], deeds: readonly Deed[]): Promise<void> {
    const phones = off.map(({ errorMs, isMeasured }) => new Phone(errorMs, isMeasured));
    const world = new World(yard, `${letters[classId]}-${1000 + units++}`, classId, phones);
    await world.begin();
    const watch = new Watch();
    const story: string[] = [];
    try {
      for (const { name, run } of deeds) {
        story.push(name);
        // No two things happen at one moment.
        world.later(1 / 3600);
        await run(world);
        await watch.look(world);
      }
      if (watch.reached.fitAfterVisit) reached.fitAfterVisit++;
      if (watch.reached.outAgain) reached.outAgain++;
      const end = await honestWay(world);
      await watch.look(world);
      assert.ok(end === 'fit' || end === 'gone', `no honest way leads on: ${end}`);
    } catch (error) {
      const why = error instanceof Error ? error.message : String(error);
      throw new Error(`${why}\n${classId}: ${story.join(' → ')}`, { cause: error });
    }
    reached.runs++;
  }

  test(`never fit or out with what can hurt open, no defect vanishes, and an honest way leads on (${RUNS} runs of ${STEPS})`, async () => {
    const seed = Number(process.env['HUDRIK_PROMISE_SEED'] ?? 20300304);
    const result = await fc.check(
      fc.asyncProperty(
        fc.constantFrom(...CLASS_IDS),
        fc.tuple(phone, phone),
        fc.array(anyDeed, { minLength: STEPS, maxLength: STEPS }),
        live,
      ),
      { numRuns: RUNS, seed, endOnFailure: true },
    );
    if (result.failed) throw result.errorInstance;
    const share = (count: number): number => Math.round((100 * count) / reached.runs);
    console.log(
      `${reached.runs} runs: ${share(reached.fitAfterVisit)} % reached fit after a visit, ${share(reached.outAgain)} % went out again`,
    );
    if (STEPS >= 40) {
      assert.ok(share(reached.fitAfterVisit) >= 30, 'too few runs reached fit after a visit');
      assert.ok(share(reached.outAgain) >= 10, 'too few runs went out again');
    }
  });
});
