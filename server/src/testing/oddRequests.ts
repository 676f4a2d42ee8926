import { Agent, request as httpRequest } from 'node:http';
import { kindOf, LOG_KIND_IDS } from '@hudrik/core/log';
import { SAMPLES } from '@hudrik/core/log/samples';
import fc from 'fast-check';
import { openApiDocument } from '../http/openapi';

/** A request as it goes over the wire: its path may be one that no client library would send. */
export interface OddRequest {
  readonly operation: string;
  readonly method: string;
  readonly path: string;
  readonly headers: Readonly<Record<string, string>>;
  readonly body: Buffer | null;
  /** Which of the people sends it: 0 for nobody. */
  readonly person: number;
}

interface JsonSchema {
  readonly type?: string | readonly string[];
  readonly enum?: readonly unknown[];
  readonly format?: string;
  readonly properties?: Readonly<Record<string, JsonSchema>>;
  readonly required?: readonly string[];
  readonly items?: JsonSchema;
  readonly minimum?: number;
  readonly maximum?: number;
}

interface Described {
  readonly operationId: string;
  readonly parameters: readonly { readonly name: string; readonly in: string; readonly schema: JsonSchema }[];
  readonly requestBody?: { readonly content: Readonly<Record<string, { readonly schema: JsonSchema }>> };
}

/** What is on the yard, so that some requests name things that exist. */
export interface Known {
  readonly tags: readonly string[];
  readonly ids: readonly string[];
}

const nested = (depth: number, open: string, close: string): string => open.repeat(depth) + close.repeat(depth);
const DEEP = [nested(3000, '[', ']'), `${'{"a":'.repeat(3000)}1${'}'.repeat(3000)}`];
const TRICKY_KEYS = ['__proto__', 'constructor', 'toString', 'hasOwnProperty', 'then', 'length', '', '0'];
const TRICKY_TEXTS = [
  '',
  ' ',
  '\u0000',
  'a\u0000b',
  '\ud800',
  '\u202e',
  'x'.repeat(20_000),
  "'; drop table unit; --",
  '<script>1</script>',
  'NaN',
  '1e999',
  '-0',
  '99999999999999999999',
  '2026-02-30',
  '+275760-09-13T00:00:00.001Z',
  '0000-00-00T00:00:00Z',
  '%00',
  '../../etc/passwd',
  ...TRICKY_KEYS,
];
const TRICKY_NUMBERS = [0, -1, 0.1, -0.5, 1e-300, 2 ** 31, 2 ** 53, 1e21, 1.7e308];

/** What goes where something else belongs. */
const odd: fc.Arbitrary<unknown> = fc.oneof(
  fc.constantFrom<unknown>(null, true, false, [], {}, [[]], [null], { length: 3 }, { toString: 1 }, { then: 1 }),
  fc.constantFrom(...TRICKY_TEXTS),
  fc.constantFrom(...TRICKY_NUMBERS),
  fc.constantFrom(...TRICKY_KEYS).map((key) => Object.defineProperty({}, key, { value: { a: 1 }, enumerable: true })),
  fc.string({ unit: 'binary', maxLength: 40 }),
  fc.jsonValue({ maxDepth: 3 }),
);

function fitting(schema: JsonSchema | undefined, known: Known): fc.Arbitrary<unknown> {
  if (schema === undefined) return odd;
  if (schema.enum) return fc.constantFrom(...schema.enum);
  const types = Array.isArray(schema.type) ? schema.type : [schema.type];
  // A tuple is described without a type.
  if (types.length === 0) return odd;
  return fc.oneof(...types.map((type: string) => ofType(type, schema, known)));
}

function ofType(type: string, schema: JsonSchema, known: Known): fc.Arbitrary<unknown> {
  const { minimum: min = -10, maximum: max = 10_000 } = schema;
  if (type === 'null') return fc.constant(null);
  if (type === 'boolean') return fc.boolean();
  if (type === 'integer') return fc.integer({ min: Math.ceil(min), max: Math.floor(max) });
  if (type === 'number') return fc.double({ min, max, noNaN: true });
  if (type === 'array') return fc.array(mostly(schema.items, known), { maxLength: 4 });
  if (type === 'object') return objectOf(schema, known);
  if (schema.format === 'uuid') return fc.oneof(fc.constantFrom(...known.ids), fc.uuid());
  const instant = fc.date({ noInvalidDate: true }).map((date) => date.toISOString());
  if (schema.format === 'date-time') return instant;
  return fc.oneof(fc.string({ maxLength: 30 }), fc.constantFrom(...known.tags), instant);
}

const mostly = (schema: JsonSchema | undefined, known: Known): fc.Arbitrary<unknown> =>
  fc.oneof({ arbitrary: fitting(schema, known), weight: 9 }, { arbitrary: odd, weight: 1 });

