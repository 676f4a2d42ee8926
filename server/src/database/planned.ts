import type { PostgresPool, PostgresPoolClient } from 'kysely';
import type pg from 'pg';

/** Asked so often, a statement is worth keeping its plan: making it takes several times as long as following it. */
const OFTEN = 20;
/** Each plan takes room on each connection. */
const MOST_KEPT = 150;
/** Lists make statements of every length: what was asked once or twice is not counted for ever. */
const MOST_COUNTED = 2000;

/** Which statements each connection plans once, and keeps by a name. */
export class Plans {
  readonly #asked = new Map<string, number>();
  readonly #names = new Map<string, string>();
  #made = 0;

  /** Null: it is planned as it comes. */
  nameOf(text: string): string | null {
    const known = this.#names.get(text);
    if (known !== undefined) return known;
    if (!text.startsWith('select') || this.#names.size >= MOST_KEPT) return null;
    const times = (this.#asked.get(text) ?? 0) + 1;
    if (times < OFTEN) {
      if (this.#asked.size >= MOST_COUNTED) this.#asked.clear();
      this.#asked.set(text, times);
      return null;
    }
    this.#asked.delete(text);
    const name = `hudrik_${++this.#made}`;
    this.#names.set(text, name);
    return name;
  }

  /** The tables are not as they were when it was planned: all are planned anew, by other names. */
  forget(): void {
    this.#names.clear();
  }
}

/** What PostgreSQL says of a kept plan when a table it reads has other columns now. */
const isOutdated = (error: unknown): boolean =>
  error instanceof Error && (error as pg.DatabaseError).code === '0A000' && error.message.startsWith('cached plan');

/** A pool whose connections keep the plans of what they are asked often. */
export function keepingPlans(pool: pg.Pool, plans: Plans = new Plans()): PostgresPool {
  const wrapped = new WeakMap<pg.PoolClient, PostgresPoolClient>();
  const wrap = (client: pg.PoolClient): PostgresPoolClient => {
    const query = async (text: unknown, values?: readonly unknown[]): Promise<unknown> => {
      const name = typeof text === 'string' && values !== undefined ? plans.nameOf(text) : null;
      if (name === null) return client.query(text as string, values as unknown[]);
      try {
        return await client.query({ name, text: text as string, values: values as unknown[] });
      } catch (error) {
        if (isOutdated(error)) plans.forget();
        throw error;
      }
    };
    return { query: query as PostgresPoolClient['query'], release: () => client.release() };
  };
  return {
    connect: async () => {
      const client = await pool.connect();
      const known = wrapped.get(client) ?? wrap(client);
      wrapped.set(client, known);
      return known;
    },
    end: () => pool.end(),
  };
}
