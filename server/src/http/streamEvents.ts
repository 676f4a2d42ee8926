import type { Response } from 'express';
import type { EventSource } from '../events';

const ALIVE_MS = 25_000;

export interface Streaming {
  readonly events: EventSource;
  /** Whether whoever asked is still signed in here, as who they were. */
  readonly isStillIn: () => Promise<boolean>;
  readonly aliveMs?: number;
}

/** Ends what streams to a screen as soon as its session, its device or its person's role has. Out: how to stop looking. */
export function endWithSession(response: Response, { events, isStillIn, aliveMs = ALIVE_MS }: Streaming): () => void {
  // Records that are away end no stream: it is looked again.
  const look = () =>
    void isStillIn().then(
      (still) => still || response.end(),
      () => undefined,
    );
  const stop = events.listen((change) => {
    if (change.what === 'sessions' || change.what === 'devices') look();
  });
  const alive = setInterval(look, aliveMs);
  const done = (): void => {
    stop();
    clearInterval(alive);
  };
  response.on('close', done);
  return done;
}

/** Passes on to a screen what changed, as server-sent events, until it goes away or its session is over. Screens read anew what is named. */
export function streamEvents(response: Response, streaming: Streaming): undefined {
  response.set({
    'Content-Type': 'text/event-stream',
    'Cache-Control': 'no-cache, no-transform',
    'X-Accel-Buffering': 'no',
  });
  response.flushHeaders();
  response.write('retry: 3000\n\n');
  endWithSession(response, streaming);
  const stop = streaming.events.listen((change) => {
    if (change.what !== 'sessions') response.write(`data: ${JSON.stringify(change)}\n\n`);
  });
  const alive = setInterval(() => response.write(': alive\n\n'), streaming.aliveMs ?? ALIVE_MS);
  response.on('close', () => {
    stop();
    clearInterval(alive);
  });
  return undefined;
}
