import type { Frozen } from '@hudrik/core/fields';
import { OPERATIONS, type Operation, type OperationId, type Person } from '@hudrik/core/contracts';
import { entriesOf } from '@hudrik/core/typed';
import { parse } from 'cookie';
import type { Express, NextFunction, Request, RequestHandler, Response } from 'express';
import type { InferType, Schema } from 'yup';
import type { Context } from '../context';
import type { Device } from '../people/devices';
import { NOBODY, type Waiting } from '../people/whoAsks';
import { Refusal, refuse } from '../refusal';
import { bodyOf } from './bodies';
import { exactlyOnce } from './exactlyOnce';
import { mustBePlain } from './plainJson';
import { askerOf, OF_ALL, readOnce, type Serving } from './reading';
import { sendOnce } from './sendOnce';

export const COOKIE = 'hudrik_session';
export const DEVICE_COOKIE = 'hudrik_device';
/** How far the records were when this device last changed them. */
const WRITTEN_COOKIE = 'hudrik_written';
const PERSON_HEADER = 'Hudrik-Person';
const WAITING_HEADER = 'Hudrik-Waiting';

interface Call<O extends Operation> {
  /** Of this request: a change runs in the request's own transaction. */
  readonly context: Context;
  readonly actor: O['who'] extends string ? Person | null : Person;
  /** Where it is asked from; null: from a device that was not let in, which may ask little. */
  readonly device: O['who'] extends 'anywhere' ? Device | null : Device;
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
  readonly [Id in OperationId]: (
    call: Call<(typeof OPERATIONS)[Id]>,
  ) => Promise<Answer<(typeof OPERATIONS)[Id]> | Refusal>;
};
/** A handler, whichever operation it serves: what it is given was checked by that operation's schemas. */
type AnyHandler = (call: Call<Operation>) => Promise<unknown>;

/** Binds every operation of the contract to its handler: who may, what comes in, what goes out. */
export function bindOperations(
  app: Express,
  serving: Serving,
  handlers: Handlers,
  limits: Partial<Record<OperationId, RequestHandler>>,
): void {
  for (const [id, operation] of entriesOf<OperationId, Operation>(OPERATIONS)) {
    const route = operation.path.replaceAll(/\{(\w+)\}/g, ':$1');
    const limit = limits[id];
    const handle = handlers[id] as AnyHandler;
    app[operation.method](
      route,
      // What is counted goes by its name.
      (_request: Request, response: Response, next: NextFunction) => {
        response.locals['operation'] = id;
        next();
      },
      ...(limit ? [limit] : []),
      admit(serving, operation),
      ...bodyOf(operation),
      (request: Request, response: Response) => run(serving, { id, operation, handle }, request, response),
    );
  }
}

/** Who asks is settled before the body is read: a stranger's upload is not even taken in. */
function admit(serving: Serving, operation: Operation): RequestHandler {
  return async (request, response, next) => {
    const cookies = parse(request.headers.cookie ?? '');
    const [token, key] = [cookies[COOKIE] ?? null, cookies[DEVICE_COOKIE] ?? null];
    // What tells whether the records can be reached asks nothing of them first.
    const isAsked = key !== null && !operation.isAskedBlind;
    const { device, person: signedIn } = isAsked
      ? await askerOf(serving, operation, { key, token, waiting: waitingOf(request) })
      : NOBODY;
    if (device === null && operation.who !== 'anywhere') return refuse('not-let-in');
    const person = typeof operation.who === 'string' ? null : signedIn;
    if (typeof operation.who !== 'string') {
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
    response.locals['device'] = device;
    response.locals['written'] = cookies[WRITTEN_COOKIE];
    next();
  };
}

/** How much a device says waits on it, and how many seconds the oldest of it does: `3`, or `3;oldest=5400`. What is no such thing says nothing. */
function waitingOf(request: Request): Waiting | null {
  const said = /^(\d{1,6})(?:;oldest=(\d{1,9}))?$/.exec(request.get(WAITING_HEADER) ?? '');
  return said && { count: Number(said[1]), oldestS: said[2] === undefined ? null : Number(said[2]) };
}

interface Bound {
  readonly id: OperationId;
  readonly operation: Operation;
  readonly handle: AnyHandler;
}

async function run(
  serving: Serving,
  { id, operation, handle }: Bound,
  request: Request,
  response: Response,
): Promise<void> {
  const person: Person | null = response.locals['person'];
  const token: string | null = response.locals['token'];
  const device: Device | null = response.locals['device'];
  const query = await checked(operation.query, request.query);
  const body = operation.body ? await checked(operation.body.noUnknown(), request.body) : request.body;
  const call = {
    actor: person,
    params: paramsOf(request),
    query,
    body,
    seenVersion: versionOf(operation, request),
    token,
    device,
    response,
  };
  const handleIn = (own: Context): Promise<unknown> => handle({ ...call, context: own } as Call<Operation>);
  // Reads change nothing: they need no transaction, and a stream must not hold one.
  const answer =
    operation.method === 'get'
      ? { status: operation.status ?? 200, body: await readOnce(serving, { id, response }, handleIn) }
      : await exactlyOnce({ context: serving.context, operation, person, request }, handleIn);
  if (operation.method !== 'get') await noteWritten(serving, response);
  // Refused, with what it changed kept.
  if (answer.body instanceof Refusal) throw answer.body;
  if (response.headersSent) return;
  if (operation.ifMatch) setVersion(response, answer.body);
  if (OF_ALL.has(id) && typeof answer.body === 'object' && answer.body !== null)
    await sendOnce(response, answer.status, answer.body);
  else response.status(answer.status).json(answer.body);
}

/** So that the device's next read finds what it wrote, whichever server answers. It was written: that this is not known is no failure. */
async function noteWritten({ reads }: Serving, response: Response): Promise<void> {
  const place = await reads.written().catch(() => null);
  if (place === null || response.headersSent) return;
  const { secure } = response.req;
  response.cookie(WRITTEN_COOKIE, place, { httpOnly: true, sameSite: 'strict', secure, path: '/' });
}

async function checked(schema: Operation['body'], value: unknown): Promise<unknown> {
  if (schema === undefined) return {};
  mustBePlain(value);
  // It stops at the first that is wrong: what a stranger sends is not looked through to its end.
  return schema.validate(value ?? {}, { abortEarly: true, stripUnknown: true });
}

const paramsOf = (request: Request): Record<string, string> =>
  Object.fromEntries(Object.entries(request.params).map(([name, value]) => [name, String(value)]));

/** A version that cannot be read is refused: passed over, it would let a change through that its maker wanted guarded. */
function versionOf({ ifMatch, method }: Operation, request: Request): number | null {
  const sent = request.get('If-Match');
  if (sent === undefined && ifMatch && method !== 'get') return refuse('version-wanted');
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
