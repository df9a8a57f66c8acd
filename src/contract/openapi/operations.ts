import type { TSchema } from '@sinclair/typebox';
import type { Collection } from '../collections/index.ts';
import { COLLECTIONS, nounOf, WITH_HISTORY } from '../collections/index.ts';
import {
  BackupsEditSchema,
  CardQuerySchema,
  CounterQuerySchema,
  CustomerCardQuerySchema,
  ExportQuerySchema,
  GoSchema,
  ListQuerySchema,
  MetalEditSchema,
  MoneySchema,
  NameSchema,
  OutlinesQuerySchema,
  ScaleActSchema,
  ScaleQuerySchema,
  SeriesRemovalSchema,
  ShopQuerySchema,
} from '../requests.ts';

/** What an answer carries: JSON, nothing, or a file of a media type. */
export type Carries = 'json' | 'none' | `${string}/${string}`;

/** What goes out as a body: a schema, or the document of a collection by its key. */
export type Body =
  | { readonly schema: TSchema }
  | { readonly document: Collection }
  | { readonly file: string };

/** One thing the server can be asked for, below /api. */
export interface Operation {
  readonly method: 'get' | 'post' | 'put' | 'delete';
  /** with parts in braces, as OpenAPI has them */
  readonly path: string;
  readonly tag: string;
  readonly summary: string;
  readonly query?: TSchema;
  readonly body?: Body;
  readonly status: 200 | 201 | 202 | 204;
  readonly carries: Carries;
  /** whether the version it changes must be named by `If-Match` */
  readonly isGuarded?: boolean;
  /** whether it makes the document where `If-None-Match: *` stands in place of the version */
  readonly canCreate?: boolean;
}

type Rest = Partial<Pick<Operation, 'query' | 'body' | 'status' | 'carries' | 'isGuarded' | 'canCreate'>>;

const operation = (
  method: Operation['method'],
  path: string,
  tag: string,
  summary: string,
  { status = 200, carries = 'json', ...rest }: Rest = {},
): Operation => ({ method, path, tag, summary, status, carries, ...rest });

/** What every collection can be asked for. */
function common(collection: Collection): Operation[] {
  const noun = nounOf(collection);
  const [all, one] = [`/${collection}`, `/${collection}/{id}`];
  const document: Body = { document: collection };
  return [
    operation('get', all, collection, `A page of the ${collection}`, { query: ListQuerySchema }),
    operation('post', all, collection, `Create a ${noun}`, { body: document, status: 201 }),
    operation('get', one, collection, `A ${noun} with its version`),
    operation('put', one, collection, `Replace a ${noun}, or create it under an id of your own`, {
      body: document,
      isGuarded: true,
      canCreate: true,
    }),
    operation('delete', one, collection, `Delete a ${noun}; it can be restored`, {
      status: 204,
      carries: 'none',
      isGuarded: true,
    }),
    operation('get', `${one}/used`, collection, `Documents that name the ${noun}`),
    operation('post', `${one}/restore`, collection, `Restore a deleted ${noun}`, { isGuarded: true }),
    operation('post', `${one}/archive`, collection, `Archive a ${noun}`, { isGuarded: true }),
    operation('post', `${one}/unarchive`, collection, `Take a ${noun} out of the archive`, {
      isGuarded: true,
    }),
  ];
}

/** What a collection with history can be asked for besides. */
function withHistory(collection: Collection): Operation[] {
  const noun = nounOf(collection);
  const one = `/${collection}/{id}`;
  const version = `${one}/versions/{version}`;
  return [
    operation('get', `${one}/history`, collection, `Steps and named versions of a ${noun}`),
    operation('get', `${one}/history/{step}`, collection, `A ${noun} as it was at a step`),
    operation('put', `${one}/step`, collection, `Go to a step: undo or redo`, {
      body: { schema: GoSchema },
      isGuarded: true,
    }),
    operation('post', `${one}/versions`, collection, `Give the present state of a ${noun} a name`, {
      body: { schema: NameSchema },
      status: 201,
    }),
    operation('get', version, collection, `A named version of a ${noun}`),
    operation('post', `${version}/restore`, collection, `Restore a named version of a ${noun}`, {
      isGuarded: true,
    }),
    operation('delete', version, collection, `Delete a named version of a ${noun}`, {
      status: 204,
      carries: 'none',
      isGuarded: true,
    }),
  ];
}

const PDF = 'application/pdf';
const CSV = 'text/csv';

