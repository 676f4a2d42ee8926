import type { AnySchema, SchemaDescription } from 'yup';
import { kindOf, LOG_KIND_IDS } from '../log';
import { OPERATIONS, type Operation } from './operations';

type Described = SchemaDescription & {
  readonly oneOf?: readonly unknown[];
  readonly fields?: Readonly<Record<string, Described>>;
  readonly innerType?: Described | readonly Described[];
};

const BOUNDS = new Set(['max', 'length', 'uuid', 'instant', 'pattern']);

/** Where in what may be sent a text or a list may be as long as anybody likes. */
function unbounded({ type, tests = [], oneOf = [], fields = {}, innerType = [] }: Described, path: string): string[] {
  const isBounded = oneOf.length > 0 || tests.some(({ name }) => name !== undefined && BOUNDS.has(name));
  // Of a tuple there is one for each place.
  const isTuple = Array.isArray(innerType);
  const own = (type === 'string' || (type === 'array' && !isTuple)) && !isBounded ? [`${path} (${type})`] : [];
  const inner = [innerType].flat().flatMap((one) => unbounded(one, `${path}[]`));
  return [...own, ...inner, ...Object.entries(fields).flatMap(([name, field]) => unbounded(field, `${path}.${name}`))];
}
const of = (schema: AnySchema | undefined, path: string): string[] =>
  schema === undefined ? [] : unbounded(schema.describe() as Described, path);

describe('nothing that is sent is as long as anybody likes', () => {
  test('bodies and queries of the API', () => {
    const all = Object.entries(OPERATIONS as Readonly<Record<string, Operation>>);
    expect(all.flatMap(([id, { body, query }]) => [...of(body, id), ...of(query, `${id}?`)])).toEqual([]);
  });

  test('facts of the log', () => {
    // What only the server writes nobody sends.
    const sent = LOG_KIND_IDS.filter((id) => (kindOf(id)?.who.length ?? 0) > 0);
    expect(sent.length).toBeGreaterThan(50);
    expect(sent.flatMap((id) => of(kindOf(id)?.facts, id))).toEqual([]);
  });
});
