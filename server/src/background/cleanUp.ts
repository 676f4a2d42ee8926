import type { Context } from '../context';

/** A device may have been away so long and still send again under its key. */
const KEYS_KEPT_MS = 60 * 86_400_000;

/** Sessions that are over, and idempotency keys that nobody will send again. */
export async function cleanUp({ db, now }: Pick<Context, 'db' | 'now'>): Promise<void> {
  await db.deleteFrom('session').where('expires_at', '<', now()).execute();
  await db
    .deleteFrom('idempotency')
    .where('at', '<', new Date(now().getTime() - KEYS_KEPT_MS))
    .execute();
}
