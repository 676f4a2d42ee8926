import { FAILURES, OPERATIONS, type Operation, type OperationId } from '@hudrik/core/contracts';
import { entriesOf } from '@hudrik/core/typed';
import { convertSchema } from '@sodaru/yup-to-json-schema';
import type { AnyObjectSchema, Schema } from 'yup';

/** The OpenAPI 3.1 document, made from the same schemas that the server checks with. */
export function openApiDocument(version: string): Record<string, unknown> {
  const paths: Record<string, Record<string, unknown>> = {};
  for (const [id, operation] of entriesOf<OperationId, Operation>(OPERATIONS)) {
    paths[operation.path] = { ...paths[operation.path], [operation.method]: describe(id, operation) };
  }
  return {
    openapi: '3.1.0',
    info: {
      title: 'Hudrik',
      version,
      description: 'The working tool of a rental fleet technician. Failures are RFC 9457 problem details with a code.',
    },
    paths,
    components: {
      schemas: { Problem: PROBLEM },
      securitySchemes: { session: { type: 'apiKey', in: 'cookie', name: 'hudrik_session' } },
    },
  };
}

const PROBLEM = {
  type: 'object',
  required: ['type', 'title', 'status', 'code'],
  properties: {
    type: { type: 'string' },
    title: { type: 'string' },
    status: { type: 'integer' },
    code: { type: 'string', enum: Object.keys(FAILURES) },
    errors: {
      type: 'array',
      items: { type: 'object', properties: { path: { type: 'string' }, message: { type: 'string' } } },
    },
    facts: { type: 'object' },
  },
};

const schemaOf = (schema: Schema): unknown => convertSchema(schema as AnyObjectSchema);
const problem = {
  description: 'Refused, with a code',
  content: { 'application/problem+json': { schema: { $ref: '#/components/schemas/Problem' } } },
};

function describe(id: OperationId, operation: Operation): Record<string, unknown> {
  return {
    operationId: id,
    summary: operation.summary,
    ...(typeof operation.who === 'string'
      ? {}
      : { security: [{ session: [] }], description: `For: ${operation.who.join(', ')}.` }),
    parameters: [...pathParameters(operation), ...queryParameters(operation), ...headerParameters(operation)],
    ...requestBody(operation),
    responses: {
      [String(operation.status ?? 200)]: {
        description: 'Done',
        content: { 'application/json': { schema: schemaOf(operation.reply) } },
      },
      default: problem,
    },
  };
}

const pathParameters = (operation: Operation) =>
  [...operation.path.matchAll(/\{(\w+)\}/g)].map((match) => ({
    name: match[1],
    in: 'path',
    required: true,
    schema: { type: 'string' },
  }));

const queryParameters = (operation: Operation) =>
  Object.entries(operation.query?.fields ?? {}).map(([name, field]) => ({
    name,
    in: 'query',
    required: false,
    schema: schemaOf(field as Schema),
  }));

const headerParameters = (operation: Operation) => [
  ...(operation.ifMatch && operation.method !== 'get'
    ? [{ name: 'If-Match', in: 'header', required: false, schema: { type: 'string' } }]
    : []),
  ...(operation.method === 'post'
    ? [
        {
          name: 'Idempotency-Key',
          in: 'header',
          required: false,
          schema: { type: 'string', minLength: 8, maxLength: 100 },
        },
      ]
    : []),
];

function requestBody(operation: Operation): Record<string, unknown> {
  if (operation.raw)
    return {
      requestBody: {
        required: true,
        content: Object.fromEntries(
          operation.raw.map((type) => [type, { schema: { type: 'string', format: 'binary' } }]),
        ),
      },
    };
  return operation.body
    ? { requestBody: { required: true, content: { 'application/json': { schema: schemaOf(operation.body) } } } }
    : {};
}
