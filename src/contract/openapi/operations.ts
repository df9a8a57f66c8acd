import type { TSchema } from '@sinclair/typebox';
import type { Collection } from '../collections/index.ts';
import { COLLECTIONS, nounOf, WITH_HISTORY } from '../collections/index.ts';
import type { Permission } from '../people.ts';
import {
  AcceptanceSchema,
  AuditQuerySchema,
  InvitationSchema,
  OwnEditSchema,
  NewPasskeySchema,
  PasskeyUseSchema,
  PersonEditSchema,
  SignInSchema,
  TokenSchema,
} from '../people-requests.ts';
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
  /** what whoever asks must be allowed, where people have accounts */
  readonly needs: Permission;
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
  needs: Permission,
  { status = 200, carries = 'json', ...rest }: Rest = {},
): Operation => ({ method, path, tag, summary, needs, status, carries, ...rest });

/** What reading and changing a collection's documents needs. */
const needsOf = (collection: Collection): { readonly reads: Permission; readonly writes: Permission } => ({
  // Costs and prices stand in it.
  reads: collection === 'ranges' || collection === 'batches' ? 'prices' : 'read',
  writes: collection === 'briefs' ? 'briefs' : collection === 'trials' ? 'trials' : 'make',
});

/** What every collection can be asked for. */
function common(collection: Collection): Operation[] {
  const noun = nounOf(collection);
  const { reads, writes } = needsOf(collection);
  const [all, one] = [`/${collection}`, `/${collection}/{id}`];
  const document: Body = { document: collection };
  return [
    operation('get', all, collection, `A page of the ${collection}`, reads, { query: ListQuerySchema }),
    operation('post', all, collection, `Create a ${noun}`, writes, { body: document, status: 201 }),
    operation('get', one, collection, `A ${noun} with its version`, reads),
    operation('put', one, collection, `Replace a ${noun}, or create it under an id of your own`, writes, {
      body: document,
      isGuarded: true,
      canCreate: true,
    }),
    operation('delete', one, collection, `Delete a ${noun}; it can be restored`, writes, {
      status: 204,
      carries: 'none',
      isGuarded: true,
    }),
    operation('get', `${one}/used`, collection, `Documents that name the ${noun}`, reads),
    operation('post', `${one}/restore`, collection, `Restore a deleted ${noun}`, writes, { isGuarded: true }),
    operation('post', `${one}/archive`, collection, `Archive a ${noun}`, writes, { isGuarded: true }),
    operation('post', `${one}/unarchive`, collection, `Take a ${noun} out of the archive`, writes, {
      isGuarded: true,
    }),
  ];
}

/** What a collection with history can be asked for besides. */
function withHistory(collection: Collection): Operation[] {
  const noun = nounOf(collection);
  const { reads, writes } = needsOf(collection);
  const one = `/${collection}/{id}`;
  const version = `${one}/versions/{version}`;
  return [
    operation('get', `${one}/history`, collection, `Steps and named versions of a ${noun}`, reads),
    operation('get', `${one}/history/{step}`, collection, `A ${noun} as it was at a step`, reads),
    operation('put', `${one}/step`, collection, `Go to a step: undo or redo`, writes, {
      body: { schema: GoSchema },
      isGuarded: true,
    }),
    operation('post', `${one}/versions`, collection, `Give the present state of a ${noun} a name`, writes, {
      body: { schema: NameSchema },
      status: 201,
    }),
    operation('get', version, collection, `A named version of a ${noun}`, reads),
    operation('post', `${version}/restore`, collection, `Restore a named version of a ${noun}`, writes, {
      isGuarded: true,
    }),
    operation('delete', version, collection, `Delete a named version of a ${noun}`, writes, {
      status: 204,
      carries: 'none',
      isGuarded: true,
    }),
  ];
}

const PDF = 'application/pdf';
const NOTHING = { status: 204, carries: 'none' } as const;
const CSV = 'text/csv';

