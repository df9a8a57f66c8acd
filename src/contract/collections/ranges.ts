import type { RangePlan } from '../../core/document/index.ts';
import { RangeSchema } from '../../core/document/index.ts';
import { checker } from '../checker.ts';
import { stepsByField } from './steps-by-field.ts';
import { pointersTo, steppedCollection } from './collection.ts';

/** Ranges: plans of a shop’s wall. */
export const ranges = steppedCollection({
  key: 'ranges',
  noun: 'range',
  schema: RangeSchema,
  check: checker<RangePlan>(RangeSchema),
  pointsAt: ({ offers, keep, drop, wall, briefs, trailers }) => [
    ...pointersTo('designs', [...offers.map(({ design }) => design), ...keep, ...drop, ...wall]),
    ...pointersTo('briefs', briefs),
    ...pointersTo('plastics', trailers),
  ],
  steps: stepsByField(),
});
