import type { Static } from '@sinclair/typebox';
import { Type } from '@sinclair/typebox';
import { CUTTERS } from '../cutter/kinds.ts';
import { idOf } from './ids.ts';
import { choice, closed, HeldDesign, named, ranged } from './parts.ts';

/** Which half of a mould is cut. */
export const HALVES = ['left', 'right', 'both'] as const;

/** Ranges of a mould's numbers, in stored units: of schema and form alike. */
export const MOULD_RANGES = {
  shrink: [0, 25],
  wall: [3, 40],
  between: [2, 40],
  pin: [2, 12],
  gate: [0.6, 10],
  sprue: [2, 20],
  draft: [0, 10],
  diameter: [0.3, 60],
  tip: [20, 170],
  depth: [0, 80],
  place: [-300, 300],
} as const satisfies Record<string, readonly [number, number]>;

const limited = (key: keyof typeof MOULD_RANGES, description: string) =>
  ranged(MOULD_RANGES[key][0], MOULD_RANGES[key][1], description);

/** Most cuts in one cavity, and most cavities in a block. */
export const MOST_CUTS = 12;
/** Most cavities in a block. */
export const MOST_CAVITIES = 12;

const CutSchema = Type.Object(
  {
    cutter: choice(
      CUTTERS.map(({ key }) => key),
      'End of the cutter',
    ),
    diameter: limited('diameter', 'mm'),
    tip: Type.Optional(limited('tip', 'Of a cone: angle of its point, degrees')),
    side: choice(HALVES, 'Half that is cut'),
    at: Type.Object(
      {
        x: limited('place', 'Along the shank towards the nose, mm'),
        z: limited('place', 'Towards the point, mm'),
      },
      { ...closed, description: 'Where the cutter’s axis stands, in the cavity' },
    ),
    to: Type.Optional(
      Type.Object(
        { x: limited('place', 'mm'), z: limited('place', 'mm') },
        { ...closed, description: 'Where it is drawn to at the same depth; absent for a plunge' },
      ),
    ),
    depth: limited('depth', 'How far its end goes below the face of the half, mm'),
  },
  closed,
);
/** One cut into a cavity, as a mould’s document keeps it; mm and degrees. */
export type Cut = Static<typeof CutSchema>;

const CavitySchema = Type.Object(
  {
    design: HeldDesign('What it throws, as it was when the mould was laid out'),
    of: Type.Optional(idOf('designs', 'The design on the Rack it came from')),
    cuts: Type.Array(CutSchema, { maxItems: MOST_CUTS, description: 'Changes by cutter, in their order' }),
  },
  closed,
);

/** What a mould is for: to pour molten metal into, or to press powder that is sintered. */
export const MAKINGS = ['pour', 'press'] as const;

/** A mould laid out, as a document. mm, degrees. */
export const MouldSchema = Type.Object(
  {
    ...named('fern-anvil/mould'),
    of: Type.Optional(idOf('designs', 'The design on the Rack it was begun from')),
    making: choice(MAKINGS, 'Poured, or pressed and sintered'),
    shrink: limited('shrink', 'How much of a length metal loses as it cools or sinters, per cent'),
    wall: limited('wall', 'Block left around everything, mm'),
    between: limited('between', 'Block left between cavities, mm'),
    pin: limited('pin', 'Diameter of the locating pins, mm'),
    gate: Type.Optional(
      limited('gate', 'Diameter where the sprue meets the head, mm; by the metal where absent'),
    ),
    sprue: Type.Optional(limited('sprue', 'Diameter of the sprue’s mouth, mm; by the metal where absent')),
    draft: limited('draft', 'Least slope of a wall, so that castings release, degrees'),
    cavities: Type.Array(CavitySchema, { minItems: 1, maxItems: MOST_CAVITIES }),
  },
  { ...closed, $id: 'fern-anvil-mould-1', title: 'Fern Anvil mould, version 1' },
);
/** A mould’s document. */
export type Mould = Static<typeof MouldSchema>;
