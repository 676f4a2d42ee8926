import type { Response } from 'express';
import type { EventSource } from '../events';

const ALIVE_MS = 25_000;

/**
 * Passes on to a screen what changed, as server-sent events, until it goes away or its session is over. Screens read anew what is named.
 */
export function streamEvents(
  events: EventSource,
  response: Response,
  isStillIn: () => Promise<boolean>,
  aliveMs = ALIVE_MS,
): undefined {
  response.set({
    'Content-Type': 'text/event-stream',
    'Cache-Control': 'no-cache, no-transform',
    'X-Accel-Buffering': 'no',
  });
  response.flushHeaders();
  response.write('retry: 3000\n\n');
  // Records that are away end no stream: it is looked again.
  const look = () =>
    void isStillIn().then(
      (still) => still || response.end(),
      () => undefined,
    );
  const stop = events.listen((change) => {
    if (change.what === 'sessions') look();
    else response.write(`data: ${JSON.stringify(change)}\n\n`);
  });
  const alive = setInterval(() => {
    response.write(': alive\n\n');
    look();
  }, aliveMs);
  response.on('close', () => {
    stop();
    clearInterval(alive);
  });
  return undefined;
}
