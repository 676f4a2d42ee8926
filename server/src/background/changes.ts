import type { Change } from '@hudrik/core/contracts';
import pg from 'pg';
import type { Logger } from 'pino';
import type { EventSource } from '../events';
import { CHANNEL } from './notify';

const AGAIN_MS = 1000;
const LONGEST_MS = 30_000;

/** Hears on one connection of its own what any server process changed, and tells whoever listens. A connection that breaks is made anew. */
export function listenForChanges(url: string, log: Logger): EventSource & { readonly stop: () => Promise<void> } {
  const hearers = new Set<(change: Change) => void>();
  let client: pg.Client | undefined;
  let timer: NodeJS.Timeout | undefined;
  let tries = 0;
  let stopped = false;

  const again = (): void => {
    if (stopped || timer) return;
    const pause = Math.min(AGAIN_MS * 2 ** tries++, LONGEST_MS);
    timer = setTimeout(() => {
      timer = undefined;
      void connect();
    }, pause);
  };
  const connect = async (): Promise<void> => {
    const fresh = new pg.Client({ connectionString: url });
    client = fresh;
    fresh.on('error', (error) => log.warn({ err: error }, 'the connection for changes broke'));
    fresh.on('end', again);
    fresh.on('notification', ({ payload }) => {
      const change: Change = JSON.parse(payload ?? '{}');
      for (const hear of hearers) hear(change);
    });
    try {
      await fresh.connect();
      await fresh.query(`listen ${CHANNEL}`);
      tries = 0;
    } catch (error) {
      log.warn({ err: error }, 'changes cannot be heard just now');
      await fresh.end().catch(() => undefined);
      again();
    }
  };
  void connect();
  return {
    listen: (hear) => {
      hearers.add(hear);
      return () => hearers.delete(hear);
    },
    stop: async () => {
      stopped = true;
      clearTimeout(timer);
      await client?.end().catch(() => undefined);
    },
  };
}