const OTHERS: readonly Operation[] = [
  operation('get', '/health', 'server', 'Whether the server answers'),
  operation('get', '/openapi.json', 'server', 'This document'),
  operation('get', '/archive', 'archive', 'What was archived, and deleted in the last thirty days'),
  operation('get', '/backup', 'backups', 'The whole shop as one file', { carries: 'application/x-ndjson' }),
  operation('get', '/money', 'stores', 'What the shop’s prices are in'),
  operation('put', '/money', 'stores', 'Say what the shop’s prices are in', {
    body: { schema: MoneySchema },
    isGuarded: true,
  }),
  operation('get', '/backups', 'backups', 'The daily backups and their folder'),
  operation('put', '/backups', 'backups', 'Set the folder of the daily backups', {
    body: { schema: BackupsEditSchema },
    isGuarded: true,
  }),
  operation('post', '/backups', 'backups', 'Make a backup now', { status: 202 }),
  operation('get', '/backups/{name}', 'backups', 'A backup as a file', { carries: 'application/x-ndjson' }),
  operation('post', '/backups/{name}/verify', 'backups', 'Read a backup whole and check it', { status: 202 }),
  operation('post', '/backups/{name}/restore', 'backups', 'Restore a backup beside the shop', {
    status: 202,
  }),
  operation('get', '/rack', 'rack', 'Every head’s card, and the outlines of the first screen'),
  operation('get', '/rack/outlines', 'rack', 'Outlines of heads by their ids', {
    query: OutlinesQuerySchema,
  }),
  operation('post', '/designs/series', 'designs', 'Create up to 1,000 designs, all or none', { status: 201 }),
  operation('post', '/designs/series/remove', 'designs', 'Delete a series, all or none', {
    body: { schema: SeriesRemovalSchema },
    status: 204,
    carries: 'none',
  }),
  operation('post', '/designs/{id}/duplicate', 'designs', 'Copy a design', { status: 201 }),
  operation(
    'get',
    '/designs/{id}/export/{format}',
    'files',
    'A design as a file: json, svg, dxf, stl, 3mf, pdf, csv',
    {
      query: ExportQuerySchema,
      carries: 'application/octet-stream',
    },
  ),
  operation('get', '/designs/{id}/card', 'files', 'A rigging card', { query: CardQuerySchema, carries: PDF }),
  operation('get', '/designs/{id}/counter-card', 'files', 'A counter card', {
    query: CounterQuerySchema,
    carries: PDF,
  }),
  operation('get', '/briefs/{id}/customer-card', 'files', 'A customer’s card of up to three heads', {
    query: CustomerCardQuerySchema,
    carries: PDF,
  }),
  operation('get', '/readings.csv', 'files', 'Readings of all heads, or of those named by ids', {
    carries: CSV,
  }),
  operation('get', '/heads.csv', 'files', 'Heads as the table that Import reads', { carries: CSV }),
  operation('get', '/hooks.csv', 'files', 'Measured hooks as a table', { carries: CSV }),
  operation('get', '/plastics.csv', 'files', 'Plastics as a table', { carries: CSV }),
  operation('get', '/trials.csv', 'files', 'Days on the water as a table', { carries: CSV }),
  operation('get', '/shop.json', 'files', 'Every document of the shop'),
  operation('post', '/shop', 'files', 'Import a shop file, or try it first', {
    query: ShopQuerySchema,
    body: { file: 'application/json' },
  }),
  operation('get', '/moulds/{id}/files/{file}', 'files', 'A file of a mould: halves, drawing, volumes', {
    carries: 'application/octet-stream',
  }),
  operation('get', '/batches/{id}/weighings.csv', 'files', 'Weighings of a batch as a table', {
    carries: CSV,
  }),
  operation('get', '/ranges/{id}/wall.pdf', 'files', 'The labels of a wall', { carries: PDF }),
  operation('get', '/photos/{id}/picture', 'files', 'A photograph as a picture', { carries: 'image/jpeg' }),
  operation('get', '/scale/lines', 'scale', 'Lines of the simulated scale, as they come', {
    query: ScaleQuerySchema,
    carries: 'text/plain',
  }),
  operation('post', '/scale', 'scale', 'Put something on the simulated scale', {
    body: { schema: ScaleActSchema },
  }),
  operation('get', '/stores', 'stores', 'Metals, hooks, waters and lines'),
  operation('put', '/stores/metals/{key}', 'stores', 'Set a metal’s density or price', {
    body: { schema: MetalEditSchema },
    isGuarded: true,
  }),
  operation('get', '/rules', 'rules', 'The rules in force'),
  operation('put', '/rules', 'rules', 'Replace the rules', { isGuarded: true }),
  operation('delete', '/rules', 'rules', 'Restore the shipped rules', { isGuarded: true }),
];

/** Everything the server can be asked for, below /api. */
export const OPERATIONS: readonly Operation[] = [
  ...OTHERS,
  ...COLLECTIONS.flatMap(common),
  ...WITH_HISTORY.flatMap(withHistory),
];
