import type { FactsOf, FailureCode, OPERATIONS, OperationId, Problem } from '@hudrik/core/contracts';
import { ROUTES } from '@hudrik/core/routes';
import type { InferType, Schema } from 'yup';
import { hearReach } from './reach';
import { hearServerTime } from './serverTime';

type Spec<Id extends OperationId> = (typeof OPERATIONS)[Id];
export type Reply<Id extends OperationId> = Spec<Id>['reply'] extends Schema ? InferType<Spec<Id>['reply']> : unknown;
type Sent<Id extends OperationId> = Spec<Id> extends { body: Schema } ? InferType<Spec<Id>['body']> : never;

/** What a call is given beside its body, whichever it is. */
interface Options {
  readonly params?: Readonly<Record<string, string>>;
  readonly query?: Readonly<Record<string, string | number | undefined>>;
  readonly raw?: { readonly type: string; readonly content: Blob | string };
  readonly seenVersion?: number;
  /** Makes a change that is asked for twice be made once. */
  readonly key?: string;
  /** Who this page believes is signed in: asked as anybody else, the server does nothing. */
  readonly as?: number;
}
export interface CallOptions<Id extends OperationId> extends Options {
  readonly body?: Sent<Id>;
}

/** The server said no, with a code and what goes with it. */
export class Refused extends Error {
  constructor(readonly problem: Problem) {
    super(problem.title);
  }

  get code(): FailureCode {
    return this.problem.code;
  }
}

/** Nobody answered, or the server could not: worth trying again. */
class Unreachable extends Error {
  constructor() {
    super('The yard’s server cannot be reached just now.');
  }
}

/** What goes with a refusal, where it is the one that is asked for; undefined: it is another, or no refusal. */
export function factsIn<C extends FailureCode>(of: unknown, code: C): FactsOf<C> | undefined {
  const problem = of instanceof Refused ? of.problem : (of as Partial<Problem> | null | undefined);
  return problem?.code === code ? (problem.facts as FactsOf<C> | undefined) : undefined;
}

type Listener = () => void;
const onSignedOut = new Set<Listener>();

/** Told when the server no longer knows who is asking, or knows them as somebody else. */
export function whenSignedOut(listener: Listener): () => void {
  onSignedOut.add(listener);
  return () => onSignedOut.delete(listener);
}

const SIGNED_OUT: ReadonlySet<FailureCode> = new Set(['not-signed-in', 'not-let-in', 'somebody-else']);

/** One call of the API, by its name in the contract. */
export async function call<Id extends OperationId>(id: Id, options: CallOptions<Id> = {}): Promise<Reply<Id>> {
  const { method, path } = ROUTES[id];
  const { raw, body } = options;
  const init: RequestInit = {
    method: method.toUpperCase(),
    credentials: 'same-origin',
    headers: headersOf(options),
    ...(raw ? { body: raw.content } : body === undefined ? {} : { body: JSON.stringify(body) }),
  };
  const answer = await reach(
    urlOf(path, options),
    init,
    raw ? PATIENCE_WITH_FILE_MS : PATIENCE_MS,
    async (response) => {
      hearServerTime(response.headers.get('Date'));
      return response.ok
        ? { reply: (await response.json()) as Reply<Id> }
        : { reply: null, failure: await failureOf(response) };
    },
  );
  if (answer.failure === undefined) return answer.reply;
  const { failure } = answer;
  // Asking who is signed in is how one finds out: it tells nobody.
  if (id !== 'me' && failure instanceof Refused && SIGNED_OUT.has(failure.code))
    for (const listener of onSignedOut) listener();
  throw failure;
}

function urlOf(path: string, { params = {}, query = {} }: Options): string {
  const filled = path.replaceAll(/\{(\w+)\}/g, (_, name: string) => encodeURIComponent(params[name] ?? ''));
  const search = new URLSearchParams(
    Object.entries(query).flatMap(([name, value]) =>
      value === undefined || value === '' ? [] : [[name, String(value)]],
    ),
  );
  return search.size > 0 ? `${filled}?${search}` : filled;
}

/** Null: the outbox was not looked into yet. */
let unsent: { readonly count: number; readonly oldestAt: string | null } | null = null;

/** So much of what was entered on this device is not sent yet, and when the oldest of it was entered: said with each call, for who runs the yard to see. */
export function sayUnsent(count: number, oldestAt: string | null): void {
  unsent = { count, oldestAt };
}

/** As an age: the clock of a device may be wrong, how long it has waited is not. */
function unsentNow({ count, oldestAt }: NonNullable<typeof unsent>): string {
  const age = oldestAt === null ? Number.NaN : Math.round((Date.now() - Date.parse(oldestAt)) / 1000);
  return age >= 0 ? `${count};oldest=${age}` : String(count);
}

const headersOf = ({ raw, seenVersion, key, as }: Options): Record<string, string> => ({
  'Content-Type': raw?.type ?? 'application/json',
  ...(unsent === null ? {} : { 'Hudrik-Waiting': unsentNow(unsent) }),
  ...(seenVersion === undefined ? {} : { 'If-Match': `"${seenVersion}"` }),
  ...(key === undefined ? {} : { 'Idempotency-Key': key }),
  ...(as === undefined ? {} : { 'Hudrik-Person': String(as) }),
});

/** A server that says nothing for so long is away. A photo takes its time on a weak connection. */
const PATIENCE_MS = 30_000;
const PATIENCE_WITH_FILE_MS = 180_000;

/** Asks, and reads the answer to its end: one that begins and never ends is no answer. */
async function reach<T>(
  url: string,
  init: RequestInit,
  patienceMs: number,
  read: (response: Response) => Promise<T>,
): Promise<T> {
  const patience = new AbortController();
  const over = new Promise<never>((_, reject) =>
    patience.signal.addEventListener('abort', () => reject(new Unreachable()), { once: true }),
  );
  const timer = setTimeout(() => patience.abort(), patienceMs);
  const asking = fetch(url, { ...init, signal: patience.signal }).catch((): never => {
    throw new Unreachable();
  });
  try {
    const answer = await Promise.race([over, asking.then(read)]);
    hearReach(true);
    return answer;
  } catch (error) {
    if (isUnreachable(error)) hearReach(false);
    throw error;
  } finally {
    clearTimeout(timer);
  }
}

async function failureOf(response: Response): Promise<Error> {
  const problem = (await response.json().catch(() => null)) as Problem | null;
  if (problem?.code === undefined || problem.code === 'store-away') return new Unreachable();
  return new Refused(problem);
}

/** What to say of any failure. */
export function sentenceOf(error: unknown): string {
  if (error instanceof Refused)
    return [
      error.problem.title,
      ...(error.problem.errors ?? []).map((field) => field.message),
      // By this whoever keeps it running finds it in the log.
      ...(error.code === 'unexpected' ? [`Its number: ${String(error.problem.facts?.['request'] ?? '')}.`] : []),
    ].join(' ');
  return error instanceof Error ? error.message : 'Something went wrong.';
}

export const isUnreachable = (error: unknown): boolean => error instanceof Unreachable;
