import { OPERATIONS, type FailureCode, type Operation, type OperationId, type Problem } from '@hudrik/core/contracts';
import type { InferType, Schema } from 'yup';

type Spec<Id extends OperationId> = (typeof OPERATIONS)[Id];
export type Reply<Id extends OperationId> = Spec<Id>['reply'] extends Schema ? InferType<Spec<Id>['reply']> : unknown;
type Sent<Id extends OperationId> = Spec<Id> extends { body: Schema } ? InferType<Spec<Id>['body']> : never;

export interface CallOptions<Id extends OperationId> {
  readonly params?: Readonly<Record<string, string>>;
  readonly query?: Readonly<Record<string, string | number | undefined>>;
  readonly body?: Sent<Id>;
  readonly raw?: { readonly type: string; readonly content: Blob | string };
  readonly seenVersion?: number;
  readonly key?: string;
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

/** Nobody answered: no connection, or the server is away. Worth trying again. */
export class Unreachable extends Error {
  constructor() {
    super('The yard’s server can not be reached just now.');
  }
}

type Listener = () => void;
const onSignedOut = new Set<Listener>();

/** Told when the server no longer knows who is asking. */
export function whenSignedOut(listener: Listener): () => void {
  onSignedOut.add(listener);
  return () => onSignedOut.delete(listener);
}

/** One call of the API, by its name in the contract. */
export async function call<Id extends OperationId>(id: Id, options: CallOptions<Id> = {}): Promise<Reply<Id>> {
  const operation: Operation = OPERATIONS[id];
  const response = await reach(urlOf(operation, options), {
    method: operation.method.toUpperCase(),
    credentials: 'same-origin',
    headers: headersOf(options),
    ...(options.raw
      ? { body: options.raw.content }
      : options.body === undefined
        ? {}
        : { body: JSON.stringify(options.body) }),
  });
  if (response.ok) return (await response.json()) as Reply<Id>;
  const failure = await failureOf(response);
  // Asking who is signed in is how one finds out: it tells nobody.
  if (id !== 'me' && failure instanceof Refused && failure.code === 'not-signed-in')
    for (const listener of onSignedOut) listener();
  throw failure;
}

function urlOf(operation: Operation, { params = {}, query = {} }: CallOptions<never>): string {
  const path = operation.path.replaceAll(/\{(\w+)\}/g, (_, name: string) => encodeURIComponent(params[name] ?? ''));
  const search = new URLSearchParams(
    Object.entries(query).flatMap(([name, value]) =>
      value === undefined || value === '' ? [] : [[name, String(value)]],
    ),
  );
  return search.size > 0 ? `${path}?${search}` : path;
}

const headersOf = (options: CallOptions<never>): Record<string, string> => ({
  'Content-Type': options.raw?.type ?? 'application/json',
  ...(options.seenVersion === undefined ? {} : { 'If-Match': `"${options.seenVersion}"` }),
  ...(options.key === undefined ? {} : { 'Idempotency-Key': options.key }),
});

async function reach(url: string, init: RequestInit): Promise<Response> {
  try {
    return await fetch(url, init);
  } catch {
    throw new Unreachable();
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
    return [error.problem.title, ...(error.problem.errors ?? []).map((field) => field.message)].join(' ');
  return error instanceof Error ? error.message : 'Something went wrong.';
}

export const isUnreachable = (error: unknown): boolean => error instanceof Unreachable;
