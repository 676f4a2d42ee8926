import { createContext, useContext, useEffect, useId, useRef } from 'react';

/** Told by the lines of a sheet whether something stands in them that was not there when it opened. */
export type Written = (line: string, isWritten: boolean) => void;

export const WrittenContext = createContext<Written | null>(null);

/** A line that says so of itself. */
export function useWritten(value: string): void {
  const written = useContext(WrittenContext);
  const line = useId();
  const first = useRef(value);
  useEffect(() => {
    written?.(line, value !== first.current);
    return () => written?.(line, false);
  }, [written, line, value]);
}
