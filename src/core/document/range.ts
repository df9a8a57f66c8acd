import type { Static } from '@sinclair/typebox';
import { Type } from '@sinclair/typebox';
import { idOf } from './ids.ts';
import { closed, named, ranged, whole, words } from './parts.ts';

/** Most heads a range is chosen from, and most briefs it is chosen for. */
export const MOST_CANDIDATES = 400;
/** Most briefs a range is planned for. */
export const MOST_BRIEFS = 60;

const OfferSchema = Type.Object(
  {
    design: idOf('designs', 'The head on the Rack'),
    cost: Type.Optional(ranged(0, 100_000, 'One piece, bought or made')),
    price: Type.Optional(ranged(0, 100_000, 'One piece, sold')),
    pack: Type.Optional(whole(1, 1000, 'Pieces in a pack')),
    minimum: Type.Optional(whole(1, 1000, 'Packs that must be taken at once')),
    mould: Type.Optional(words(120, 'What it is cast in; heads of one mould share it')),
  },
  closed,
);
/** What a head costs and sells for, its packs and its mould, as a range keeps it. */
export type Offer = Static<typeof OfferSchema>;

/**
 * A range to be planned: the heads it is chosen from with their prices, the briefs it must cover, its limits,
 * and what hangs. Money is the shop's own.
 */
export const RangeSchema = Type.Object(
  {
    ...named('fern-anvil/range'),
    offers: Type.Array(OfferSchema, { maxItems: MOST_CANDIDATES, description: 'What may hang' }),
    briefs: Type.Array(idOf('briefs', 'A brief'), {
      maxItems: MOST_BRIEFS,
      uniqueItems: true,
      description: 'What it must cover',
    }),
    limits: Type.Object(
      {
        heads: Type.Optional(whole(1, MOST_CANDIDATES, 'Heads on the wall')),
        moulds: Type.Optional(whole(0, MOST_CANDIDATES, 'Moulds to be made')),
        metals: Type.Optional(whole(1, 20, 'Metals')),
        hooks: Type.Optional(whole(1, 60, 'Hook sizes')),
        outlay: Type.Optional(ranged(0, 10_000_000, 'First-order budget')),
      },
      { ...closed, description: 'What the wall may take; what is left out is not limited' },
    ),
    keep: Type.Array(idOf('designs', 'A head'), {
      maxItems: MOST_CANDIDATES,
      description: 'Heads always in the range',
    }),
    drop: Type.Array(idOf('designs', 'A head'), {
      maxItems: MOST_CANDIDATES,
      description: 'Heads never in the range',
    }),
    wall: Type.Array(idOf('designs', 'A head'), {
      maxItems: MOST_CANDIDATES,
      description: 'What hangs, peg by peg',
    }),
    colours: Type.Array(words(60, 'A colour'), {
      maxItems: 40,
      description: 'Colours to be mixed, from light to dark',
    }),
    trailers: Type.Array(idOf('plastics', 'A plastic'), {
      maxItems: 40,
      description: 'Plastics to be mixed in',
    }),
    each: whole(3, 5, 'How many of heads, colours and trailers span the field'),
  },
  { ...closed, $id: 'fern-anvil-range-1', title: 'Fern Anvil range, version 1' },
);
/** A range’s document. */
export type RangePlan = Static<typeof RangeSchema>;