/** Accounts: signing in, one's own, and everybody's. */
const PEOPLE: readonly Operation[] = [
  operation('get', '/session', 'people', 'Whether accounts are asked for, and who is signed in', 'anyone'),
  operation('post', '/session', 'people', 'Sign in by mail and password', 'anyone', {
    body: { schema: SignInSchema },
  }),
  operation('delete', '/session', 'people', 'Sign out', 'anyone', NOTHING),
  operation('post', '/session/passkey/question', 'people', 'What a passkey is asked to sign in by', 'anyone'),
  operation('post', '/session/passkey', 'people', 'Sign in by a passkey', 'anyone', {
    body: { schema: PasskeyUseSchema },
  }),
  operation('post', '/invitation', 'people', 'What the token of an invitation leads to', 'anyone', {
    body: { schema: TokenSchema },
  }),
  operation(
    'post',
    '/invitation/accept',
    'people',
    'Take up an invitation, or set a password anew',
    'anyone',
    {
      body: { schema: AcceptanceSchema },
    },
  ),
  operation('get', '/own', 'people', 'One’s own account, devices and passkeys', 'own'),
  operation('put', '/own', 'people', 'Change one’s own name, mail or password', 'own', {
    body: { schema: OwnEditSchema },
  }),
  operation('get', '/own/everything', 'people', 'Everything there is of oneself', 'own'),
  operation('delete', '/own', 'people', 'Delete one’s own account', 'own', NOTHING),
  operation('delete', '/own/devices/{id}', 'people', 'Sign a device out', 'own', NOTHING),
  operation('post', '/own/passkeys/question', 'people', 'What a new passkey is made by', 'own'),
  operation('post', '/own/passkeys', 'people', 'Keep a new passkey', 'own', {
    body: { schema: NewPasskeySchema },
    status: 201,
  }),
  operation('delete', '/own/passkeys/{id}', 'people', 'Remove a passkey', 'own', NOTHING),
  operation('get', '/people', 'people', 'Everybody who has an account', 'own the shop'),
  operation('post', '/people/invitations', 'people', 'Invite somebody', 'own the shop', {
    body: { schema: InvitationSchema },
    status: 201,
  }),
  operation('put', '/people/{id}', 'people', 'Change what somebody may', 'own the shop', {
    body: { schema: PersonEditSchema },
    isGuarded: true,
  }),
  operation('delete', '/people/{id}', 'people', 'Delete an account', 'own the shop', {
    ...NOTHING,
    isGuarded: true,
  }),
  operation('post', '/people/{id}/reset', 'people', 'Make a link for a new password', 'own the shop', {
    status: 201,
  }),
  operation('get', '/people/log', 'people', 'What people did: a page of the log', 'own the shop', {
    query: AuditQuerySchema,
  }),
];

