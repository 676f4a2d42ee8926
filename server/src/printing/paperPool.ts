import type { PaperMaker } from '../context';
import { loadOf, workersOf, type Workers } from '../workersOf';
import type { Sheet } from './sheet';

/** Letters and fonts take a hundred megabytes while one prints: one prints at a time, and not for long. */
const LIMITS = { maxThreads: 1, idleTimeout: 10_000, resourceLimits: { maxOldGenerationSizeMb: 192 } };

/** A pool of workers that make paper, so that a long card holds up no request. */
export function paperPool(): PaperMaker & Workers {
  const pool = workersOf<Sheet, Uint8Array>(new URL('./paper.worker.ts', import.meta.url), LIMITS);
  return {
    make: async (sheet) => Buffer.from(await pool.run(sheet)),
    load: () => loadOf(pool),
    stop: () => pool.destroy(),
  };
}
