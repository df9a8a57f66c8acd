import type { Mould } from '../../core/document/index.ts';
import { MouldSchema } from '../../core/document/index.ts';
import { checker } from '../checker.ts';
import { stepsByField } from './steps-by-field.ts';
import { steppedCollection } from './collection.ts';

/** Returns a mould’s document, or every wrong field. */
export const checkMouldDocument = checker<Mould>(MouldSchema);

/** Moulds laid out around heads. */
export const moulds = steppedCollection({
  key: 'moulds',
  noun: 'mould',
  schema: MouldSchema,
  check: checkMouldDocument,
  steps: stepsByField(),
});