const OTHERS: readonly Operation[] = [
  operation('get', '/health', 'server', 'Whether the server answers', 'anyone'),
  operation(
    'get',
    '/ready',
    'server',
    'Whether requests can be answered now: the database is there',
    'anyone',
  ),
  operation('get', '/openapi.json', 'server', 'This document', 'anyone'),
  operation('get', '/archive', 'archive', 'What was archived, and deleted in the last thirty days', 'read'),
  operation('get', '/backup', 'backups', 'The whole shop as one file', 'own the shop', {
    carries: 'application/x-ndjson',
  }),
  operation('get', '/money', 'stores', 'What the shop’s prices are in', 'read'),
  operation('put', '/money', 'stores', 'Say what the shop’s prices are in', 'make', {
    body: { schema: MoneySchema },
    isGuarded: true,
  }),
  operation('get', '/backups', 'backups', 'The daily backups and their folder', 'own the shop'),
  operation('put', '/backups', 'backups', 'Set the folder of the daily backups', 'own the shop', {
    body: { schema: BackupsEditSchema },
    isGuarded: true,
  }),
  operation('post', '/backups', 'backups', 'Make a backup now', 'own the shop', { status: 202 }),
  operation('get', '/backups/{name}', 'backups', 'A backup as a file', 'own the shop', {
    carries: 'application/x-ndjson',
  }),
  operation('post', '/backups/{name}/verify', 'backups', 'Read a backup whole and check it', 'own the shop', {
    status: 202,
  }),
  operation(
    'post',
    '/backups/{name}/restore',
    'backups',
    'Restore a backup beside the shop',
    'own the shop',
    {
      status: 202,
    },
  ),
  operation('get', '/rack', 'rack', 'Every head’s card, and the outlines of the first screen', 'read'),
  operation('get', '/rack/outlines', 'rack', 'Outlines of heads by their ids', 'read', {
    query: OutlinesQuerySchema,
  }),
  operation('post', '/designs/series', 'designs', 'Create up to 1,000 designs, all or none', 'make', {
    status: 201,
  }),
  operation('post', '/designs/series/remove', 'designs', 'Delete a series, all or none', 'make', {
    body: { schema: SeriesRemovalSchema },
    status: 204,
    carries: 'none',
  }),
  operation('post', '/designs/{id}/duplicate', 'designs', 'Copy a design', 'make', { status: 201 }),
  operation(
    'get',
    '/designs/{id}/export/{format}',
    'files',
    'A design as a file: json, svg, dxf, stl, 3mf, pdf, csv',
    'make',
    {
      query: ExportQuerySchema,
      carries: 'application/octet-stream',
    },
  ),
  operation('get', '/designs/{id}/card', 'files', 'A rigging card', 'read', {
    query: CardQuerySchema,
    carries: PDF,
  }),
  operation('get', '/designs/{id}/counter-card', 'files', 'A counter card', 'read', {
    query: CounterQuerySchema,
    carries: PDF,
  }),
  operation('get', '/briefs/{id}/customer-card', 'files', 'A customer’s card of up to three heads', 'read', {
    query: CustomerCardQuerySchema,
    carries: PDF,
  }),
  operation('get', '/readings.csv', 'files', 'Readings of all heads, or of those named by ids', 'prices', {
    carries: CSV,
  }),
  operation('get', '/heads.csv', 'files', 'Heads as the table that Import reads', 'make', { carries: CSV }),
  operation('get', '/hooks.csv', 'files', 'Measured hooks as a table', 'read', { carries: CSV }),
  operation('get', '/plastics.csv', 'files', 'Plastics as a table', 'read', { carries: CSV }),
  operation('get', '/trials.csv', 'files', 'Days on the water as a table', 'read', { carries: CSV }),
  operation('get', '/shop.json', 'files', 'Every document of the shop', 'make'),
  operation('post', '/shop', 'files', 'Import a shop file, or try it first', 'make', {
    query: ShopQuerySchema,
    body: { file: 'application/json' },
  }),
  operation(
    'get',
    '/moulds/{id}/files/{file}',
    'files',
    'A file of a mould: halves, drawing, volumes',
    'make',
    {
      carries: 'application/octet-stream',
    },
  ),
  operation('get', '/batches/{id}/weighings.csv', 'files', 'Weighings of a batch as a table', 'make', {
    carries: CSV,
  }),
  operation('get', '/ranges/{id}/wall.pdf', 'files', 'The labels of a wall', 'prices', { carries: PDF }),
  operation('get', '/photos/{id}/picture', 'files', 'A photograph as a picture', 'read', {
    carries: 'image/jpeg',
  }),
  operation('get', '/scale/lines', 'scale', 'Lines of the simulated scale, as they come', 'make', {
    query: ScaleQuerySchema,
    carries: 'text/plain',
  }),
  operation('post', '/scale', 'scale', 'Put something on the simulated scale', 'make', {
    body: { schema: ScaleActSchema },
  }),
  operation('get', '/stores', 'stores', 'Metals, hooks, waters and lines', 'read'),
  operation('put', '/stores/metals/{key}', 'stores', 'Set a metal’s density or price', 'make', {
    body: { schema: MetalEditSchema },
    isGuarded: true,
  }),
  operation('get', '/rules', 'rules', 'The rules in force', 'read'),
  operation('put', '/rules', 'rules', 'Replace the rules', 'make', { isGuarded: true }),
  operation('delete', '/rules', 'rules', 'Restore the shipped rules', 'make', { isGuarded: true }),
];

/** Everything the server can be asked for, below /api. */
export const OPERATIONS: readonly Operation[] = [
  ...OTHERS,
  ...PEOPLE,
  ...COLLECTIONS.flatMap(common),
  ...WITH_HISTORY.flatMap(withHistory),
];
