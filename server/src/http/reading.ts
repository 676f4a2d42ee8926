import type { Operation, OperationId } from '@hudrik/core/contracts';
import type { Response } from 'express';
import type { Context } from '../context';
import type { Reads } from '../database/reads';
import { noteSeen, whoAsks, type Asker } from '../people/whoAsks';
import { Refusal } from '../refusal';

export interface Serving {
  readonly context: Context;
  readonly reads: Reads;
}

/** Asked of the primary always: they make what is not there yet, or tell of the primary itself. */
const AT_PRIMARY: ReadonlySet<OperationId> = new Set<OperationId>([
  'access',
  'bench',
  'benchSearch',
  'calendarAddress',
  'events',
  'health',
  'live',
  'signInOptions',
  'status',
]);

/** Which device asks, and who on it. What only reads is let in by a copy of the records when the primary is away. */
export async function askerOf(
  { context, reads }: Serving,
  { method }: Operation,
  key: string,
  token: string | null,
): Promise<Asker> {
  const asker = await whoAsks(context, key, token).catch(async (error: unknown) => {
    const db = method === 'get' ? await reads.at(null) : context.db;
    if (db === context.db) throw error;
    const { device, person } = await whoAsks({ ...context, db }, key, token);
    return { device, person, unseen: { deviceId: null, sessionId: null } };
  });
  await noteSeen(context, asker.unseen);
  return asker;
}

/**
 * Reads where it can be read: from a copy that has what this device wrote, or from the primary. What a copy cannot answer, for whatever reason,
 * the primary is asked.
 */
export async function readWhere(
  { context, reads }: Serving,
  { id, response }: { readonly id: OperationId; readonly response: Response },
  handle: (context: Context) => Promise<unknown>,
): Promise<unknown> {
  const written: unknown = response.locals['written'];
  const db = AT_PRIMARY.has(id) ? context.db : await reads.at(typeof written === 'string' ? written : null);
  if (db === context.db) return handle(context);
  try {
    return await handle({ ...context, db });
  } catch (error) {
    if (error instanceof Refusal || response.headersSent) throw error;
    reads.failed(db);
    return handle(context);
  }
}
