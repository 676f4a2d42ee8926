import { useEffect, useState } from 'react';

export type LiveReading = Readonly<Record<string, number>>;

const KEPT = 60;

export interface Live {
  readonly latest: LiveReading | null;
  readonly trail: readonly LiveReading[];
  readonly away: boolean;
}

const NOTHING: Live = { latest: null, trail: [], away: false };

/** Readings of the bench's instruments while somebody looks; the stream is asked again by itself when it breaks. */
export function useLive(jobId: string, load: number | null): Live {
  const [live, setLive] = useState<Live>(NOTHING);
  useEffect(() => {
    if (load === null || typeof EventSource === 'undefined') return;
    const source = new EventSource(`/api/jobs/${jobId}/live?load=${load}`);
    source.onmessage = ({ data }: MessageEvent<string>) => {
      const latest: LiveReading = JSON.parse(data);
      setLive((before) => ({ latest, trail: [...before.trail.slice(1 - KEPT), latest], away: false }));
    };
    source.onerror = () => setLive((before) => ({ ...before, latest: null, away: true }));
    return () => {
      source.close();
      setLive(NOTHING);
    };
  }, [jobId, load]);
  return live;
}
