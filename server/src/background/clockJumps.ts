import type pg from 'pg';

/** A clock that differs by less was set right, not put on or back: what lies further ahead was written by one that ran ahead. */
export const JUMP_SECONDS = 60;

/**
 * Tells by how many seconds the machine's clock was put on or back since it was asked last, by a clock that nobody can set. That one stands while
 * the machine sleeps: a sleep looks like a clock put on.
 */
export function jumpMeter(
  wallMs: () => number = Date.now,
  steadyMs: () => number = () => performance.now(),
): () => number {
  let [wall, steady] = [wallMs(), steadyMs()];
  return () => {
    const [nextWall, nextSteady] = [wallMs(), steadyMs()];
    const seconds = (nextWall - wall - (nextSteady - steady)) / 1000;
    [wall, steady] = [nextWall, nextSteady];
    return Math.abs(seconds) > JUMP_SECONDS ? Math.round(seconds) : 0;
  };
}

/** What was asked for of the background at a time that has not come yet, in seconds ahead: the clock ran ahead then. 0: nothing. */
export async function secondsAhead(pool: pg.Pool): Promise<number> {
  const { rows } = await pool.query<{ ahead: number | null }>(
    'select extract(epoch from max(asked_at) - now())::float8 as ahead from background_task',
  );
  const ahead = rows[0]?.ahead ?? 0;
  return ahead > JUMP_SECONDS ? Math.round(ahead) : 0;
}

/** Keeps that the clock was put on or back; of several processes that find it the first. */
export async function keepJump(pool: pg.Pool, seconds: number): Promise<void> {
  await pool.query(
    `insert into clock_jump (found_at, seconds) select now(), $1
      where not exists (select 1 from clock_jump
        where found_at between now() - interval '2 minutes' and now() and sign(seconds) = sign($1::float8))`,
    [seconds],
  );
}
