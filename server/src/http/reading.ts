import type { Operation, OperationId } from '@hudrik/core/contracts';
import type { Response } from 'express';
import type { Context } from '../context';
import type { Reads } from '../database/reads';
import { NOBODY, noteSeen, whoAsks, type Asker, type Waiting } from '../people/whoAsks';
import { Refusal } from '../refusal';

export interface Serving {
  readonly context: Context;
  readonly reads: Reads;
  readonly together: (key: string, read: () => Promise<unknown>) => Promise<unknown>;
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

/** What many read at once, and is the same for all of them, whoever asks. */
export const OF_ALL: ReadonlySet<OperationId> = new Set<OperationId>([
  'hireCalendar',
  'hires',
  'history',
  'jobs',
  'shift',
  'unit',
  'units',
]);

/** What a request shows of who asks. */
interface Shown {
  readonly key: string;
  readonly token: string | null;
  readonly waiting: Waiting | null;
}

/** Which device asks, and who on it. What only reads is let in by a copy of the records when the primary is away. */
export async function askerOf(
  { context, reads }: Serving,
  { method }: Operation,
  { key, token, waiting }: Shown,
): Promise<Asker> {
  const asker = await whoAsks(context, key, token, waiting).catch(async (error: unknown) => {
    const db = method === 'get' ? (await reads.inTurn(null)).find((one) => one !== context.db) : undefined;
    if (db === undefined) throw error;
    const { device, person } = await whoAsks({ ...context, db }, key, token);
    return { device, person, unseen: NOBODY.unseen };
  });
  await noteSeen(context, asker.unseen);
  return asker;
}

interface Reading {
  readonly id: OperationId;
  readonly response: Response;
}

/** Reads, once for all who ask for the same at once. */
export function readOnce(serving: Serving, { id, response }: Reading, handle: (context: Context) => Promise<unknown>) {
  if (!OF_ALL.has(id)) return readWhere(serving, { id, response }, handle);
  const written: unknown = response.locals['written'];
  const key = `${response.req.originalUrl} ${typeof written === 'string' ? written : ''}`;
  return serving.together(key, () => readWhere(serving, { id, response }, handle));
}

/** Reads where it can be read, in turn. What one cannot answer, for whatever reason, the next is asked. */
async function readWhere(
  { context, reads }: Serving,
  { id, response }: Reading,
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
