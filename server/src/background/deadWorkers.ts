import type pg from 'pg';
import { WORKER_SCHEMA } from './schema';

const AGAIN_MS = 500;

/**
 * A process that is killed leaves its jobs locked for hours. So each holds an advisory lock while it lives, on a connection of its own: the
 * lock ends with the process, and whoever can have it knows that the holder is dead.
 */
export function holdPlace(pool: pg.Pool, workerPoolId: string): () => void {
  let leave: () => void = () => undefined;
  let hasLeft = false;
  const hold = async (): Promise<void> => {
    if (hasLeft) return;
    const client = await pool.connect().catch(() => null);
    // The lock is gone with its connection: it is taken again on another one.
    let isOver = false;
    const lose = (): void => {
      if (isOver) return;
      isOver = true;
      client?.release(true);
      if (!hasLeft) setTimeout(() => void hold(), AGAIN_MS).unref();
    };
    leave = lose;
    if (client === null || hasLeft) return lose();
    client.once('end', lose);
    await client.query('select pg_advisory_lock(hashtext($1))', [workerPoolId]).catch(lose);
  };
  void hold();
  return () => {
    hasLeft = true;
    leave();
  };
}

/** Frees the jobs of processes that are dead. Out: how many processes. */
export async function releaseDead(pool: pg.Pool): Promise<number> {
  const client = await pool.connect();
  try {
    const held = await client.query<{ locked_by: string }>(
      `select distinct locked_by from ${WORKER_SCHEMA}._private_jobs where locked_by is not null`,
    );
    const dead: string[] = [];
    for (const { locked_by: worker } of held.rows) if (await isDead(client, worker)) dead.push(worker);
    if (dead.length > 0) await client.query(`select ${WORKER_SCHEMA}.force_unlock_workers($1::text[])`, [dead]);
    return dead.length;
  } finally {
    client.release();
  }
}

async function isDead(client: pg.PoolClient, worker: string): Promise<boolean> {
  const got = await client.query<{ free: boolean }>('select pg_try_advisory_lock(hashtext($1)) as free', [worker]);
  if (!got.rows[0]?.free) return false;
  await client.query('select pg_advisory_unlock(hashtext($1))', [worker]);
  return true;
}
