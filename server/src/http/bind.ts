import { createHash } from 'node:crypto';
import { OPERATIONS, type Operation, type OperationId, type Person } from '@hudrik/core/contracts';
import express, { type Express, type Request, type RequestHandler, type Response } from 'express';
import type { InferType, Schema } from 'yup';
import type { Context } from '../context';
import { personOfToken } from '../people/sessions';
import { refuse } from '../refusal';

export const COOKIE = 'hudrik_session';

interface Call<O extends Operation> {
  readonly actor: O['who'] extends 'public' ? Person | null : Person;
  readonly params: Readonly<Record<string, string>>;
  readonly query: O['query'] extends Schema ? InferType<O['query']> : Record<string, never>;
  readonly body: O['body'] extends Schema ? InferType<O['body']> : Buffer;
  /** The version the caller saw, from If-Match; null when none was sent. */
  readonly seenVersion: number | null;
  readonly token: string | null;
  readonly response: Response;
}

type Answer<O extends Operation> = O['reply'] extends Schema ? InferType<O['reply']> | undefined : unknown;
export type Handlers = {
  readonly [Id in OperationId]: (call: Call<(typeof OPERATIONS)[Id]>) => Promise<Answer<(typeof OPERATIONS)[Id]>>;
};

const LARGEST_JSON = '1mb';
const LARGEST_RAW = '3mb';

/** Binds every operation of the contract to its handler: who may, what comes in, what goes out. */
export function bindOperations(
  app: Express,
  context: Context,
  handlers: Handlers,
  limits: Partial<Record<OperationId, RequestHandler>>,
): void {
  for (const id of Object.keys(OPERATIONS) as OperationId[]) {
    const operation: Operation = OPERATIONS[id];
    const route = operation.path.replaceAll(/\{(\w+)\}/g, ':$1');
    const limit = limits[id];
    app[operation.method](
      route,
      ...(limit ? [limit] : []),
      admit(context, operation),
      bodyOf(operation),
      (request, response) => run(context, id, operation, handlers[id] as never, request, response),
    );
  }
}

/** Who asks is settled before the body is read: a stranger's upload is not even taken in. */
function admit(context: Context, operation: Operation): RequestHandler {
  return async (request, response, next) => {
    const token = tokenOf(request);
    const person = token ? await personOfToken(context, token) : null;
    if (operation.who !== 'public') {
      if (person === null) return refuse('not-signed-in');
      if (!operation.who.includes(person.role))
        return refuse('not-your-role', { role: person.role, wants: operation.who });
    }
    response.locals['person'] = person;
    response.locals['token'] = token;
    next();
  };
}

function tokenOf(request: Request): string | null {
  const pair = (request.headers.cookie ?? '').split(/;\s*/).find((entry) => entry.startsWith(`${COOKIE}=`));
  return pair ? decodeURIComponent(pair.slice(COOKIE.length + 1)) : null;
}

function bodyOf(operation: Operation): RequestHandler {
  if (operation.raw) return express.raw({ type: () => true, limit: LARGEST_RAW });
  if (operation.body) return express.json({ limit: LARGEST_JSON, type: () => true });
  return (_request, _response, next) => next();
}

async function run(
  context: Context,
  id: OperationId,
  operation: Operation,
  handle: (call: unknown) => Promise<unknown>,
  request: Request,
  response: Response,
): Promise<void> {
  const person = response.locals['person'] as Person | null;
  const kept = await keptAnswer(context, id, person, request);
  if (kept) return void response.status(kept.status).json(kept.body);
  const query = operation.query
    ? await operation.query.validate(request.query, { abortEarly: false, stripUnknown: true })
    : {};
  const body = operation.body
    ? await operation.body.noUnknown().validate(request.body ?? {}, { abortEarly: false, strict: false })
    : request.body;
  const answer = await handle({
    actor: person,
    params: request.params,
    query,
    body,
    seenVersion: versionOf(request),
    token: response.locals['token'],
    response,
  });
  if (response.headersSent) return;
  if (operation.ifMatch && hasVersion(answer)) response.setHeader('ETag', `"${versionIn(answer)}"`);
  const status = operation.status ?? 200;
  await keepAnswer(context, id, person, request, status, answer);
  response.status(status).json(answer);
}

function versionOf(request: Request): number | null {
  const match = /^(?:W\/)?"(\d+)"$/.exec(request.get('If-Match') ?? '');
  return match ? Number(match[1]) : null;
}

const versionIn = (answer: { version?: number; unit?: { version: number } }): number =>
  answer.version ?? answer.unit?.version ?? 0;
const hasVersion = (answer: unknown): answer is { version?: number; unit?: { version: number } } =>
  typeof answer === 'object' && answer !== null && ('version' in answer || 'unit' in answer);

const keyOf = (request: Request): string | null =>
  request.method === 'POST' ? (request.get('Idempotency-Key') ?? null) : null;
const hashOf = (request: Request): Buffer =>
  createHash('sha256')
    .update(JSON.stringify(request.body ?? null))
    .digest();

/** The answer given before under this key. The same key for another request is a mistake of the caller. */
async function keptAnswer(
  { db }: Context,
  id: OperationId,
  person: Person | null,
  request: Request,
): Promise<{ status: number; body: unknown } | null> {
  const key = keyOf(request);
  if (key === null || person === null) return null;
  const kept = await db.selectFrom('idempotency').selectAll().where('key', '=', key).executeTakeFirst();
  if (kept === undefined) return null;
  if (kept.operation !== id || kept.person_id !== person.id || !kept.body_hash.equals(hashOf(request)))
    return refuse('key-reused', { key });
  return { status: kept.status, body: kept.body };
}

async function keepAnswer(
  { db }: Context,
  id: OperationId,
  person: Person | null,
  request: Request,
  status: number,
  answer: unknown,
): Promise<void> {
  const key = keyOf(request);
  if (key === null || person === null) return;
  if (key.length < 8 || key.length > 100) return;
  await db
    .insertInto('idempotency')
    .values({
      key,
      person_id: person.id,
      operation: id,
      body_hash: hashOf(request),
      status,
      body: JSON.stringify(answer ?? null),
    })
    .onConflict((conflict) => conflict.column('key').doNothing())
    .execute();
}