function objectOf(schema: JsonSchema, known: Known): fc.Arbitrary<unknown> {
  const fields = Object.entries(schema.properties ?? {}).map(([name, field]) => [name, mostly(field, known)] as const);
  return fc
    .tuple(
      fc.record(Object.fromEntries(fields), { requiredKeys: [...(schema.required ?? [])] }),
      fc.option(fc.tuple(fc.constantFrom(...TRICKY_KEYS), odd), { freq: 8 }),
    )
    .map(([object, extra]) =>
      extra === null ? object : Object.defineProperty({ ...object }, extra[0], { value: extra[1], enumerable: true }),
    );
}

/** An entry of any kind, with facts that go with it or with one of them gone wrong. */
function logEntry(known: Known): fc.Arbitrary<unknown> {
  const kinds = LOG_KIND_IDS.filter((id) => (kindOf(id)?.who.length ?? 0) > 0);
  const place = fc.option(fc.constantFrom(...known.ids));
  return fc.constantFrom(...kinds).chain((kind) => {
    const facts: Readonly<Record<string, unknown>> = { ...SAMPLES[kind][0] };
    const names = Object.keys(facts);
    const spoilt =
      names.length === 0
        ? odd
        : fc.tuple(fc.constantFrom(...names), odd).map(([name, value]) => ({ ...facts, [name]: value }));
    return fc.record({
      id: fc.uuid({ version: 4 }),
      kind: fc.constant(kind),
      tag: fc.option(fc.constantFrom(...known.tags)),
      jobId: place,
      findingId: place,
      lineId: place,
      facts: fc.oneof({ arbitrary: fc.constant<unknown>(facts), weight: 2 }, { arbitrary: spoilt, weight: 3 }),
    });
  });
}

const CONTENT_TYPES = [
  'application/json; charset=klingon',
  'application/json; charset=utf-7',
  'application/json; charset=utf-16',
  'application/x-www-form-urlencoded',
  'multipart/form-data',
  'text/plain',
  'image/jpeg',
  ';',
];
const ENCODINGS = ['gzip', 'br', 'deflate', 'zstd', 'gzip, gzip', 'identity', 'nothing'];
const BROKEN_BODIES = [
  ...DEEP,
  '{',
  '"',
  'null',
  '1',
  '[1,2',
  '{"a":1}}',
  '{"__proto__":{"a":1},"constructor":{"prototype":{"b":1}}}',
].map((text) => Buffer.from(text));
const BROKEN_BYTES = [
  Buffer.from([0xff, 0xfe, 0x00]),
  Buffer.from([0x1f, 0x8b, 0x08]),
  Buffer.alloc(0),
  Buffer.alloc(3000),
];

const headers: fc.Arbitrary<Record<string, string>> = fc
  .record(
    {
      'content-type': fc.constantFrom(...CONTENT_TYPES),
      'content-encoding': fc.constantFrom(...ENCODINGS),
      'idempotency-key': fc.constantFrom('short', 'x'.repeat(101), 'a key', 'key-0000-1', 'key-0000-2', '__proto__'),
      'if-match': fc.constantFrom('*', '"1"', '1', 'W/"3"', '"99999999999"', '"x"'),
      'hudrik-person': fc.constantFrom('1', '2', 'x', ''),
      accept: fc.constantFrom('text/html', 'nothing/at-all', ''),
      range: fc.constantFrom('bytes=0-1', 'bytes=9-1', 'nonsense'),
    },
    { requiredKeys: [] },
  )
  // Most requests carry none of them.
  .chain((all) => fc.subarray(Object.entries(all), { maxLength: 1 }))
  .map((some) => Object.fromEntries(some));

/** By way of bytes: half a surrogate pair cannot be escaped. */
const escaped = (text: string): string => encodeURIComponent(Buffer.from(text).toString());

const segment = (known: Known): fc.Arbitrary<string> =>
  fc.oneof(
    { arbitrary: fc.constantFrom(...known.tags, ...known.ids), weight: 6 },
    { arbitrary: fc.constantFrom(...TRICKY_TEXTS.map((text) => escaped(text))), weight: 2 },
    {
      arbitrary: fc.constantFrom('%E0%A4%A', '%', '%00', '%2e%2e', '1', '-1', '9007199254740993', ';', '%ff'),
      weight: 1,
    },
  );

const STREAMS = ['events', 'live'];
/** Signing out would send the rest away. */
const LEFT_OUT = ['signOut', 'putOutDevice', 'endSession'];

