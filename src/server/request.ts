import type { Context } from 'koa';
import type { Checked } from '../contract/validate.ts';
import { HttpProblem, invalid } from './problem.ts';

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
  return Number(match[1]);
}

/** The same where it must be there: a save that says not what it was made against could overwrite somebody's work. */
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

/** A name as a file may carry it. */
export const fileName = (name: string): string => name.replace(/[^\w .-]+/g, '_').slice(0, 80) || 'design';
