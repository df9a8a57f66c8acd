import { differences } from '../../core/document/index.ts';
import type { Named, Steps } from './collection.ts';

/** Most fields that one step names. */
const MOST_NAMED = 4;

/**
 * Returns the steps of documents that are larger than a design: the fields that changed by their names, and
 * fewer steps of each.
 */
export const stepsByField = <T extends Named>(): Steps<T> => ({
  most: 60,
  words: (before, after) => {
    const fields = [...new Set(differences(before, after).map(({ path }) => path[0] ?? ''))];
    return fields.length > 0 ? `Changed: ${fields.slice(0, MOST_NAMED).join(', ')}` : '';
  },
  isAlike: (before, after) => before === after,
});
