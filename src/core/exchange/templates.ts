import { keysOf } from '../kind/keys.ts';
import type { Weighing } from '../document/batch.ts';
import type { Design } from '../document/design.ts';
import type { HookDocument } from '../document/hook.ts';
import type { Trial } from '../document/trial.ts';
import { solveTarget } from '../assembly/solve.ts';
import { starterDesign } from '../document/starter.ts';
import { freshRig } from '../document/trial.ts';
import type { Family } from '../head/family.ts';
import { ball } from '../head/families/ball.ts';
import { football } from '../head/families/football.ts';
import { fractionText, nearestOunceFraction } from '../quantity/ounces.ts';
import { GRAMS_PER_OUNCE } from '../quantity/units.ts';
import { usualPlastic } from '../plastic/usual.ts';
import { writeHeadsCsv } from './heads-table/write-heads.ts';
import { writeHooksCsv } from './hooks-csv.ts';
import { writePlasticsCsv } from './plastics-csv.ts';
import { writeTrialsCsv } from './trials-csv.ts';
import { writeWeighingsCsv } from './weighings-csv.ts';

// All examples are invented.
const HOOKS: readonly HookDocument[] = [
  {
    format: 'fern-anvil/hook',
    version: 1,
    name: 'Example round bend',
    size: '3/0',
    style: 'round bend',
    gap: 13,
    shank: 31,
    wire: 1.1,
  },
  {
    format: 'fern-anvil/hook',
    version: 1,
    name: 'Example wide gap',
    size: '4/0',
    style: 'wide gap',
    gap: 15.2,
    shank: 35,
    wire: 1.2,
  },
];

const head = (family: Family, ounces: number, change: Partial<Design>): { design: Design; grams: number } => {
  const name = `Example ${family.name.toLowerCase()} ${fractionText(nearestOunceFraction(ounces * GRAMS_PER_OUNCE))}`;
  const grams = ounces * GRAMS_PER_OUNCE;
  const begun = starterDesign(family, name);
  const solved = solveTarget({
    ...begun,
    ...change,
    head: { ...begun.head, target: { grams, of: 'metal' } },
  });
  if (!solved.ok) throw new Error('An example cannot be built, which is a mistake of the program.');
  return { design: solved.design, grams };
};
const heads = () => [
  head(ball, 1 / 4, {
    article: {
      number: 'EX-014',
      ean: '4006381333931',
      price: 2.4,
      pack: 3,
      supplier: 'Example foundry',
      stock: 12,
    },
  }),
  head(football, 3 / 4, { notes: 'Sizes are left out: they are found from the weight.' }),
];

const DAY: Trial = {
  format: 'fern-anvil/trial',
  version: 1,
  name: 'Example day',
  day: '2026-05-30',
  places: [
    { name: 'Off the ledge', depth: 4, bottom: 'ledges' },
    { name: 'Reed edge', depth: 1.5, cover: 'grass or reeds' },
  ],
  rigs: [
    {
      ...freshRig('Example ball 3/8', 0),
      grams: 11.5,
      casts: 40,
      hangUps: 5,
      freed: 3,
      touches: 9,
      hookUps: 6,
      landed: 5,
      thrown: 1,
      lost: 2,
      hours: 2,
    },
    {
      ...freshRig('Example cone 3/16', 1),
      grams: 6,
      casts: 30,
      touches: 4,
      hookUps: 3,
      landed: 3,
      hours: 1.5,
    },
  ],
  drops: [],
  tows: [],
};

const WEIGHINGS: readonly Weighing[] = [
  { cavity: 1, piece: 1, grams: 11.52, by: 'file' },
  { cavity: 2, piece: 1, grams: 11.47, by: 'file' },
  { cavity: 1, piece: 2, grams: 11.55, by: 'file' },
];

const TEMPLATES = {
  heads: (full: boolean) => writeHeadsCsv(full ? heads() : []),
  hooks: (full: boolean) => writeHooksCsv(full ? HOOKS : []),
  plastics: (full: boolean) =>
    writePlasticsCsv(
      full
        ? [
            usualPlastic('stick', 5, { name: 'Example stick' }),
            usualPlastic('paddle-tail', 4, {
              name: 'Example paddle-tail',
              colour: 'green',
              colourClass: 'natural',
            }),
          ]
        : [],
    ),
  trials: (full: boolean) => writeTrialsCsv(full ? [DAY] : []),
  weighings: (full: boolean) => writeWeighingsCsv(full ? WEIGHINGS : []),
} as const;

/** A table there is a template of. */
export type TemplateKey = keyof typeof TEMPLATES;

/** Every table there is a template of. */
export const TEMPLATE_KEYS = keysOf(TEMPLATES);

/**
 * Returns a table to be filled in, CSV: its heading with units, and a few invented rows where `withExamples`.
 */
export const tableTemplate = (key: TemplateKey, withExamples: boolean): string =>
  TEMPLATES[key](withExamples);
