import type { Change } from '@hudrik/core/contracts';
import type pg from 'pg';
import type { Logger } from 'pino';
import { always, clientOf, type Primary } from '../database/primary';
import type { EventSource } from '../events';
import { CHANNEL } from './notify';

const AGAIN_MS = 1000;
const LONGEST_MS = 5000;

/** Hears on one connection of its own what any server process changed, and tells whoever listens. A connection that breaks is made anew. */
export function listenForChanges(
  at: string | Primary,
  log: Logger,
  /** Done before anybody is told, so that whoever reads what changed finds it. */
  before: () => Promise<unknown> = async () => undefined,
): EventSource & { readonly stop: () => Promise<void> } {
  const Client = clientOf(typeof at === 'string' ? always(at) : at);
  const hearers = new Set<(change: Change) => void>();
  let client: pg.Client | undefined;
  let timer: NodeJS.Timeout | undefined;
  let tries = 0;
  let stopped = false;

  const tell = async (change: Change): Promise<void> => {
    await before().catch((error: unknown) => log.warn({ err: error }, 'a change is told before it can be read'));
    for (const hear of hearers) hear(change);
  };
  const again = (): void => {
    if (stopped || timer) return;
    const pause = Math.min(AGAIN_MS * 2 ** tries++, LONGEST_MS);
    timer = setTimeout(() => {
      timer = undefined;
      void connect();
    }, pause);
  };
  const connect = async (): Promise<void> => {
    const fresh = new Client();
    client = fresh;
    fresh.on('error', (error) => log.warn({ err: error }, 'the connection for changes broke'));
    fresh.on('end', again);
    fresh.on('notification', ({ payload }) => void tell(JSON.parse(payload ?? '{}')));
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
