import type { Rated } from '@hudrik/core/catalogue';

/** A bench instrument that streams readings: the one that ships is simulated, a real one fills the same. */
export interface Instruments {
  /** Server-sent events of readings; the caller's signal ends them. */
  open(asked: BenchAsked, signal: AbortSignal): Promise<ReadableStream<Uint8Array> | null>;
}

/** What is on the bench, and how it is loaded: 0 to 1. */
export interface BenchAsked {
  readonly classId: string;
  readonly families: readonly string[];
  /** What it is rated for, where that is known. */
  readonly rated?: Rated;
  readonly load: number;
}

export function httpInstruments(url: string): Instruments {
  return {
    open: async ({ classId, families, rated = {}, load }, signal) => {
      try {
        const query = new URLSearchParams({
          class: classId,
          families: families.join(),
          rated: JSON.stringify(rated),
          load: String(load),
        });
        const answer = await fetch(`${url}/stream?${query}`, { signal });
        return answer.ok ? answer.body : null;
      } catch {
        return null;
      }
    },
  };
}
