import type { Brief } from '../../../document/brief.ts';
import { KILOGRAMS_PER_POUND, METRES_PER_FOOT, MM_PER_INCH } from '../../../quantity/units.ts';

/** A situation of the trade: what many people stand before, in the words of a brief. */
export interface KnownSituation {
  readonly key: string;
  readonly brief: Brief;
}

/** Kilograms in a pound: breaking strains are told in pounds. */
export const LB = KILOGRAMS_PER_POUND;
const FT = METRES_PER_FOOT;
const IN = MM_PER_INCH;

type Said = Partial<Omit<Brief, 'water' | 'fishing' | 'cover' | 'bottom'>> & {
  readonly water?: Partial<Brief['water']>;
  readonly bottom?: Partial<Brief['bottom']>;
  readonly cover?: Partial<Brief['cover']>;
};

/** A brief from the few words it takes: feet, pounds and inches, as the trade counts. */
export function situation(
  key: string,
  name: string,
  feet: number,
  bottom: Brief['bottom']['kinds'][number],
  cover: Brief['cover']['kinds'][number] | 'open',
  fishing: Brief['fishing'],
  [kind, inches]: readonly [Brief['bait']['kind'], number],
  [material, pounds]: readonly [Brief['line']['material'], number],
  said: Said = {},
): KnownSituation {
  return {
    key,
    brief: {
      format: 'fern-anvil/brief',
      version: 2,
      name,
      ...said,
      water: { kind: 'fresh', depth: feet * FT, ...said.water },
      bottom: { kinds: [bottom], ...said.bottom },
      cover: { kinds: cover === 'open' ? [] : [cover], ...said.cover },
      fishing,
      line: { material, test: pounds * LB },
      bait: { kind, length: inches * IN },
    },
  };
}
