/** A bench instrument that streams readings: the one that ships is simulated, a real one fills the same. */
export interface Instruments {
  /** Server-sent events of readings; the caller's signal ends them. */
  open(
    asked: { readonly classId: string; readonly families: readonly string[]; readonly load: number },
    signal: AbortSignal,
  ): Promise<ReadableStream<Uint8Array> | null>;
}

export function httpInstruments(url: string): Instruments {
  return {
    open: async ({ classId, families, load }, signal) => {
      try {
        const answer = await fetch(
          `${url}/stream?class=${encodeURIComponent(classId)}&families=${encodeURIComponent(families.join())}&load=${load}`,
          { signal },
        );
        return answer.ok ? answer.body : null;
      } catch {
        return null;
      }
    },
  };
}
