import type { Design } from '../../core/document/index.ts';
import { articleProblems, DesignSchema, describeChange } from '../../core/document/index.ts';
import type { Checked } from '../checker.ts';
import { checker } from '../checker.ts';
import { steppedCollection } from './collection.ts';

const checkShape = checker<Design>(DesignSchema);

/** Returns a design’s document, or every wrong field. */
export function checkDesignDocument(data: unknown): Checked<Design> {
  const checked = checkShape(data);
  if (!checked.ok) return checked;
  const problems = articleProblems(checked.value.article);
  return problems.length === 0 ? checked : { ok: false, problems };
}

/** The field a step is about: its words begin with it. */
const field = (words: string): string | undefined => words.split(':')[0];

/** Designs of heads. */
export const designs = steppedCollection({
  key: 'designs',
  noun: 'design',
  schema: DesignSchema,
  check: checkDesignDocument,
  steps: {
    most: 400,
    words: describeChange,
    isAlike: (before, after) => field(before) === field(after),
  },
});
