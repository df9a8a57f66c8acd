import type { RangePlan } from '../../core/document/index.ts';
import { RangeSchema } from '../../core/document/index.ts';
import { checker } from '../checker.ts';
import { stepsByField } from './steps-by-field.ts';
import { steppedCollection } from './collection.ts';

/** Ranges: plans of a shop’s wall. */
export const ranges = steppedCollection({
  key: 'ranges',
  noun: 'range',
  schema: RangeSchema,
  check: checker<RangePlan>(RangeSchema),
  steps: stepsByField(),
});
