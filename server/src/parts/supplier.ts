import pRetry from 'p-retry';
import type { RequestInit } from 'undici';
import { array, boolean, number, object, string, ValidationError, type InferType, type Schema } from 'yup';
import { askOutside, NotAnswered, type Bounds } from '../outside/askOutside';

/** What a supplier says of a number. */
const quoteSchema = object({
  number: string().required(),
  supersededBy: string().nullable().default(null),
  name: string().nullable().default(null),
  obtainable: boolean().required(),
  cents: number().integer().min(0).nullable().default(null),
  leadDays: number().min(0).nullable().default(null),
});
type SupplierQuote = InferType<typeof quoteSchema>;

const orderSchema = object({
  order: string().required(),
  state: string().oneOf(['placed', 'late', 'sent']).required(),
  expectedAt: string().required(),
  lines: array(
    object({
      number: string().required(),
      count: number().integer().min(1).required(),
      cents: number().integer().min(0).required(),
    }).required(),
  ).required(),
});
export type SupplierOrder = InferType<typeof orderSchema>;

interface OrderedLine {
  readonly number: string;
  readonly count: number;
}

type SupplierFailure =
  | { readonly ok: false; readonly code: 'away' | 'slow' | 'nonsense' }
  | { readonly ok: false; readonly code: 'refused'; readonly why: string; readonly number: string | null };
export type Answered<T> = { readonly ok: true; readonly value: T } | SupplierFailure;

/** Why a supplier said no, and to which number. */
const refusedSchema = object({ why: string().default('refused'), number: string().nullable().default(null) });

/** A supplier of parts: the one that ships with Hudrik is simulated, a real one fills the same. */
export interface Supplier {
  quote(number: string): Promise<Answered<SupplierQuote>>;
  /** The key is the order's own: sent twice it is one order. */
  order(key: string, lines: readonly OrderedLine[]): Promise<Answered<SupplierOrder>>;
  status(order: string): Promise<Answered<SupplierOrder>>;
}

export interface Patience {
  readonly timeoutMs: number;
  readonly tries: number;
  /** Before the second try; then twice as long each time. */
  readonly pauseMs: number;
}

/** What a supplier says of an order or a number is short. */
const MOST_BYTES = 1_000_000;
const PATIENCE: Patience = { timeoutMs: 4000, tries: 3, pauseMs: 250 };

/** A supplier over HTTP and JSON: each question in a time, tried again with growing pauses; what it says is checked before it is believed. */
export function httpSupplier(url: string, privateHosts: readonly string[], patience: Patience = PATIENCE): Supplier {
  const bounds = { privateHosts, timeoutMs: patience.timeoutMs, mostBytes: MOST_BYTES };
  const ask = <T>(path: string, init: RequestInit, schema: Schema<T>): Promise<Answered<T>> =>
    again(patience, () => once(url + path, init, schema, bounds));
  return {
    quote: (number) => ask<SupplierQuote>(`/parts/${encodeURIComponent(number)}`, {}, quoteSchema),
    order: (key, lines) =>
      ask<SupplierOrder>(
        '/orders',
        {
          method: 'POST',
          headers: { 'content-type': 'application/json', 'idempotency-key': key },
          body: JSON.stringify({ lines }),
        },
        orderSchema,
      ),
    status: (order) => ask<SupplierOrder>(`/orders/${encodeURIComponent(order)}`, {}, orderSchema),
  };
}

/** No answer that says anything: worth asking again. */
class Silence extends Error {
  constructor(readonly answer: Answered<never>) {
    super(answer.ok ? '' : answer.code);
  }
}

async function again<T>({ tries, pauseMs }: Patience, ask: () => Promise<Answered<T>>): Promise<Answered<T>> {
  const askOnce = async (): Promise<Answered<T>> => {
    const answer = await ask();
    if (!answer.ok && answer.code !== 'refused') throw new Silence(answer);
    return answer;
  };
  try {
    return await pRetry(askOnce, { retries: tries - 1, minTimeout: pauseMs, factor: 2 });
  } catch (error) {
    if (error instanceof Silence) return error.answer;
    throw error;
  }
}

async function once<T>(url: string, init: RequestInit, schema: Schema<T>, bounds: Bounds): Promise<Answered<T>> {
  try {
    const { status, bytes } = await askOutside(url, bounds, init);
    if (status >= 500) return { ok: false, code: 'away' };
    const body: unknown = JSON.parse(Buffer.from(bytes).toString('utf8'));
    if (status < 200 || status > 299) return { ok: false, code: 'refused', ...refusedSchema.cast(body) };
    return { ok: true, value: await schema.validate(body, { strict: true }) };
  } catch (error) {
    return { ok: false, code: codeOf(error) };
  }
}

function codeOf(error: unknown): 'slow' | 'away' | 'nonsense' {
  if (error instanceof NotAnswered) {
    if (error.problem === 'slow' || error.problem === 'away') return error.problem;
    return 'nonsense';
  }
  return error instanceof SyntaxError || error instanceof ValidationError ? 'nonsense' : 'away';
}
