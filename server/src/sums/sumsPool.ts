import { Piscina } from 'piscina';
import type { Sums } from '../context';
import type { Reckoned, SumAsked } from './sums';

/** A pool of workers for sums that would hold up every other request. */
export function sumsPool(): Sums & { readonly stop: () => Promise<void> } {
  const pool = new Piscina<SumAsked, unknown>({
    filename: new URL('./sums.worker.ts', import.meta.url).href,
    execArgv: ['--import', 'tsx'],
    minThreads: 0,
    maxThreads: 2,
    idleTimeout: 60_000,
  });
  return {
    reckon: async (of) => (await pool.run({ sum: 'reckon', of })) as Reckoned,
    minutesToFind: async (of) => (await pool.run({ sum: 'minutesToFind', of })) as number,
    stop: () => pool.destroy(),
  };
}
