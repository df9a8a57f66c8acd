import { randomUUID } from 'node:crypto';
import type { Context, Middleware } from 'koa';
import type { Logger } from 'pino';

/** An id that something in front of the server may have given a request. */
const GIVEN = /^[\w-]{8,64}$/;

/** The route that answered, with parts as `:id`; what is no route is a page or a file of one. */
export function routeOf(ctx: Context): string {
  const { _matchedRoute: route } = ctx as { _matchedRoute?: unknown };
  return typeof route === 'string' ? route : ctx.path.startsWith('/api/') ? 'none' : 'page';
}

/** The id of a request, which its answer carries and the log names. */
export const requestId = (ctx: Context): string =>
  String((ctx.state as { requestId?: string }).requestId ?? '');

/**
 * Gives each request an id, and writes a line of it where the log’s level is `info`: route, status,
 * milliseconds, bytes and from where, and nothing of what was sent or asked for by name.
 */
export const accessLog =
  (log: Logger): Middleware =>
  async (ctx, next) => {
    const given = ctx.get('X-Request-Id');
    const id = ctx.app.proxy && GIVEN.test(given) ? given : randomUUID();
    (ctx.state as { requestId?: string }).requestId = id;
    ctx.set('X-Request-Id', id);
    const began = performance.now();
    ctx.res.once('close', () => {
      log.info(
        {
          id,
          route: routeOf(ctx),
          method: ctx.method,
          status: ctx.res.statusCode,
          ms: Math.round(performance.now() - began),
          bytes: ctx.response.length,
          address: ctx.ip,
          isWhole: ctx.res.writableFinished,
        },
        'answered',
      );
    });
    await next();
  };
