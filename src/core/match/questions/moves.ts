import { familyOf } from '../../head/families/index.ts';
import type { Retrieve } from '../../document/brief-words.ts';
import type { Question } from './question.ts';
import { toDesign } from './question.ts';

/** The shape each way of fishing is made with first (common practice, no source). */
const FIRST: Readonly<Record<Retrieve, string>> = {
  drag: 'football',
  crawl: 'football',
  'wind on the bottom': 'football',
  hop: 'football',
  stroke: 'football',
  shake: 'standup',
  swim: 'swimmer',
  twitch: 'dart',
  snap: 'glider',
  'slow troll': 'ball',
  drift: 'ball',
  vertical: 'ball',
  pendulum: 'ball',
  pitch: 'wedge',
  skip: 'wedge',
  punch: 'pointed',
};

/** Whether it does what the way of fishing asks of it. */
export const moves: Question = {
  key: 'moves',
  name: 'Moves as wanted',
  asks: 'Does it do what this way of fishing wants of it?',
  mistake: 'a head made for another way of fishing',
  isAsked: () => true,
  isOfShape: true,
  isPurpose: true,
  isDecisive: () => true,
  changes: ({ retrieve }) => {
    const key = FIRST[retrieve];
    return [toDesign('/head/family', key, `shape: ${familyOf(key)?.name.toLowerCase() ?? key}`)];
  },
};
