import { causesOf, messageOf } from '../core/kind/index.ts';
import type { Middleware } from 'koa';
import helmet from 'koa-helmet';
import type { Logger } from 'pino';
import { isStorable } from '../core/quantity/index.ts';
import { LOST } from './postgres-address.ts';
import { HttpProblem } from './problem.ts';
import { requestId } from './access-log.ts';

/** What a server that is seen by others answers as. */
export interface Served {
  /** names that a request may be for, with their port where they have one */
  readonly hosts: readonly string[];
  /** where its pages come from */
  readonly origins: readonly string[];
}

const LOOPBACK = /^(127\.0\.0\.1|localhost|\[::1\])(:\d+)?$/;

/** What the page may load: its own files and nothing else. WebAssembly is the solid library's. */
export const securityHeaders = (served?: Served): Middleware =>
  helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'none'"],
        scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
        workerSrc: ["'self'"],
        styleSrc: ["'self'"],
        imgSrc: ["'self'", 'data:'],
        fontSrc: ["'self'"],
        connectSrc: ["'self'"],
        manifestSrc: ["'self'"],
        baseUri: ["'none'"],
        formAction: ["'none'"],
        frameAncestors: ["'none'"],
      },
    },
    // On this machine only it is served without TLS.
    strictTransportSecurity: served ? { maxAge: 31_536_000, includeSubDomains: false } : false,
  });

/**
 * Takes requests only under a loopback name, or the names given, which stops other sites from reaching in by
 * DNS tricks, and lets nothing be changed from another origin or by a plain form.
 */
export function guardRequests(served?: Served): Middleware {
  return async (ctx, next) => {
    const host = ctx.get('Host');
    if (!(served ? served.hosts.includes(host.toLowerCase()) : LOOPBACK.test(host))) {
      throw new HttpProblem(
        421,
        'Wrong host',
        served
          ? `This server answers only as ${served.hosts.join(', ')}. Open it under the address it printed.`
          : 'This server answers only as localhost. Open it under the address it printed.',
      );
    }
    const origin = ctx.get('Origin');
    if (origin && !(served ? served.origins.includes(origin) : origin === `http://${host}`)) {
      throw new HttpProblem(403, 'Other origin', 'Requests from other pages are not taken.');
    }
    // Another site may not put this server to work either, whatever it asks with: a page's own requests say
    // so, a person's typing says none.
    const site = ctx.get('Sec-Fetch-Site');
    if (site && site !== 'same-origin' && site !== 'none' && ctx.path.startsWith('/api/')) {
      throw new HttpProblem(403, 'Other site', 'Requests from other sites are not taken.');
    }
    // Told before anything is done: an answer that cannot be sent must not follow a change that was made.
    if (!ctx.acceptsEncodings('br', 'gzip', 'deflate', 'identity')) {
      throw new HttpProblem(
        406,
        'No encoding',
        'Accept-Encoding leaves no way to answer. Allow gzip or identity.',
      );
    }
    let asked: string;
    try {
      asked = decodeURIComponent(ctx.path) + decodeURIComponent(ctx.querystring.replace(/\+/g, ' '));
    } catch {
      throw new HttpProblem(
        400,
        'Bad address',
        'The address holds a character that cannot be read. Write it anew.',
      );
    }
    if (!isStorable(asked)) {
      throw new HttpProblem(400, 'Bad address', 'The address holds a broken character. Write it anew.');
    }
    if (ctx.path.startsWith('/api/')) ctx.set('Cache-Control', 'no-store');
    const writes = ctx.method === 'POST' || ctx.method === 'PUT';
    const length = ctx.request.length ?? 0;
    if (writes && length > 0 && !ctx.is('json')) {
      throw new HttpProblem(415, 'Not JSON', 'Send the body as application/json.');
    }
    await next();
  };
}

