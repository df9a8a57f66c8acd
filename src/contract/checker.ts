import type { TSchema } from '@sinclair/typebox';
import type { Ajv, ValidateFunction } from 'ajv';
import type { Problem } from '../core/document/index.ts';
import { overgrown, unstorable } from './bounds.ts';
import { ajv } from './engine.ts';
import { problemsFrom } from './sentences.ts';

/** What came of checking a document against its schema. */
export type Checked<T> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly problems: readonly Problem[] };

/**
 * Returns a check of plain data against a schema, compiled when it is first asked for: a start needs few of
 * them.
 */
export function checker<T>(schema: TSchema, engine: Ajv = ajv): (data: unknown) => Checked<T> {
  let validate: ValidateFunction | undefined;
  return (data) => {
    validate ??= engine.compile(schema);
    const grown = overgrown(data);
    if (grown.length > 0) return { ok: false, problems: grown };
    if (validate(data)) {
      const odd = unstorable(data);
      return odd.length === 0 ? { ok: true, value: data as T } : { ok: false, problems: odd };
    }
    return { ok: false, problems: problemsFrom(validate.errors ?? []) };
  };
}

/** One problem as the answer of a check. */
export const refused = (path: string, message: string): Checked<never> => ({
  ok: false,
  problems: [{ path, message }],
});
