import { useEffect, useState } from 'react';
import { serverTime } from '@/api';

/** Time left, as a clock shows it: "1:59:07", "12:30", "ended". */
export function sayLeft(ms: number): string {
  if (ms <= 0) return 'ended';
  const seconds = Math.ceil(ms / 1000);
  const [hours, minutes, rest] = [Math.floor(seconds / 3600), Math.floor((seconds % 3600) / 60), seconds % 60];
  const two = (value: number): string => String(value).padStart(2, '0');
  return hours > 0 ? `${hours}:${two(minutes)}:${two(rest)}` : `${minutes}:${two(rest)}`;
}

/** The server's time as far as it is known, in milliseconds, told anew every so often. */
export function useServerNow(everyMs = 60_000): number {
  const [now, setNow] = useState(() => serverTime().getTime());
  useEffect(() => {
    const timer = setInterval(() => setNow(serverTime().getTime()), everyMs);
    return () => clearInterval(timer);
  }, [everyMs]);
  return now;
}
