import { OPERATIONS, type Operation } from '@hudrik/core/contracts';
import { kindOf, LOG_KIND_IDS } from '@hudrik/core/log';
import type { AnySchema, SchemaDescription } from 'yup';

interface Described extends SchemaDescription {
  readonly fields?: Readonly<Record<string, Described>>;
  readonly innerType?: Described | readonly Described[];
}

/** What takes a pattern longest is what almost fits it, and does not at its end. */
const FILLERS = ['x', '0', ' ', '0.', 'a b', '\u200B', '-1'];
const mostOf = ({ tests }: SchemaDescription, otherwise: number): number => {
  const found = tests.find(({ name }) => name === 'max' || name === 'length')?.params;
  const most = Number(found?.['max'] ?? found?.['length']);
  return Number.isFinite(most) ? most : otherwise;
};

/** A list within a list has only so many: no body is as long as all of them together. */
const INNER = 2;

/** The longest that a schema lets in, each text of it filled with the same: whether it is let in or not. */
function longest(schema: Described, filler: string, isInner = false): unknown {
  if (schema.type === 'string') {
    const most = mostOf(schema, 1000);
    return `${filler.repeat(Math.ceil(most / filler.length)).slice(0, most - 1)}!`;
  }
  if (schema.type === 'array') {
    const inner = [schema.innerType ?? []].flat();
    const length = isInner ? Math.min(INNER, mostOf(schema, INNER)) : mostOf(schema, 200);
    return Array.from({ length }, () => (inner[0] ? longest(inner[0], filler, true) : null));
  }
  if (schema.type === 'number') return 1;
  if (schema.type === 'boolean') return true;
  return Object.fromEntries(
    Object.entries(schema.fields ?? {}).map(([name, field]) => [name, longest(field, filler, isInner)]),
  );
}

interface Taken {
  readonly what: string;
  readonly ms: number;
  /** Whether anybody may send it, from a device that was not let in. */
  readonly isOfStrangers: boolean;
}

/** How long it takes to look at the longest that each operation and each kind of entry lets in, the longest first, milliseconds. */
export async function timesOfLongest(): Promise<readonly Taken[]> {
  const bodies = Object.entries(OPERATIONS as Readonly<Record<string, Operation>>).map(
    ([id, { body, who }]) => [id, body as AnySchema | undefined, who === 'anywhere'] as const,
  );
  const facts = LOG_KIND_IDS.map((id) => [`${id} (entry)`, kindOf(id)?.facts as AnySchema | undefined, false] as const);
  const times: Taken[] = [];
  for (const [what, schema, isOfStrangers] of [...bodies, ...facts]) {
    if (schema === undefined || schema.type === 'mixed') continue;
    for (const filler of FILLERS) {
      const sent = longest(schema.describe() as Described, filler);
      // Other work of the machine only makes it longer: the shortest of three is its own.
      const took: number[] = [];
      for (let n = 0; n < 3; n++) {
        const began = performance.now();
        await schema.validate(sent, { abortEarly: true }).catch(() => undefined);
        took.push(performance.now() - began);
      }
      times.push({ what: `${what}, of ${JSON.stringify(filler)}`, ms: Math.min(...took), isOfStrangers });
    }
  }
  return times.sort((a, b) => b.ms - a.ms);
}
