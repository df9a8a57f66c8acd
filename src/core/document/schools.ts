import { isKeyOf, keysOf } from '../kind/keys.ts';
/**
 * Matters on which practitioners are of two minds. The first school of each is the default, `why` says for
 * what reason; a shop or a brief may choose the other. Common practice, no source.
 */
export const SCHOOLS = {
  'eye plane': {
    title: 'Plane of the eye on stone and wood',
    why: 'Most of what is dragged is broad, and a broad head is led over an edge.',
    sides: {
      crosswise: 'A crosswise eye climbs over an edge or a bar; an in-line eye rolls aside and catches.',
      'in line': 'An in-line eye slips through grass, wood and stone more easily on slim heads.',
    },
  },
  'ball eye': {
    title: 'Eye of a ball on clean bottom',
    why: 'From above a ball is led level, and nothing there catches its nose.',
    sides: {
      '90°': 'An eye at 90° and a bare hook.',
      '60°': 'An eye at 60°, as elsewhere.',
    },
  },
  'guard trim': {
    title: 'Fibre guards',
    why: 'Fibres that end at the point guard as well and cost less of the hook-set.',
    sides: {
      trimmed: 'Trim the fibres so that their ends line up with the point.',
      'as bought': 'Leave the fibres as they were bought.',
    },
  },
  'weedless keeper': {
    title: 'Keeper for weedless rigging',
    why: 'In dense cover a bait that slides is a fish lost; elsewhere a tight seat hooks more.',
    sides: {
      'by cover': 'A screw in dense cover, a plain seat where the cover allows.',
      plain: 'Keep the bait tight to a plain wire keeper: more hook-ups, above all on light line.',
      screw: 'A screw everywhere: it holds and streamlines best.',
    },
  },
  'open point': {
    title: 'Opening the point',
    why: 'A bent hook is a weaker hook.',
    sides: {
      'as made': 'Never bend a hook.',
      opened: 'Turn the point a hair outwards in sparse cover: more hook-ups, fish landed fast.',
    },
  },
  'head colour': {
    title: 'Colour of the head',
    why: 'A head in the bait’s own colour is never wrong.',
    sides: {
      matched: 'Match the head to the bait.',
      spot: 'Give fish a bright spot to aim at.',
    },
  },
  'rod action': {
    title: 'Rod for heads',
    why: 'A rod that gives keeps a head from being thrown.',
    sides: {
      moderate: 'A moderate rod keeps fish on.',
      fast: 'A fast rod tells more of the bottom and of the bite.',
    },
  },
  leader: {
    title: 'Leader',
    why: 'What is felt through a head is most of its worth.',
    sides: {
      fluorocarbon: 'Fluorocarbon: unseen, and it tells more.',
      nylon: 'Stretchy nylon: it gives when a fish turns.',
    },
  },
  'fish size': {
    title: 'Does a bigger bait sort bigger fish?',
    why: 'In hardly more than some kinds of fish does it.',
    sides: {
      hardly: 'Hardly: fish of all sizes take the usual bait.',
      'it does': 'It does: offer more to see for the largest.',
    },
  },
  cure: {
    title: 'Curing paint',
    why: 'Paint cures by temperature and time, not by its look.',
    sides: {
      measured: 'By the maker’s schedule, at a measured temperature.',
      'by eye': 'Until it looks done.',
    },
  },
} as const;
/** A topic on which practitioners are of two minds. */
export type SchoolTopic = keyof typeof SCHOOLS;
/** All such topics, in the order of forms. */
export const SCHOOL_TOPICS = keysOf(SCHOOLS);

/** Schools a shop or a brief has chosen. */
export type Schools = { readonly [T in SchoolTopic]?: string | undefined };

/**
 * The school followed on a topic: the brief’s own choice, then the shop’s, then the default; undefined for a
 * topic nobody knows.
 */
export function schoolOf(topic: string, brief?: Schools, shop?: Schools): string | undefined {
  if (!isKeyOf(SCHOOLS, topic)) return undefined;
  return brief?.[topic] ?? shop?.[topic] ?? Object.keys(SCHOOLS[topic].sides)[0];
}