/** Whether a write failed for want of room: PostgreSQL’s disk_full, or the system’s own word for it. */
export function isDiskFull(error: unknown): boolean {
  for (const { code, errno, name, message } of causesOf(error))
    if (
      // The database's own file layer, which counts its errors by WASI: 51 is no space left.
      (name === 'ErrnoError' && errno === 51) ||
      code === '53100' ||
      code === 'ENOSPC' ||
      /no space left|ENOSPC|could not extend file/i.test(String(message))
    )
      return true;
  return false;
}

/** Whether a write failed because the key it inserts is there already: PostgreSQL’s unique_violation. */
export const isTaken = (error: unknown): boolean => [...causesOf(error)].some(({ code }) => code === '23505');

/** Whether the connection to the database was lost, or none can be had. */
const isDatabaseLost = (error: unknown): boolean => [...causesOf(error)].some(({ code }) => code === LOST);

/**
 * PostgreSQL's words for a statement that waited for others, or worked, for too long: lock_not_available,
 * query_canceled, deadlock_detected, serialization_failure.
 */
const HELD_UP = ['55P03', '57014', '40P01', '40001'];
const isHeldUp = (error: unknown): boolean =>
  [...causesOf(error)].some(({ code }) => HELD_UP.includes(String(code)));

/** Words that the system and its streams have for an asker who has gone away. */
const GONE = [
  'ECONNRESET',
  'EPIPE',
  'ECONNABORTED',
  'ERR_STREAM_PREMATURE_CLOSE',
  'ABORT_ERR',
  'HPE_INVALID_EOF_STATE',
];

/** Whether nothing failed but that whoever asked has gone away. */
export const isGone = (error: unknown): boolean =>
  [...causesOf(error)].some(
    ({ code, name, message }) =>
      GONE.includes(String(code)) ||
      name === 'AbortError' ||
      message === 'aborted' ||
      message === 'request aborted',
  );

/**
 * A failure for the log: its words and where it came from, without the documents that a failed query carries
 * along.
 */
export const brief = (error: unknown) => ({
  failures: [...causesOf(error)].map(({ name, code, message }) => ({
    name,
    code,
    message: String(message)
      .replace(/\bparams: [\s\S]*/, 'params left out')
      .slice(0, 500),
  })),
  stack: String((error as { stack?: unknown }).stack)
    .split('\n')
    .filter((line) => /^\s+at /.test(line))
    .slice(0, 12),
});

/** What whoever asked is told of a failure that nobody meant for telling. */
function problemOf(error: unknown): HttpProblem {
  if (isDiskFull(error))
    return new HttpProblem(
      507,
      'Disk full',
      'The disk the data lies on is full, so this was not kept. Make room and send it again.',
    );
  if (isDatabaseLost(error))
    return new HttpProblem(
      503,
      'No database',
      'The database does not answer. What you sent may not be kept: look, and send it again when it is there.',
    );
  if (isHeldUp(error))
    return new HttpProblem(
      503,
      'Busy',
      'Others work on the same, or too much is asked at once. Nothing you sent was changed; try again.',
    );
  if (isTaken(error))
    return new HttpProblem(
      409,
      'There already',
      'Somebody made this at the same moment. Look at what is there, and send yours again if it is still wanted.',
    );
  const { status } = error as { status?: number };
  return status !== undefined && status >= 400 && status < 500
    ? new HttpProblem(status, 'Not taken', messageOf(error))
    : new HttpProblem(500, 'Failed', 'Something went wrong here. Nothing you sent was changed; try again.');
}

/** Turns every failure into problem details; what nobody foresaw is logged and told without its insides. */
export function tellProblems(log: Logger): Middleware {
  return async (ctx, next) => {
    try {
      await next();
    } catch (error) {
      const problem = error instanceof HttpProblem ? error : problemOf(error);
      // A client that went away is no failure of the server's.
      if (problem.details.status >= 500 && !isGone(error))
        log.error({ id: requestId(ctx), ...brief(error) }, 'request failed');
      ctx.status = problem.details.status;
      ctx.body = JSON.stringify(problem.details);
      ctx.type = 'application/problem+json';
    }
  };
}
