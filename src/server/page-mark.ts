import { isStorable } from '../core/quantity/index.ts';
import { HttpProblem } from './problem.ts';

/** Returns the mark of a page that ends with this row. */
export const writeCursor = ({ name, id }: { name: string; id: string }): string =>
  Buffer.from(JSON.stringify([name, id])).toString('base64url');

/** Returns the row a mark stands for. Throws 400 for a mark that is not of ours. */
export function readCursor(text: string): { name: string; id: string } {
  try {
    const [name, id] = JSON.parse(Buffer.from(text, 'base64url').toString('utf8')) as [unknown, unknown];
    if (typeof name === 'string' && typeof id === 'string' && isStorable(name + id)) return { name, id };
  } catch {
    // Told below, with every other cursor that is not ours.
  }
  throw new HttpProblem(400, 'Bad page', '“after” is not a page mark of this list. Start again without it.');
}
