import type { Plastic } from '../../core/plastic/index.ts';
import { PlasticSchema } from '../../core/plastic/index.ts';
import { checker } from '../checker.ts';
import { plainCollection } from './collection.ts';

/** Returns a plastic’s document, or every wrong field. */
export const checkPlasticDocument = checker<Plastic>(PlasticSchema);

/** Plastics: soft baits. */
export const plastics = plainCollection({
  key: 'plastics',
  noun: 'plastic',
  schema: PlasticSchema,
  check: checkPlasticDocument,
});
