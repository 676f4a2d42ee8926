import { useEffect, useState } from 'react';
import { factsIn } from '@/api';

const TICK_MS = 500;

interface Asked {
  readonly error: unknown;
  /** When it was asked, by this device's clock. */
  readonly submittedAt: number;
}

/** Seconds that are left to wait after a wrong PIN, as the server said with it; 0: none. */
export function useWait({ error, submittedAt }: Asked): number {
  const seconds = (factsIn(error, 'too-many') ?? factsIn(error, 'wrong-pin'))?.seconds ?? 0;
  const [now, setNow] = useState(0);
  useEffect(() => {
    if (seconds === 0) return;
    const timer = setInterval(() => setNow(Date.now()), TICK_MS);
    return () => clearInterval(timer);
  }, [seconds, submittedAt]);
  const left = Math.ceil(seconds - Math.max(now - submittedAt, 0) / 1000);
  return Math.max(left, 0);
}
