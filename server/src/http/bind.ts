import type { Frozen } from '@hudrik/core/fields';
import { OPERATIONS, type Operation, type OperationId, type Person } from '@hudrik/core/contracts';
import { entriesOf } from '@hudrik/core/typed';
import { parse } from 'cookie';
import express, { type Express, type Request, type RequestHandler, type Response } from 'express';
import type { InferType, Schema } from 'yup';
import type { Context } from '../context';
import { personOfToken } from '../people/sessions';
import { refuse } from '../refusal';
import { exactlyOnce } from './exactlyOnce';
import { mustBePlain } from './plainJson';

export const COOKIE = 'hudrik_session';
const PERSON_HEADER = 'Hudrik-Person';

interface Call<O extends Operation> {
  /** Of this request: a change runs in the request's own transaction. */
  readonly context: Context;
  readonly actor: O['who'] extends 'public' ? Person | null : Person;
  readonly params: Readonly<Record<string, string>>;
  readonly query: O['query'] extends Schema ? InferType<O['query']> : Record<string, never>;
  readonly body: O['body'] extends Schema ? InferType<O['body']> : unknown;
  /** The version the caller saw, from If-Match; null when none was sent. */
  readonly seenVersion: number | null;
  readonly token: string | null;
  readonly response: Response;
}

type Answer<O extends Operation> = O['reply'] extends Schema ? Frozen<InferType<O['reply']>> | undefined : unknown;
export type Handlers = {
  readonly [Id in OperationId]: (call: Call<(typeof OPERATIONS)[Id]>) => Promise<Answer<(typeof OPERATIONS)[Id]>>;
};
/** A handler, whichever operation it serves: what it is given was checked by that operation's schemas. */
type AnyHandler = (call: Call<Operation>) => Promise<unknown>;

const LARGEST_JSON = '1mb';
const LARGEST_RAW = '3mb';

/** Binds every operation of the contract to its handler: who may, what comes in, what goes out. */
export function bindOperations(
  app: Express,
  context: Context,
  handlers: Handlers,
  limits: Partial<Record<OperationId, RequestHandler>>,
): void {
  for (const [id, operation] of entriesOf<OperationId, Operation>(OPERATIONS)) {
    const route = operation.path.replaceAll(/\{(\w+)\}/g, ':$1');
    const limit = limits[id];
    const handle = handlers[id] as AnyHandler;
    app[operation.method](
      route,
      ...(limit ? [limit] : []),
      admit(context, operation),
      ...bodyOf(operation),
      (request: Request, response: Response) => run(context, operation, handle, request, response),
    );
  }
}

/** Who asks is settled before the body is read: a stranger's upload is not even taken in. */
function admit(context: Context, operation: Operation): RequestHandler {
  return async (request, response, next) => {
    const token = parse(request.headers.cookie ?? '')[COOKIE] ?? null;
    // What is open to everybody asks nothing of the records first: whether they can be reached, say.
    const person = token === null || operation.who === 'public' ? null : await personOfToken(context, token);
    if (operation.who !== 'public') {
      if (person === null) return refuse('not-signed-in');
      // A page says who it believes is signed in: where somebody else signed in meanwhile, nothing is done in their name.
      const believed = request.get(PERSON_HEADER);
      if (believed !== undefined && believed !== String(person.id))
        return refuse('somebody-else', { signedIn: person.id });
      if (!operation.who.includes(person.role))
        return refuse('not-your-role', { role: person.role, wants: operation.who });
    }
    response.locals['person'] = person;
    response.locals['token'] = token;
    next();
  };
}

function bodyOf(operation: Operation): RequestHandler[] {
  if (operation.raw) return [express.raw({ type: () => true, limit: LARGEST_RAW })];
  return operation.body ? [express.json({ limit: LARGEST_JSON, type: () => true })] : [];
}

async function run(
  context: Context,
  operation: Operation,
  handle: AnyHandler,
  request: Request,
  response: Response,
): Promise<void> {
  const person: Person | null = response.locals['person'];
  const token: string | null = response.locals['token'];
  const query = await checked(operation.query, request.query);
  const body = operation.body ? await checked(operation.body.noUnknown(), request.body) : request.body;
  const call = {
    actor: person,
    params: paramsOf(request),
    query,
    body,
    seenVersion: versionOf(request),
    token,
    response,
  };
  const handleIn = (own: Context): Promise<unknown> => handle({ ...call, context: own } as Call<Operation>);
  // Reads change nothing: they need no transaction, and a stream must not hold one.
  const answer =
    operation.method === 'get'
      ? { status: operation.status ?? 200, body: await handleIn(context) }
      : await exactlyOnce({ context, operation, person, request }, handleIn);
  if (response.headersSent) return;
  if (operation.ifMatch) setVersion(response, answer.body);
  response.status(answer.status).json(answer.body);
}

async function checked(schema: Operation['body'], value: unknown): Promise<unknown> {
  if (schema === undefined) return {};
  mustBePlain(value);
  return schema.validate(value ?? {}, { abortEarly: false, stripUnknown: true });
}

const paramsOf = (request: Request): Record<string, string> =>
  Object.fromEntries(Object.entries(request.params).map(([name, value]) => [name, String(value)]));

/** A version that cannot be read is refused: passed over, it would let a change through that its maker wanted guarded. */
function versionOf(request: Request): number | null {
  const sent = request.get('If-Match');
  if (sent === undefined || sent === '*') return null;
  const match = /^(?:W\/)?"(\d{1,9})"$/.exec(sent);
  return match ? Number(match[1]) : refuse('not-valid', { field: 'If-Match' });
}

/** The version of what is answered, or of the unit in it. */
function setVersion(response: Response, answer: unknown): void {
  const of = (value: unknown, name: string): unknown =>
    typeof value === 'object' && value !== null ? Reflect.get(value, name) : undefined;
  const version = of(answer, 'version') ?? of(of(answer, 'unit'), 'version');
  if (typeof version === 'number') response.setHeader('ETag', `"${version}"`);
}
