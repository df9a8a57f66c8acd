import anyAscii from 'any-ascii';
import type { Context } from 'koa';
import { shortened } from '../core/quantity/index.ts';
import { HttpProblem, invalid } from './problem.ts';
import type { Checked } from '../contract/checker.ts';

/** Reads a body as it is, up to so many bytes. */
export const readBytes =
  (limit: number) =>
  async (ctx: Context): Promise<Uint8Array> => {
    const parts: Uint8Array[] = [];
    let size = 0;
    for await (const part of ctx.req as AsyncIterable<Uint8Array>) {
      size += part.byteLength;
      if (size > limit)
        throw new HttpProblem(
          413,
          'Too large',
          `The file is larger than ${limit / 1e6} MB. A whole shop of any size goes by its backup: ` +
            'npm start -- --restore FILE.',
        );
      parts.push(part);
    }
    // Of memory of its own, so that it can be handed to a thread.
    return new Uint8Array(Buffer.concat(parts));
  };

/** What was sent, once checked; a wrong body or query is told with its fields. */
export function taken<T>(checked: Checked<T>): T {
  if (!checked.ok) throw invalid(checked.problems);
  return checked.value;
}

/** Version named by the If-Match header; undefined when it is absent or `*`. */
export function expectedVersion(ctx: Context): number | undefined {
  const header = ctx.get('If-Match');
  if (header === '' || header === '*') return undefined;
  const match = /^(?:W\/)?"v(\d+)"$/.exec(header.trim());
  if (!match)
    throw new HttpProblem(
      400,
      'Bad entity tag',
      'If-Match must hold an entity tag of this server, for example "v3".',
    );
  const version = Number(match[1]);
  // A number no save can have had names no version: it is stale, not a fault.
  return version <= 2_147_483_647 ? version : -1;
}

/**
 * The same where it must be there: a save that says not what it was made against could overwrite somebody's
 * work.
 */
export function wantedVersion(ctx: Context): number | undefined {
  const expected = expectedVersion(ctx);
  if (expected === undefined && ctx.get('If-Match') !== '*') {
    throw new HttpProblem(
      428,
      'Version wanted',
      'Send If-Match with the entity tag you read, so that nobody’s work is overwritten.',
    );
  }
  return expected;
}

/**
 * Whether a save is to be the first under its id (`If-None-Match: *`, RFC 9110 §13.1.2), so that one sent
 * twice makes one document.
 */
export function isFirst(ctx: Context): boolean {
  const header = ctx.get('If-None-Match');
  if (header === '') return false;
  if (header.trim() === '*') return true;
  throw new HttpProblem(
    400,
    'Bad condition',
    'If-None-Match can only be *: make this document if there is none under its id.',
  );
}

/** An id of the caller's as it may stand in an address. */
export function newId(id: string): string {
  if (/^[A-Za-z0-9][\w.-]{0,99}$/.test(id)) return id;
  throw new HttpProblem(
    422,
    'Not an id',
    'An id of your own has up to 100 letters, digits, dots, dashes and underscores, and begins with a letter or digit.',
  );
}

/**
 * Offers the answer as a file. Its name stands in the header in any script, and spelled in Latin letters for
 * those that know no other (RFC 6266).
 */
export function attach(ctx: Context, name: string): void {
  const latin = /[^\u0020-\u00ff]/.test(name) ? anyAscii(name) : name;
  ctx.attachment(name, { fallback: fileName(latin) });
}

/** A name as a file may carry it, in any script. */
export const fileName = (name: string): string =>
  shortened(name.replace(/[\p{C}/\\:*?"<>|]+/gu, '_').trim(), 80) || 'design';

/** Whoever asked has gone away: nothing more is computed for him. */
export function gone(ctx: Context): AbortSignal {
  const away = new AbortController();
  ctx.res.once('close', () => {
    if (!ctx.res.writableFinished) away.abort();
  });
  return away.signal;
}
