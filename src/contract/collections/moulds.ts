import type { Mould } from '../../core/document/index.ts';
import { MouldSchema } from '../../core/document/index.ts';
import { checker } from '../checker.ts';
import { stepsByField } from './changed-fields.ts';
import { steppedCollection } from './collection.ts';

export const checkMouldDocument = checker<Mould>(MouldSchema);

export const moulds = steppedCollection({
  key: 'moulds',
  noun: 'mould',
  schema: MouldSchema,
  check: checkMouldDocument,
  steps: stepsByField(),
});
