import type { Batch } from '../../core/document/index.ts';
import { BatchSchema } from '../../core/document/index.ts';
import type { Checked } from '../checker.ts';
import { checker, refused } from '../checker.ts';
import { stepsByField } from './steps-by-field.ts';
import { steppedCollection } from './collection.ts';

const checkShape = checker<Batch>(BatchSchema);

/** A batch: of its schema, and every weighing of a cavity there is. */
function checkBatchDocument(data: unknown): Checked<Batch> {
  const shaped = checkShape(data);
  if (!shaped.ok) return shaped;
  const { weighings, cavities } = shaped.value;
  const odd = weighings.findIndex(({ cavity }) => cavity > cavities);
  if (odd < 0) return shaped;
  return refused(
    `/weighings/${odd}/cavity`,
    `Weighing ${odd + 1}: cavity ${weighings[odd]?.cavity} is not one of ${cavities}. Correct ` +
      'it, or raise the number of cavities.',
  );
}

/** Batches: heads poured and weighed. */
export const batches = steppedCollection({
  key: 'batches',
  noun: 'batch',
  schema: BatchSchema,
  check: checkBatchDocument,
  steps: stepsByField(),
});
