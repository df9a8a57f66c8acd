import type { TObject } from '@sinclair/typebox';
import { COLLECTIONS, kindOf } from '../collections/index.ts';
import { modernSchema } from '../published-schema.ts';
import { VERSION } from '../version.ts';
import type { Operation } from './operations.ts';
import { OPERATIONS } from './operations.ts';

const PROBLEM = { $ref: '#/components/schemas/Problem' };
const problem = (description: string) => ({
  description,
  content: { 'application/problem+json': { schema: PROBLEM } },
});

/** Problem details (RFC 9457) with the fields that are wrong. */
const PROBLEM_SCHEMA = {
  type: 'object',
  required: ['type', 'title', 'status', 'detail'],
  properties: {
    type: { type: 'string' },
    title: { type: 'string' },
    status: { type: 'integer' },
    detail: { type: 'string' },
    errors: {
      type: 'array',
      items: {
        type: 'object',
        required: ['path', 'message'],
        properties: {
          path: { type: 'string', description: 'JSON pointer of the field (RFC 6901)' },
          message: { type: 'string' },
        },
      },
    },
  },
};

/** A schema as a component: without the name it is published under. */
function component(schema: object): unknown {
  const { $id: _, $schema: __, ...rest } = modernSchema(schema) as Record<string, unknown>;
  return rest;
}

function parametersOf({ path, query, isGuarded, canCreate }: Operation): object[] {
  const inPath = [...path.matchAll(/\{(\w+)\}/g)].map(([, name = '']) => ({
    name,
    in: 'path',
    required: true,
    schema: { type: 'string' },
  }));
  const fields = query as TObject | undefined;
  const asked = Object.entries(fields?.properties ?? {}).map(([name, schema]) => ({
    name,
    in: 'query',
    required: fields?.required?.includes(name) === true,
    schema: component(schema),
  }));
  const guard = {
    name: 'If-Match',
    in: 'header',
    required: canCreate !== true,
    description: 'The version it was read at, as its ETag gave it',
    schema: { type: 'string' },
  };
  const first = {
    name: 'If-None-Match',
    in: 'header',
    required: false,
    description: 'In place of If-Match: make the document, if there is none under this id',
    schema: { const: '*' },
  };
  return [...inPath, ...asked, ...(isGuarded ? [guard] : []), ...(canCreate ? [first] : [])];
}

function bodyOf({ body }: Operation): object | undefined {
  if (body === undefined) return undefined;
  const content =
    'file' in body
      ? { [body.file]: {} }
      : {
          'application/json': {
            schema:
              'document' in body ? { $ref: `#/components/schemas/${body.document}` } : component(body.schema),
          },
        };
  return { required: true, content };
}

function operationOf(operation: Operation): object {
  const { tag, summary, status, carries, isGuarded, canCreate, body } = operation;
  const requestBody = bodyOf(operation);
  const media = carries === 'json' ? 'application/json' : carries;
  return {
    tags: [tag],
    summary,
    operationId: `${operation.method} ${operation.path}`.replace(/[^a-z0-9]+/gi, '-').replace(/-$/, ''),
    parameters: parametersOf(operation),
    ...(requestBody ? { requestBody } : {}),
    responses: {
      [status]: { description: summary, ...(carries === 'none' ? {} : { content: { [media]: {} } }) },
      ...(canCreate ? { 201: { description: 'Created', content: { [media]: {} } } } : {}),
      ...(operation.path.includes('{') ? { 404: problem('Nothing is there') } : {}),
      ...(isGuarded
        ? { 412: problem('It was saved elsewhere meanwhile'), 428: problem('No version was named') }
        : {}),
      ...(operation.needs === 'anyone'
        ? {}
        : {
            401: problem('Accounts are asked for, and nobody is signed in'),
            403: problem(`Needs to be allowed: ${operation.needs}`),
          }),
      ...(body === undefined ? {} : { 422: problem('Something is wrong with it, field by field') }),
    },
  };
}

/**
 * Returns what the server can be asked for as an OpenAPI 3.1 document, made from the schemas that its
 * requests are checked by.
 */
export function openApi(): Record<string, unknown> {
  const paths: Record<string, Record<string, object>> = {};
  for (const operation of OPERATIONS)
    (paths[operation.path] ??= {})[operation.method] = operationOf(operation);
  return {
    openapi: '3.1.0',
    info: { title: 'Fern Anvil', version: VERSION, license: { name: 'MIT', identifier: 'MIT' } },
    servers: [{ url: '/api' }],
    paths,
    components: {
      schemas: {
        Problem: PROBLEM_SCHEMA,
        ...Object.fromEntries(
          COLLECTIONS.map((collection) => [collection, component(kindOf(collection).schema)]),
        ),
      },
    },
  };
}
