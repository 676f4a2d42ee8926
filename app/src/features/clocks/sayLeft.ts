import { useEffect, useState } from 'react';

/** Time left, as a clock shows it: "1:59:07", "12:30", "ended". */
export function sayLeft(ms: number): string {
  if (ms <= 0) return 'ended';
  const seconds = Math.ceil(ms / 1000);
  const [hours, minutes, rest] = [Math.floor(seconds / 3600), Math.floor((seconds % 3600) / 60), seconds % 60];
  const two = (value: number): string => String(value).padStart(2, '0');
  return hours > 0 ? `${hours}:${two(minutes)}:${two(rest)}` : `${minutes}:${two(rest)}`;
}

/** The device's time, told anew every so often. */
export function useDeviceNow(everyMs: number): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), everyMs);
    return () => clearInterval(timer);
  }, [everyMs]);
  return now;
}
