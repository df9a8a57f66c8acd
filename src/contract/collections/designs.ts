import type { Design } from '../../core/document/index.ts';
import { DesignSchema, describeChange } from '../../core/document/index.ts';
import { checker } from '../checker.ts';
import { steppedCollection } from './collection.ts';

/** Returns a design’s document, or every wrong field. */
export const checkDesignDocument = checker<Design>(DesignSchema);

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
