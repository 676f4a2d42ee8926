import seedrandom from 'seedrandom';
import { nth } from '@hudrik/core/typed';

/** Seeded chance: the same seed gives the same yard. */
export interface Chance {
  /** 0 up to 1. */
  next(): number;
  between(low: number, high: number): number;
  whole(low: number, high: number): number;
  pick<T>(from: readonly T[]): T;
  uuid(): string;
}

export function chanceOf(seed: string): Chance {
  const random = seedrandom(seed);
  const hex = (digits: number): string =>
    Array.from({ length: digits }, () => Math.floor(random() * 16).toString(16)).join('');
  return {
    next: random,
    between: (low, high) => low + random() * (high - low),
    whole: (low, high) => low + Math.floor(random() * (high - low + 1)),
    pick: (from) => nth(from, Math.floor(random() * from.length)),
    uuid: () => `${hex(8)}-${hex(4)}-4${hex(3)}-a${hex(3)}-${hex(12)}`,
  };
}
