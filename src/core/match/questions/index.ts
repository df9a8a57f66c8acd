import type { QuestionKey } from '../../document/brief-words.ts';
import { bait } from './bait.ts';
import { cost } from './cost.ts';
import { cover } from './cover.ts';
import { cracks } from './cracks.ts';
import { depth } from './depth.ts';
import { eye } from './eye.ts';
import { hold } from './hold.ts';
import { hooks } from './hooks.ts';
import { lands } from './lands.ts';
import { moves } from './moves.ts';
import { point } from './point.ts';
import type { Question } from './question.ts';
import { rest } from './rest.ts';
import { sounder } from './sounder.ts';
import { stays } from './stays.ts';
import { tackle } from './tackle.ts';
import { taken } from './taken.ts';

/** Every question, in the order it is read; a new one is one file, its key and one line here. */
export const QUESTIONS: readonly Question[] = [
  depth,
  hold,
  rest,
  cover,
  point,
  cracks,
  eye,
  bait,
  stays,
  moves,
  taken,
  hooks,
  lands,
  tackle,
  sounder,
  cost,
];

const byKey = new Map(QUESTIONS.map((question) => [question.key, question]));

/** The question of a key. Throws for one that is not there, which the schema does not let in. */
export function questionOf(key: QuestionKey): Question {
  const found = byKey.get(key);
  if (!found) throw new Error(`There is no question called ${key}.`);
  return found;
}
