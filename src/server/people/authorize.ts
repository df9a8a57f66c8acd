import type { RouterContext, RouterMiddleware } from '@koa/router';
import type { Context } from 'koa';
import { API } from '../../contract/api.ts';
import type { Operation } from '../../contract/openapi/operations.ts';
import { OPERATIONS } from '../../contract/openapi/operations.ts';
import type { PersonRow } from '../../contract/people.ts';
import { isAllowed } from '../../contract/people.ts';
import { HttpProblem } from '../problem.ts';
import type { Audit } from './audit.ts';
import type { PeopleStore } from './people.ts';
import type { Found, SessionStore } from './sessions.ts';
import { LASTS } from './sessions.ts';
import { withoutCosts } from './prices.ts';
import { onBehalfOf } from './requester.ts';

/**
 * The cookie that a session's secret is kept in: the browser itself sees to it that it comes from this host,
 * over TLS, and never to another (RFC 6265bis, “__Host-”).
 */
const COOKIE = '__Host-fern-anvil';

/** What a request is, as its route is described: by method and path, with parts as the router has them. */
const DESCRIBED = new Map(
  OPERATIONS.map((operation) => [
    `${operation.method} ${API}${operation.path.replace(/\{(\w+)\}/g, ':$1')}`,
    operation,
  ]),
);

/** The operation that a route answers; undefined where it is not described. */
export const operationAt = (method: string, route: string): Operation | undefined =>
  DESCRIBED.get(`${method.toLowerCase().replace('head', 'get')} ${route}`);

/**
 * What a request asks for: every route that could answer it, the one that will first, so that none of them is
 * reached by the name of another.
 */
function operationsOf({ matched = [], method }: RouterContext): readonly (Operation | undefined)[] {
  const routes = matched.filter(({ methods }) => methods.includes(method));
  return routes.length === 0 ? [undefined] : routes.map(({ path }) => operationAt(method, String(path)));
}

/** Gives a device a session's secret, or takes it from it. */
export function setSecret(ctx: Context, secret: string | undefined): void {
  const age = secret === undefined ? 0 : Math.floor(LASTS.whole / 1000);
  ctx.append(
    'Set-Cookie',
    `${COOKIE}=${secret ?? ''}; Path=/; Max-Age=${age}; Secure; HttpOnly; SameSite=Strict`,
  );
}

/** Who signed in, as the gate has found. */
export interface SignedIn {
  readonly person: PersonRow;
  readonly key: string;
}

/** Who asks, as the gate has found; undefined where nobody is signed in. */
export const signedIn = (ctx: Context): SignedIn | undefined =>
  (ctx.state as { signedIn?: SignedIn }).signedIn;

/** Whether an answer is data that will go out as JSON, and no text, bytes or stream. */
const isPlain = (body: unknown): body is object =>
  typeof body === 'object' &&
  body !== null &&
  (Array.isArray(body) || Object.getPrototypeOf(body) === Object.prototype);

/** What is written down of an answer that was given, beside what its route writes itself. */
function noted({ method, path, tag }: Operation): 'exported' | 'deleted' | undefined {
  if (tag === 'people') return undefined;
  if (method === 'delete' || path.endsWith('/remove')) return 'deleted';
  return method === 'get' && (tag === 'files' || path === '/backup' || path === '/backups/{name}')
    ? 'exported'
    : undefined;
}

/**
 * Lets through what whoever asks is allowed: each route names what it needs (`OPERATIONS`), one that does not
 * is for owners alone. 401 where nobody is signed in, 403 where he may not.
 */
export function authorize(people: PeopleStore, sessions: SessionStore, audit: Audit): RouterMiddleware {
  const find = async (ctx: Context): Promise<(Found & { readonly person: PersonRow }) | undefined> => {
    const secret = ctx.cookies.get(COOKIE);
    if (!secret) return undefined;
    const found = await sessions.find(secret, ctx.ip);
    const person = found && (await people.find(found.personId));
    return found && person ? { ...found, person } : undefined;
  };
  return async (ctx, next) => {
    const operations = operationsOf(ctx);
    const [operation] = operations;
    const found = await find(ctx);
    const requester = { address: ctx.ip, person: found?.person };
    if (found) {
      (ctx.state as { signedIn?: SignedIn }).signedIn = { person: found.person, key: found.key };
      if (found.secret !== undefined) setSecret(ctx, found.secret);
    }
    for (const need of operations.map((one) => one?.needs ?? 'own the shop')) {
      if (need === 'anyone') continue;
      if (!found) throw new HttpProblem(401, 'Sign in', 'Sign in first. What you typed is kept here.');
      if (isAllowed(found.person, need)) continue;
      await audit.write('refused', `${ctx.method} ${ctx.path}`, requester);
      throw new HttpProblem(
        403,
        'Not for your role',
        `Your account (${found.person.role}) is not allowed this. Ask an owner of the shop.`,
      );
    }
    await onBehalfOf(requester, next);
    if (found && !isAllowed(found.person, 'prices') && isPlain(ctx.body)) ctx.body = withoutCosts(ctx.body);
    const act = operation && ctx.status < 400 ? noted(operation) : undefined;
    if (act) await audit.write(act, ctx.path.slice(API.length), requester);
  };
}
