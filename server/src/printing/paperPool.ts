import { Piscina } from 'piscina';
import type { PaperMaker } from '../context';
import type { Sheet } from './sheet';

/** A pool of workers that make paper, so that a long card holds up no request. */
export function paperPool(): PaperMaker & { readonly stop: () => Promise<void> } {
  const pool = new Piscina<Sheet, Uint8Array>({
    filename: new URL('./paper.worker.ts', import.meta.url).href,
    execArgv: ['--import', 'tsx'],
    minThreads: 0,
    maxThreads: 2,
    idleTimeout: 30_000,
  });
  return {
    make: async (sheet) => Buffer.from(await pool.run(sheet)),
    stop: () => pool.destroy(),
  };
}
