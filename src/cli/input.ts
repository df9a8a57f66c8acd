import { messageOf } from '../core/kind/index.ts';
import { readFileSync } from 'node:fs';
import type { Problem } from '../core/document/index.ts';
import { inUnits } from '../core/quantity/index.ts';
import type { Checked } from '../contract/checker.ts';

/** Input that cannot be taken: told on standard error, code 2. */
export class BadInput extends Error {
  /** tells it from a failure without loading this file */
  readonly isBadInput = true;
}

/** A file’s JSON, or standard input’s where it is called `-`. */
export function readJson(file: string): unknown {
  let text: string;
  try {
    text = readFileSync(file === '-' ? 0 : file, 'utf8');
  } catch (error) {
    throw new BadInput(`${file}: cannot be read (${messageOf(error)}).`, { cause: error });
  }
  try {
    return JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch (error) {
    throw new BadInput(`${file}: is not JSON (${messageOf(error)}).`, { cause: error });
  }
}

/** What was accepted of a file, or bad input that names the file and every wrong field. */
export function accepted<T>(checked: Checked<T>, file: string): T {
  if (!checked.ok) throw badDocument(file, checked.problems);
  return checked.value;
}

/** Problems of a document as bad input. */
export const badDocument = (file: string, problems: readonly Problem[]): BadInput =>
  new BadInput(
    problems.map(({ path, message }) => `${file}: ${path || '/'}: ${inUnits(message, 'metric')}`).join('\n'),
  );
