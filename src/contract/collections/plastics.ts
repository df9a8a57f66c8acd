import type { Plastic } from '../../core/plastic/index.ts';
import { PlasticSchema } from '../../core/plastic/index.ts';
import { checker } from '../checker.ts';
import { plainCollection } from './collection.ts';

export const checkPlasticDocument = checker<Plastic>(PlasticSchema);

export const plastics = plainCollection({
  key: 'plastics',
  noun: 'plastic',
  schema: PlasticSchema,
  check: checkPlasticDocument,
});
