import { useQueryClient } from '@tanstack/react-query';
import throttle from 'lodash.throttle';
import { useEffect, useMemo } from 'react';
import { outbox } from '@/outbox';

/** Several changes within so long are read at once for the first and once for all the others: hundreds may be sent one after the other. */
const TOGETHER_MS = 1000;

/**
 * Hears from the server what changed, and from the outbox what was sent, and has what is on the screen read anew. The server is heard only while the page is seen: a browser keeps few connections
 * open to one server, and pages in the background must not take them.
 */
export function useChanges(isSignedIn: boolean): void {
  const client = useQueryClient();
  const readAnew = useMemo(() => throttle(() => void client.invalidateQueries(), TOGETHER_MS), [client]);
  useEffect(() => () => readAnew.cancel(), [readAnew]);
  useEffect(() => outbox().whenSettled(readAnew), [readAnew]);
  useEffect(() => {
    if (!isSignedIn || typeof EventSource === 'undefined') return;
    let source: EventSource | null = null;
    const listen = () => {
      source?.close();
      source = null;
      if (document.visibilityState !== 'visible') return;
      source = new EventSource('/api/events');
      source.onmessage = readAnew;
    };
    listen();
    document.addEventListener('visibilitychange', listen);
    return () => {
      document.removeEventListener('visibilitychange', listen);
      source?.close();
    };
  }, [readAnew, isSignedIn]);
}
