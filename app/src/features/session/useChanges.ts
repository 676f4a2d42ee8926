import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';

/** Several changes of one moment are read once. */
const TOGETHER_MS = 300;

/**
 * Hears from the server what changed, and has what is on the screen read anew. Only while the page is seen: a browser keeps few connections
 * open to one server, and pages in the background must not take them.
 */
export function useChanges(isSignedIn: boolean): void {
  const client = useQueryClient();
  useEffect(() => {
    if (!isSignedIn || typeof EventSource === 'undefined') return;
    let source: EventSource | null = null;
    let soon: ReturnType<typeof setTimeout> | null = null;
    const readAnew = () => {
      soon ??= setTimeout(() => {
        soon = null;
        void client.invalidateQueries();
      }, TOGETHER_MS);
    };
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
      if (soon) clearTimeout(soon);
    };
  }, [client, isSignedIn]);
}
