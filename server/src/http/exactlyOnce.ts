import { createHash } from 'node:crypto';
import type { Operation, Person } from '@hudrik/core/contracts';
import type { Request } from 'express';
import type { Context } from '../context';
import { inTransaction } from '../database/inTransaction';
import type { Trx } from '../database/tables';
import { Refusal, refuse } from '../refusal';

interface Asking {
  readonly context: Context;
  readonly operation: Operation;
  readonly person: Person | null;
  readonly request: Request;
}

interface Answer {
  readonly status: number;
  readonly body: unknown;
}

const KEY = /^[\w.:-]{8,100}$/;

/**
 * Carries a change out once, however often it is asked for. The request is one transaction: its idempotency key is claimed in it first and
 * answered in it last. A twin that arrives meanwhile waits for the claim and gets the same answer; when the change fails, the claim is gone
 * with it and the twin does the work. So a lost answer, and a server killed between commit and answer, double nothing.
 */
export function exactlyOnce(asking: Asking, handle: (context: Context) => Promise<unknown>): Promise<Answer> {
  const { context, operation, person, request } = asking;
  const key = request.get('Idempotency-Key') ?? null;
  if (key !== null && !KEY.test(key)) return refuse('bad-key', { key: key.slice(0, 120) });
  return inTransaction(context.db, async (trx) => {
    const fingerprint = fingerprintOf(request);
    const claimed = key !== null && person !== null ? { key, personId: person.id, fingerprint } : null;
    const kept = claimed && (await claim(trx, claimed));
    if (kept) return kept;
    const answer = { status: operation.status ?? 200, body: await handle({ ...context, db: trx }) };
    // What was refused with its effect kept, as a wrong PIN, is no answer to give again: asked once more it is tried once more.
    // Neither is a secret kept: asked once more it is made anew.
    if (claimed && (answer.body instanceof Refusal || operation.isSecret === true)) await giveUp(trx, claimed.key);
    else if (claimed) await keep(trx, claimed.key, answer);
    return answer;
  });
}

/** The same key must mean the same request: method, path, query and body. */
function fingerprintOf(request: Request): Buffer {
  const body: unknown = request.body;
  const content = Buffer.isBuffer(body) ? body : JSON.stringify(body ?? null);
  return createHash('sha256').update(`${request.method} ${request.originalUrl}\n`).update(content).digest();
}

interface Claim {
  readonly key: string;
  readonly personId: number;
  readonly fingerprint: Buffer;
}

/** Claims a key. Waits while another transaction holds it. Out: the answer given under it, or null when it is now ours. */
async function claim(trx: Trx, { key, personId, fingerprint }: Claim): Promise<Answer | null> {
  const fresh = await trx
    .insertInto('idempotency')
    .values({ key, person_id: personId, fingerprint, status: null })
    .onConflict((conflict) => conflict.column('key').doNothing())
    .returning('key')
    .executeTakeFirst();
  if (fresh) return null;
  const kept = await trx.selectFrom('idempotency').selectAll().where('key', '=', key).executeTakeFirstOrThrow();
  if (kept.person_id !== personId || !kept.fingerprint.equals(fingerprint)) return refuse('key-reused', { key });
  return { status: kept.status ?? 200, body: kept.body };
}

const giveUp = (trx: Trx, key: string) => trx.deleteFrom('idempotency').where('key', '=', key).execute();

async function keep(trx: Trx, key: string, { status, body }: Answer): Promise<void> {
  await trx
    .updateTable('idempotency')
    .set({ status, body: JSON.stringify(body ?? null) })
    .where('key', '=', key)
    .execute();
}
