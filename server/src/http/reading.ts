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
    const db = method === 'get' ? (await reads.inTurn(null)).find((one) => one !== context.db) : undefined;
    if (db === undefined) throw error;
    const { device, person } = await whoAsks({ ...context, db }, key, token);
    return { device, person, unseen: { deviceId: null, sessionId: null } };
  });
  await noteSeen(context, asker.unseen);
  return asker;
}

/** Reads where it can be read, in turn. What one cannot answer, for whatever reason, the next is asked. */
export async function readWhere(
  { context, reads }: Serving,
  { id, response }: { readonly id: OperationId; readonly response: Response },
  handle: (context: Context) => Promise<unknown>,
): Promise<unknown> {
  const written: unknown = response.locals['written'];
  if (AT_PRIMARY.has(id)) return handle(context);
  const [first, ...others] = await reads.inTurn(typeof written === 'string' ? written : null);
  let asking = handle({ ...context, db: first });
  for (const [n, db] of others.entries())
    asking = asking.catch((error: unknown) => {
      if (error instanceof Refusal || response.headersSent) throw error;
      reads.failed([first, ...others][n] ?? first);
      return handle({ ...context, db });
    });
  return asking;
}
