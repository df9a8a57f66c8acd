import type { Trial } from '../../core/document/index.ts';
import { TrialSchema } from '../../core/document/index.ts';
import type { Checked } from '../checker.ts';
import { checker, refused } from '../checker.ts';
import { stepsByField } from './steps-by-field.ts';
import { steppedCollection } from './collection.ts';

const checkShape = checker<Trial>(TrialSchema);

/** A day on the water: of its schema, and every rig at one of its places. */
function checkTrialDocument(data: unknown): Checked<Trial> {
  const shaped = checkShape(data);
  if (!shaped.ok) return shaped;
  const { rigs, places } = shaped.value;
  const odd = rigs.findIndex(({ place }) => place >= places.length);
  if (odd < 0) return shaped;
  return refused(
    `/rigs/${odd}/place`,
    `Rig ${odd + 1}: its place is not among the day’s ${places.length}. Choose one of them.`,
  );
}

/** Trials: days on the water. */
export const trials = steppedCollection({
  key: 'trials',
  noun: 'day',
  schema: TrialSchema,
  check: checkTrialDocument,
  steps: stepsByField(),
});
