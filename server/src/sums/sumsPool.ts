import type { Sums } from '../context';
import { loadOf, workersOf, type Workers } from '../workersOf';
import type { Planned, Reckoned, SumAsked } from './sums';

/** A pool of workers for sums that would hold up every other request. */
export function sumsPool(): Sums & Workers {
  const pool = workersOf<SumAsked, unknown>(new URL('./sums.worker.ts', import.meta.url));
  return {
    reckon: async (of) => (await pool.run({ sum: 'reckon', of })) as Reckoned,
    minutesToFind: async (of) => (await pool.run({ sum: 'minutesToFind', of })) as number,
    suspects: async (of) => (await pool.run({ sum: 'suspects', of })) as Record<string, number>,
    planBench: async (asked, effort, watch) =>
      (await pool.run({ sum: 'planBench', of: { asked, effort, watch: watch?.buffer } })) as Planned,
    load: () => loadOf(pool),
    stop: () => pool.destroy(),
  };
}
