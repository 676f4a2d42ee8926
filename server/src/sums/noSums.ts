import type { Sums } from '../context';

const none = (): Promise<never> => Promise.reject(new Error('No sums are made here'));
/** For programs that write and never reckon. */
export const NO_SUMS: Sums = { reckon: none, minutesToFind: none, planBench: none, suspects: none };
