import type { Response } from 'express';
import { unitOnBench } from '../cards/live';
import type { Context } from '../context';
import { refuse } from '../refusal';
import { endWithSession, type Streaming } from './streamEvents';

/** Passes the bench's readings on to a screen until it goes away. */
export async function streamLive(
  context: Context,
  { jobId, load }: { readonly jobId: string; readonly load: number },
  response: Response,
  streaming: Streaming,
): Promise<void> {
  const gone = new AbortController();
  response.on('close', () => gone.abort());
  const stream = await context.instruments.open({ ...(await unitOnBench(context, jobId)), load }, gone.signal);
  if (stream === null) return refuse('instruments-away');
  response.set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-cache, no-transform' });
  response.flushHeaders();
  endWithSession(response, streaming);
  try {
    for await (const chunk of stream) response.write(chunk);
  } catch {
    // The screen went away, or the bench was switched off: the screen asks again by itself.
  }
  response.end();
}
