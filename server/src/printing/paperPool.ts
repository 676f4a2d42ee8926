import type { PaperMaker } from '../context';
import { workersOf } from '../workersOf';
import type { Sheet } from './sheet';

/** A pool of workers that make paper, so that a long card holds up no request. */
export function paperPool(): PaperMaker & { readonly stop: () => Promise<void> } {
  const pool = workersOf<Sheet, Uint8Array>(new URL('./paper.worker.ts', import.meta.url));
  return {
    make: async (sheet) => Buffer.from(await pool.run(sheet)),
    stop: () => pool.destroy(),
  };
}
