import type { Response } from 'express';
import type { EventSource } from '../events';

const ALIVE_MS = 25_000;

/** Passes on to a screen what changed, as server-sent events, until it goes away. Screens read anew what is named. */
export function streamEvents(events: EventSource, response: Response): undefined {
  response.set({
    'Content-Type': 'text/event-stream',
    'Cache-Control': 'no-cache, no-transform',
    'X-Accel-Buffering': 'no',
  });
  response.flushHeaders();
  response.write('retry: 3000\n\n');
  const stop = events.listen((change) => response.write(`data: ${JSON.stringify(change)}\n\n`));
  const alive = setInterval(() => response.write(': alive\n\n'), ALIVE_MS);
  response.on('close', () => {
    stop();
    clearInterval(alive);
  });
  return undefined;
}
