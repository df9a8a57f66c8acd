import type { Batch } from './batch.ts';
import type { Design } from './design.ts';
import type { Mould } from './mould.ts';
import type { RangePlan } from './range.ts';
import type { Trial } from './trial.ts';

/**
 * Shrinkage that a mould allows for where nothing else is known, per cent of length: poured, and sintered
 * (common practice, no source).
 */
const SHRINK = { pour: 0.7, press: 17 } as const;

/** A mould of one cavity to begin with. */
export const newMould = (design: Design, of: string, making: Mould['making']): Mould => ({
  format: 'fern-anvil/mould',
  version: 1,
  name: `${design.name.slice(0, 110)} mould`,
  of,
  making,
  shrink: SHRINK[making],
  wall: 6,
  between: 5,
  pin: 5,
  draft: 1,
  cavities: [{ design, of, cuts: [] }],
});

/**
 * A batch to begin with: the design as it is now, and what a small shop pours with (common practice, no
 * source).
 */
export const newBatch = (
  design: Design,
  of: { readonly id: string; readonly version: number },
  day: string,
  wanted: { readonly target: number; readonly at: number },
): Batch => ({
  format: 'fern-anvil/batch',
  version: 1,
  name: `${design.name.slice(0, 100)}, ${day}`,
  day,
  design,
  of: of.id,
  ofVersion: of.version,
  cavities: 4,
  heads: 100,
  wanted: { target: wanted.target, room: Math.max(0.02, Math.round(3 * wanted.target) / 100) },
  pour: {
    heater: 'pot',
    watts: 500,
    efficiency: 0.65,
    pot: 4000,
    room: 20,
    at: wanted.at,
    perShot: 45,
    sprue: 4,
    loss: 0.04,
    rejects: 0.08,
  },
  cost: { hook: 0.12, wire: 0.02, guard: 0, paint: 0.03, energy: 0.3, wage: 16, price: 1.2 },
  weighings: [],
});

/** A plan of a range with nothing in it. */
export const newRange = (name: string): RangePlan => ({
  format: 'fern-anvil/range',
  version: 1,
  name,
  offers: [],
  briefs: [],
  limits: {},
  keep: [],
  drop: [],
  wall: [],
  colours: [],
  trailers: [],
  each: 3,
});

/** A day on the water with one place. */
export const newTrial = (name: string, day: string): Trial => ({
  format: 'fern-anvil/trial',
  version: 1,
  name,
  day,
  places: [{ name: 'Here' }],
  rigs: [],
  drops: [],
  tows: [],
});