function requestOf(path: string, method: string, described: Described, known: Known): fc.Arbitrary<OddRequest> {
  const names = [...path.matchAll(/\{(\w+)\}/g)].map((match) => match[0]);
  const query = described.parameters.filter((parameter) => parameter.in === 'query');
  const schema = described.requestBody?.content['application/json']?.schema;
  const json = described.operationId === 'addLogEntry' ? logEntry(known) : mostly(schema, known);
  const body =
    described.requestBody === undefined
      ? fc.constantFrom(null, ...BROKEN_BYTES)
      : fc.oneof(
          { arbitrary: json.map((value) => Buffer.from(JSON.stringify(value) ?? '')), weight: 8 },
          { arbitrary: fc.constantFrom(...BROKEN_BODIES, ...BROKEN_BYTES), weight: 2 },
        );
  return fc
    .record({
      segments: fc.array(segment(known), { minLength: names.length, maxLength: names.length }),
      query: fc
        .subarray(query)
        .chain((some) => fc.tuple(...some.map((one) => queryValue(one.name, one.schema, known)))),
      headers,
      body: method === 'get' || method === 'delete' ? fc.constant(null) : body,
      person: fc.oneof(
        { arbitrary: fc.integer({ min: 1, max: 4 }), weight: 12 },
        { arbitrary: fc.constant(0), weight: 1 },
      ),
      method: fc.oneof(
        { arbitrary: fc.constant(method), weight: 30 },
        { arbitrary: fc.constantFrom('patch', 'trace'), weight: 1 },
      ),
    })
    .map((made) => ({
      operation: described.operationId,
      method: made.method.toUpperCase(),
      path:
        made.segments.reduce((filled, one, n) => filled.replace(names[n] ?? '', () => one), path) +
        (made.query.length > 0 ? `?${made.query.join('&')}` : ''),
      headers: { 'content-type': 'application/json', ...made.headers },
      body: made.body,
      person: made.person,
    }));
}

const queryValue = (name: string, schema: JsonSchema, known: Known): fc.Arbitrary<string> =>
  fc.oneof(
    mostly(schema, known).map(
      (value) => `${name}=${escaped(typeof value === 'string' ? value : JSON.stringify(value ?? ''))}`,
    ),
    fc.constantFrom(`${name}[]=1`, `${name}[a]=1`, `${name}=1&${name}=2`, `${name}=%ff`, `__proto__[a]=1`, name),
  );

/** Odd requests to every operation of the OpenAPI document: the same seed makes the same ones. */
export function oddRequests(count: number, seed: number, known: Known): readonly OddRequest[] {
  const { paths } = openApiDocument('fuzz') as { paths: Record<string, Record<string, Described>> };
  const operations = Object.entries(paths).flatMap(([path, methods]) =>
    Object.entries(methods)
      .filter(([, described]) => !LEFT_OUT.includes(described.operationId))
      .map(([method, described]) => {
        // Most that can happen goes through the log, and most that can go wrong.
        const weight = described.operationId === 'addLogEntry' ? 15 : method === 'get' ? 1 : 2;
        return { arbitrary: requestOf(path, method, described, known), weight };
      }),
  );
  return fc.sample(fc.oneof(...operations), { numRuns: count, seed });
}

const agent = new Agent({ keepAlive: true, maxSockets: 8 });
const PATIENCE_MS = 20_000;

/** Sends it. Out: the status, or why there was none. */
function sendOdd(url: string, odd: OddRequest, cookie: string): Promise<number | string> {
  const { hostname, port } = new URL(url);
  return new Promise((resolve) => {
    const sent = httpRequest(
      {
        hostname,
        port,
        agent,
        method: odd.method,
        path: odd.path,
        headers: {
          ...odd.headers,
          ...(odd.body ? { 'content-length': odd.body.length } : {}),
          ...(odd.person === 0 ? {} : { cookie }),
        },
        timeout: PATIENCE_MS,
      },
      (response) => {
        resolve(response.statusCode ?? 'no status');
        if (STREAMS.includes(odd.operation)) sent.destroy();
        else response.resume();
      },
    );
    sent.on('timeout', () => {
      resolve('no answer');
      sent.destroy();
    });
    sent.on('error', (error) => resolve(error.message));
    sent.end(odd.body ?? undefined);
  });
}

export interface Fuzzed {
  readonly byStatus: ReadonlyMap<number | string, number>;
  /** The operations that did what they were asked. */
  readonly done: ReadonlySet<string>;
  readonly bad: readonly { readonly odd: OddRequest; readonly status: number | string }[];
}

/** Sends them all, eight at once. */
export async function fuzz(url: string, requests: readonly OddRequest[], cookies: readonly string[]): Promise<Fuzzed> {
  const byStatus = new Map<number | string, number>();
  const done = new Set<string>();
  const bad: Fuzzed['bad'][number][] = [];
  const queue = requests.values();
  const send = async (): Promise<void> => {
    for (const odd of queue) {
      const status = await sendOdd(url, odd, cookies[odd.person - 1] ?? '');
      byStatus.set(status, (byStatus.get(status) ?? 0) + 1);
      if (typeof status !== 'number' || status >= 500) bad.push({ odd, status });
      else if (status < 300) done.add(odd.operation);
    }
  };
  await Promise.all(Array.from({ length: 8 }, send));
  return { byStatus, done, bad };
}
