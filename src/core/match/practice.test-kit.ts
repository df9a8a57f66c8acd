import type { Brief } from '../document/brief.ts';
import { KILOGRAMS_PER_POUND, METRES_PER_FOOT, MM_PER_INCH, GRAMS_PER_OUNCE } from '../quantity/units.ts';
import type { Expected } from './expected.test-kit.ts';
import type { Head } from './head.ts';
import { pointState } from './head.ts';
import { shapeOf } from './shapes.ts';

/** A situation of the trade, what leads in it, and what must not. */
export interface Practice extends Expected {
  readonly key: string;
  readonly brief: Brief;
  /** what no head among the first ten may be */
  readonly not?: (head: Head) => boolean;
}

interface Said extends Expected {
  readonly not?: Practice['not'];
}

const water = (feet: number, more: Partial<Brief['water']> = {}): Brief['water'] => ({
  kind: 'fresh',
  depth: feet * METRES_PER_FOOT,
  ...more,
});
const line = (material: Brief['line']['material'], pounds: number): Brief['line'] => ({
  material,
  test: pounds * KILOGRAMS_PER_POUND,
});
const bait = (kind: Brief['bait']['kind'], inches: number): Brief['bait'] => ({
  kind,
  length: inches * MM_PER_INCH,
});
const on = (...kinds: Brief['bottom']['kinds']): Brief['bottom'] => ({ kinds });
const through = (
  kinds: Brief['cover']['kinds'],
  density?: NonNullable<Brief['cover']['density']>,
): Brief['cover'] => ({ kinds, ...(density ? { density } : {}) });
const OPEN = through([]);

const practice = (key: string, brief: Omit<Brief, 'format' | 'version' | 'name'>, said: Said): Practice => ({
  key,
  brief: { format: 'fern-anvil/brief', version: 2, name: key, ...brief },
  ...said,
});

const oz = ({ values }: Head) => (values['mass.metal'] ?? NaN) / GRAMS_PER_OUNCE;
/** A weight in ounces, a fifth either way: the next that is sold. */
const ounces = (from: number, to: number) => (head: Head) => oz(head) >= from * 0.8 && oz(head) <= to * 1.25;
const isHinged = ({ design }: Head) => design.hook.joint !== undefined;
const isHeavyWire = ({ design }: Head) => /^[23]X strong/.test(design.hook.grade);
const is =
  (...shapes: readonly string[]) =>
  (head: Head) =>
    shapes.includes(shapeOf(head));
const both =
  (...tests: readonly ((head: Head) => boolean)[]) =>
  (head: Head) =>
    tests.every((test) => test(head));

const SLIM = ['oval', 'pointed', 'hooded', 'wedge'];
const ODD = ['drop', 'glider', 'dart', 'roller'];

/**
 * What practitioners say, asked of heads of every kind, hinged ones, guarded ones, odd keepers and metals among them: what leads, and what must
 * not. Common practice, no source.
 */
export const PRACTICE: readonly Practice[] = [
  practice(
    'hinge-on-broken-rock',
    {
      water: water(12),
      bottom: on('broken rock'),
      cover: OPEN,
      fishing: { retrieve: 'drag' },
      line: line('fluorocarbon', 15),
      bait: bait('creature', 4),
    },
    {
      first: ['football', 'ball', 'stubby'],
      never: ['pointed', 'torpedo', ...ODD],
      not: (head) => isHinged(head) && is('pointed', 'torpedo', 'dart')(head),
      words: 'no pointed head, hinged or not',
    },
  ),
  practice(
    'hinge-wound-on-gravel',
    {
      water: water(14),
      bottom: on('gravel'),
      cover: OPEN,
      fishing: { retrieve: 'crawl' },
      line: line('fluorocarbon', 17),
      bait: bait('creature', 4),
    },
    {
      first: ['football'],
      never: ODD.slice(0, 3),
      also: both(isHinged, ounces(0.5, 1)),
      words: 'a hinged football of 1/2 to 3/4 oz',
    },
  ),
  practice(
    'hinge-wound-fast',
    {
      water: water(16),
      bottom: on('gravel', 'ledges'),
      cover: OPEN,
      fishing: { retrieve: 'wind on the bottom' },
      line: line('braid', 50),
      leader: line('fluorocarbon', 20),
      bait: bait('chunk', 4),
    },
    {
      first: ['football'],
      never: ['drop', 'dart', 'pointed'],
      also: both(isHinged, ounces(0.5, 1)),
      words: 'a hinged football',
    },
  ),
  practice(
    'hinge-on-slime',
    {
      water: water(10),
      bottom: on('slime'),
      cover: OPEN,
      fishing: { retrieve: 'crawl' },
      line: line('fluorocarbon', 15),
      bait: bait('creature', 4),
    },
    {
      first: ['football', 'ball', 'stubby', 'wedge'],
      never: ['drop', 'dart'],
      not: isHinged,
      words: 'no hinge',
    },
  ),
  practice(
    'hinge-in-midwater',
    {
      water: water(5),
      bottom: on('mud'),
      cover: OPEN,
      fishing: { retrieve: 'swim' },
      line: line('braid', 15),
      bait: bait('paddle-tail', 4),
    },
    {
      first: ['swimmer', 'roller', 'ball', 'hooded', 'caster', 'oval', 'pointed'],
      never: ['drop', 'dart', 'tube'],
      also: (head) => !isHinged(head),
      words: 'fixed',
    },
  ),
  practice(
    'hinge-straight-down',
    {
      water: water(20),
      bottom: on('mud'),
      cover: OPEN,
      fishing: { retrieve: 'vertical' },
      line: line('fluorocarbon', 6),
      bait: bait('minnow', 3),
    },
    {
      first: ['ball', 'drop', 'swimmer', 'glider'],
      never: ['roller', 'pointed', 'core'],
      not: isHinged,
      words: 'fixed',
    },
  ),
  practice(
    'hinge-in-reeds',
    {
      water: water(3),
      bottom: on('mud'),
      cover: through(['grass or reeds']),
      fishing: { retrieve: 'pitch' },
      line: line('braid', 50),
      bait: bait('creature', 4),
    },
    {
      first: ['pointed', 'oval', 'wedge', 'hooded', 'bellyweight', 'hidden'],
      never: ['football', 'standup', 'drop', 'roller'],
    },
  ),
  practice(
    'hinge-short-floating',
    {
      water: water(6),
      bottom: on('gravel'),
      cover: OPEN,
      fishing: { retrieve: 'drag' },
      line: line('braid', 10),
      leader: line('fluorocarbon', 8),
      bait: bait('stubby', 2.75),
    },
    {
      first: ['football', 'ball', 'stubby', 'mushroom', 'standup'],
      never: ['drop', 'roller', 'torpedo'],
      also: ounces(1 / 16, 1 / 4),
      words: '1/16 to 1/4 oz',
    },
  ),
  practice(
    'hinge-for-large-fish',
    {
      water: water(18),
      bottom: on('gravel'),
      cover: OPEN,
      fishing: { retrieve: 'drag' },
      line: line('fluorocarbon', 20),
      bait: bait('creature', 4),
      fish: { size: 'large', wants: 'largest' },
    },
    { first: ['football', 'stubby', 'standup'], never: ['drop', 'dart', 'pointed'] },
  ),
  practice(
    'bush-edge-short-bait',
    {
      water: water(3),
      bottom: on('mud'),
      cover: through(['brush and wood'], 'thin'),
      fishing: { retrieve: 'pitch' },
      line: line('braid', 8),
      leader: line('fluorocarbon', 8),
      bait: bait('stubby', 2.75),
    },
    {
      first: ['stubby', 'mushroom', 'wedge', 'oval', 'hooded', 'bellyweight', 'hidden', 'pointed'],
      never: ['standup', 'drop', 'roller', 'caster'],
      also: ounces(1 / 16, 1 / 8),
      words: '1/16 to 1/8 oz',
    },
  ),
  practice(
    'bush-flat-creature',
    {
      water: water(3),
      bottom: on('mud'),
      cover: through(['brush and wood'], 'thin'),
      fishing: { retrieve: 'hop' },
      line: line('fluorocarbon', 10),
      bait: bait('flat-creature', 3),
    },
    {
      first: ['stubby', 'mushroom', ...SLIM, 'bellyweight', 'hidden'],
      never: ['standup', 'drop', 'roller', 'football'],
      also: both(ounces(1 / 16, 3 / 16), (head) => pointState(head) !== 'bare'),
      words: '1/16 to 3/16 oz, the point kept',
    },
  ),
  practice(
    'soft-weed-swim',
    {
      water: water(7),
      bottom: on('weed bed'),
      cover: through(['sparse weed']),
      fishing: { retrieve: 'swim' },
      line: line('braid', 40),
      bait: bait('paddle-tail', 4),
    },
    {
      first: ['hooded', 'pointed', 'oval', 'bellyweight', 'hidden', 'wedge', 'swimmer'],
      never: ['football', 'drop', 'standup', 'stubby'],
      also: ounces(1 / 8, 1 / 2),
      words: 'up to 1/2 oz',
    },
  ),
  practice(
    'cold-compact',
    {
      water: water(12, { temperature: 6 }),
      bottom: on('gravel'),
      cover: OPEN,
      fishing: { retrieve: 'drag' },
      line: line('braid', 20),
      leader: line('fluorocarbon', 8),
      bait: bait('claw', 3),
    },
    {
      first: ['football', 'stubby', 'standup', 'mushroom'],
      never: ['drop', 'roller', 'torpedo'],
      not: isHeavyWire,
      words: 'no heavy wire',
    },
  ),
  practice(
    'winter-football',
    {
      water: water(20, { temperature: 5 }),
      bottom: on('broken rock'),
      cover: OPEN,
      fishing: { retrieve: 'drag', rest: 12 },
      line: line('fluorocarbon', 10),
      bait: bait('claw', 3),
    },
    {
      first: ['football', 'stubby'],
      never: ['pointed', 'ball', 'drop', 'dart'],
      not: isHeavyWire,
      words: 'a light hook',
    },
  ),
  practice(
    'wary-pontoon',
    {
      water: water(12, { sight: 4 }),
      bottom: on('mud'),
      cover: through(['posts and docks']),
      fishing: { retrieve: 'skip' },
      line: line('fluorocarbon', 6),
      bait: bait('stick', 4),
      fish: { mood: 'wary' },
    },
    {
      first: ['hidden', 'bellyweight', 'wedge', 'ball', 'stubby', 'mushroom'],
      never: ['pointed', 'roller', 'drop', 'torpedo'],
      also: ounces(1 / 32, 1 / 4),
      words: 'light',
    },
  ),
  practice(
    'pitch-for-contact',
    {
      water: water(8),
      bottom: on('clay', 'gravel'),
      cover: OPEN,
      fishing: { retrieve: 'pitch' },
      line: line('fluorocarbon', 20),
      bait: bait('creature', 4),
    },
    {
      first: ['wedge', 'football', 'ball', 'stubby', 'hooded', 'oval'],
      never: ODD,
      also: ounces(3 / 8, 1),
      words: 'about 3/4 oz',
    },
  ),
  practice(
    'pitch-into-holes',
    {
      water: water(4),
      bottom: on('mud'),
      cover: through(['sparse weed']),
      fishing: { retrieve: 'pitch' },
      line: line('fluorocarbon', 10),
      bait: bait('straight-tail', 4),
    },
    {
      first: [...SLIM, 'bellyweight', 'hidden'],
      never: ['football', 'standup', 'drop', 'roller'],
      also: ounces(1 / 16, 1 / 4),
      words: 'light',
    },
  ),
  practice(
    'down-in-sparse-weed',
    {
      water: water(10),
      bottom: on('weed bed'),
      cover: through(['sparse weed'], 'thin'),
      fishing: { retrieve: 'vertical' },
      line: line('fluorocarbon', 8),
      bait: bait('minnow', 3),
    },
    { first: ['ball', 'swimmer', ...SLIM], never: ['football', 'roller', 'core', 'standup'] },
  ),
  practice(
    'tube-stroked',
    {
      water: water(15),
      bottom: on('gravel'),
      cover: OPEN,
      fishing: { retrieve: 'stroke' },
      line: line('fluorocarbon', 12),
      bait: bait('tube', 4),
    },
    { first: ['tube', 'football'], never: ['drop', 'glider', 'roller', 'pointed', 'core'] },
  ),
  practice(
    'tube-dragged-stone',
    {
      water: water(14),
      bottom: on('broken rock'),
      cover: OPEN,
      fishing: { retrieve: 'drag' },
      line: line('braid', 15),
      leader: line('fluorocarbon', 10),
      bait: bait('tube', 3.5),
    },
    {
      first: ['tube', 'football', 'ball'],
      never: ['pointed', 'drop', 'core', 'glider'],
      also: ounces(3 / 16, 1 / 2),
      words: '1/4 to 3/8 oz',
    },
  ),
  practice(
    'clean-sand-ball',
    {
      water: water(8),
      bottom: on('sand'),
      cover: OPEN,
      fishing: { retrieve: 'hop' },
      line: line('fluorocarbon', 8),
      bait: bait('minnow', 3),
    },
    {
      first: ['ball', 'football', 'standup', 'stubby', 'mushroom', 'wedge'],
      never: ['drop', 'glider', 'roller'],
      not: (head) => is('ball')(head) && pointState(head) !== 'bare',
      words: 'a bare hook on clean bottom',
    },
  ),
  practice(
    'mid-water-ball',
    {
      water: water(8),
      bottom: on('mud'),
      cover: OPEN,
      fishing: { retrieve: 'swim' },
      line: line('fluorocarbon', 6),
      bait: bait('curl-tail', 3),
    },
    {
      first: ['ball', 'swimmer'],
      never: ['dart', 'drop', 'tube', 'football'],
      also: ounces(1 / 16, 3 / 8),
      words: '1/8 to 1/4 oz',
    },
  ),
  practice(
    'steps-stand',
    {
      water: water(16),
      bottom: { kinds: ['stair-step'], slope: 50 },
      cover: OPEN,
      fishing: { retrieve: 'drag', rest: 8 },
      line: line('fluorocarbon', 12),
      bait: bait('creature', 3),
    },
    { first: ['standup', 'football', 'stubby'], never: ['pointed', 'drop', 'ball', 'torpedo'] },
  ),
  practice(
    'steep-bank-ball',
    {
      water: water(14),
      bottom: { kinds: ['broken rock'], slope: 45 },
      cover: OPEN,
      fishing: { retrieve: 'hop' },
      line: line('fluorocarbon', 12),
      bait: bait('creature', 3.5),
    },
    { first: ['ball', 'football', 'wedge', 'stubby'], never: ['standup', 'pointed', 'drop'] },
  ),
  practice(
    'steep-short-rest',
    {
      water: water(10),
      bottom: { kinds: ['gravel'], slope: 50 },
      cover: OPEN,
      fishing: { retrieve: 'hop', rest: 1 },
      line: line('fluorocarbon', 10),
      bait: bait('claw', 3),
    },
    { first: ['ball', 'football', 'stubby', 'wedge', 'mushroom'], never: ['standup', 'drop', 'roller'] },
  ),
  practice(
    'snags-cheap',
    {
      water: water(9),
      bottom: on('broken rock'),
      cover: OPEN,
      fishing: { retrieve: 'drag' },
      line: line('fluorocarbon', 12),
      bait: bait('claw', 3.5),
      price: 0.3,
    },
    {
      first: ['football', 'ball', 'stubby'],
      never: ['pointed', 'drop'],
      also: ({ design }) => design.head.metal !== 'tungsten',
      words: 'no tungsten to lose',
    },
  ),
  practice(
    'snags-no-price',
    {
      water: water(9),
      bottom: on('broken rock'),
      cover: OPEN,
      fishing: { retrieve: 'drag' },
      line: line('fluorocarbon', 12),
      bait: bait('claw', 3.5),
    },
    {
      first: ['football', 'ball', 'stubby'],
      never: ['pointed', 'drop'],
      also: ({ design }) => design.head.metal !== 'tungsten',
      words: 'no tungsten to lose',
    },
  ),
  practice(
    'far-cast-hop',
    {
      water: water(10),
      bottom: on('gravel'),
      cover: OPEN,
      fishing: { retrieve: 'hop', cast: 40 },
      line: line('braid', 15),
      bait: bait('minnow', 4),
    },
    {
      first: ['football', 'caster', 'ball', 'standup', 'stubby', 'wedge'],
      never: ['drop', 'roller', 'glider'],
    },
  ),
  practice(
    'hollow-drag-mud',
    {
      water: water(15),
      bottom: on('mud'),
      cover: OPEN,
      fishing: { retrieve: 'drag' },
      line: line('fluorocarbon', 20),
      bait: bait('hollow', 5),
    },
    { first: ['core'], never: ['pointed', 'drop', 'tube', 'dart'] },
  ),
  practice(
    'slow-under-the-rod',
    {
      water: water(12, { temperature: 5, sight: 3 }),
      bottom: on('mud'),
      cover: OPEN,
      fishing: { retrieve: 'vertical' },
      line: line('fluorocarbon', 4),
      bait: bait('minnow', 2.5),
      fish: { mood: 'wary' },
    },
    { first: ['ball', 'drop', 'swimmer', 'mushroom', 'glider'], never: ['roller', 'core', 'pointed'] },
  ),
  practice(
    'heavy-wire-light-line',
    {
      water: water(8),
      bottom: on('gravel'),
      cover: OPEN,
      fishing: { retrieve: 'hop' },
      line: line('fluorocarbon', 6),
      bait: bait('straight-tail', 4),
    },
    {
      first: ['football', 'ball', 'stubby', 'standup', 'mushroom', 'wedge'],
      never: ['drop', 'glider', 'roller'],
      not: isHeavyWire,
      words: 'no heavy wire on 6 lb',
    },
  ),
  practice(
    'heavy-wire-ten-pounds',
    {
      water: water(8),
      bottom: on('gravel'),
      cover: OPEN,
      fishing: { retrieve: 'drag' },
      line: line('fluorocarbon', 10),
      bait: bait('claw', 3.5),
    },
    {
      first: ['football', 'ball', 'stubby', 'standup'],
      never: ['drop', 'glider', 'roller'],
      also: (head) => !/^3X/.test(head.design.hook.grade),
      words: 'no 3X wire on 10 lb',
    },
  ),
  practice(
    'stout-tackle-wood',
    {
      water: water(6),
      bottom: on('mud'),
      cover: through(['brush and wood'], 'thick'),
      fishing: { retrieve: 'pitch' },
      line: line('braid', 65),
      bait: bait('creature', 4.5),
      fish: { size: 'large' },
    },
    {
      first: ['oval', 'hooded', 'wedge', 'pointed'],
      never: ['football', 'standup', 'mushroom', 'drop'],
      also: both(ounces(3 / 8, 1), (head) => pointState(head) !== 'bare'),
      words: '1/2 to 1 oz, the point kept',
    },
  ),
  practice(
    'guard-in-open-water',
    {
      water: water(10),
      bottom: on('gravel'),
      cover: OPEN,
      fishing: { retrieve: 'hop' },
      line: line('fluorocarbon', 8),
      bait: bait('claw', 3),
    },
    {
      first: ['football', 'ball', 'stubby', 'standup', 'mushroom', 'wedge'],
      never: ['drop', 'glider', 'roller'],
      also: (head) => pointState(head) === 'bare',
      words: 'a bare point',
    },
  ),
  practice(
    'mat-thick',
    {
      water: water(4),
      bottom: on('mud'),
      cover: through(['matted weed'], 'thick'),
      fishing: { retrieve: 'punch' },
      line: line('braid', 80),
      bait: bait('creature', 4),
    },
    {
      first: ['pointed', 'oval'],
      never: ['football', 'ball', 'standup', 'mushroom', 'roller'],
      also: ounces(0.75, 2),
      words: 'heavy',
    },
  ),
  practice(
    'thin-grass-worm',
    {
      water: water(3),
      bottom: on('sand'),
      cover: through(['grass or reeds'], 'thin'),
      fishing: { retrieve: 'hop' },
      line: line('fluorocarbon', 10),
      bait: bait('tapered-worm', 6),
    },
    {
      first: ['pointed', 'oval', 'wedge', 'hooded', 'bellyweight', 'hidden'],
      never: ['football', 'standup', 'drop', 'roller'],
      also: ounces(1 / 16, 1 / 4),
      words: '1/16 to 3/16 oz',
    },
  ),
  practice(
    'deep-timber-hooded',
    {
      water: water(20),
      bottom: on('mud'),
      cover: through(['brush and wood'], 'thick'),
      fishing: { retrieve: 'hop' },
      line: line('fluorocarbon', 20),
      bait: bait('ribbon-worm', 7),
    },
    {
      first: ['hooded', 'oval', 'wedge', 'pointed'],
      never: ['football', 'standup', 'mushroom', 'drop', 'caster'],
    },
  ),
  practice(
    'dock-bars',
    {
      water: water(6),
      bottom: on('mud'),
      cover: through(['posts and docks']),
      fishing: { retrieve: 'pitch' },
      line: line('fluorocarbon', 12),
      bait: bait('creature', 3.5),
    },
    { first: ['wedge', 'oval', 'ball', 'hooded'], never: ['roller', 'torpedo', 'drop', 'glider'] },
  ),
  practice(
    'wood-wound-hinge',
    {
      water: water(6),
      bottom: on('mud'),
      cover: through(['brush and wood'], 'thin'),
      fishing: { retrieve: 'crawl' },
      line: line('fluorocarbon', 17),
      bait: bait('creature', 4),
    },
    {
      first: ['football', 'ball', 'wedge', 'oval', 'hooded', 'pointed'],
      never: ['drop', 'dart', 'glider', 'mushroom', 'roller'],
    },
  ),
  practice(
    'swim-fast-roll',
    {
      water: water(6),
      bottom: on('sand'),
      cover: OPEN,
      fishing: { retrieve: 'swim', speed: 0.9 },
      line: line('braid', 15),
      bait: bait('paddle-tail', 4),
    },
    { first: ['roller', 'swimmer'], never: ['dart', 'drop', 'tube', 'football'] },
  ),
  practice(
    'deep-fast',
    {
      water: water(24),
      bottom: on('gravel'),
      cover: OPEN,
      fishing: { retrieve: 'swim', speed: 1 },
      line: line('braid', 20),
      bait: bait('paddle-tail', 5),
    },
    { first: ['torpedo', 'swimmer'], never: ['dart', 'drop', 'tube', 'glider'] },
  ),
  practice(
    'shake-finesse',
    {
      water: water(12),
      bottom: on('flat clean'),
      cover: OPEN,
      fishing: { retrieve: 'shake' },
      line: line('fluorocarbon', 7),
      bait: bait('straight-tail', 5),
    },
    {
      first: ['standup', 'mushroom', 'stubby', 'football'],
      never: ['drop', 'torpedo', 'roller', 'glider'],
      not: isHeavyWire,
      words: 'fine or medium wire',
    },
  ),
  practice(
    'pea-gravel-sole',
    {
      water: water(10),
      bottom: { kinds: ['gravel'], slope: 3 },
      cover: OPEN,
      fishing: { retrieve: 'hop', rest: 10 },
      line: line('fluorocarbon', 10),
      bait: bait('creature', 3.5),
    },
    { first: ['standup', 'football', 'stubby', 'mushroom'], never: ['ball', 'pointed', 'torpedo', 'drop'] },
  ),
  practice(
    'boat-moving-no-glider',
    {
      water: water(15),
      bottom: on('gravel'),
      cover: OPEN,
      fishing: { retrieve: 'snap', from: 'moving boat' },
      line: line('fluorocarbon', 10),
      bait: bait('minnow', 4),
    },
    { first: ['dart', 'ball', 'swimmer', 'caster', 'tube'], never: ['glider', 'football', 'core'] },
  ),
  practice(
    'snap-at-anchor',
    {
      water: water(15),
      bottom: on('gravel'),
      cover: OPEN,
      fishing: { retrieve: 'snap', from: 'boat at rest' },
      line: line('fluorocarbon', 10),
      bait: bait('minnow', 4),
    },
    {
      first: ['glider'],
      never: ['football', 'standup', 'core', 'pointed'],
      also: ounces(1 / 4, 1 / 2),
      words: '9 to 12 g',
    },
  ),
  practice(
    'banned-lead-pitch',
    {
      water: water(5),
      bottom: on('mud'),
      cover: through(['brush and wood']),
      fishing: { retrieve: 'pitch' },
      line: line('braid', 50),
      bait: bait('creature', 4),
      lead: false,
    },
    {
      first: ['oval', 'hooded', 'wedge', 'pointed'],
      never: ['football', 'standup', 'drop'],
      also: ({ design }) => !design.head.metal.startsWith('lead'),
      words: 'no lead',
    },
  ),
  practice(
    'clear-vertical-panfish',
    {
      water: water(12, { sight: 4 }),
      bottom: on('mud'),
      cover: OPEN,
      fishing: { retrieve: 'vertical', from: 'boat at rest' },
      line: line('fluorocarbon', 2),
      bait: bait('micro', 1.5),
      fish: { size: 'panfish' },
    },
    {
      first: ['ball', 'drop', 'swimmer', 'mushroom'],
      never: ['roller', 'core', 'pointed'],
      also: ounces(1 / 64, 1 / 16),
      words: '1/64 to 1/16 oz',
    },
  ),
  practice(
    'post-pendulum',
    {
      water: water(14),
      bottom: on('mud'),
      cover: through(['posts and docks']),
      fishing: { retrieve: 'pendulum' },
      line: line('fluorocarbon', 10),
      bait: bait('straight-tail', 4),
    },
    { first: ['ball', 'swimmer', 'drop', 'stubby', 'wedge'], never: ['roller', 'glider', 'dart'] },
  ),
  practice(
    'tide-heavy',
    {
      water: water(20, { kind: 'sea', current: 0.7 }),
      bottom: on('sand'),
      cover: OPEN,
      fishing: { retrieve: 'hop' },
      line: line('braid', 20),
      bait: bait('paddle-tail', 5),
    },
    {
      first: ['football', 'ball', 'standup', 'torpedo', 'stubby', 'wedge', 'caster', 'swimmer'],
      never: ['hidden', 'drop', 'glider', 'dart'],
      also: ounces(3 / 4, 3),
      words: 'heavy enough for the tide',
    },
  ),
  practice(
    'aggressive-in-summer',
    {
      water: water(10, { temperature: 24 }),
      bottom: on('gravel'),
      cover: OPEN,
      fishing: { retrieve: 'hop' },
      line: line('fluorocarbon', 12),
      bait: bait('creature', 4),
      fish: { mood: 'aggressive' },
    },
    { first: ['football', 'ball', 'stubby', 'standup'], never: ['drop', 'glider', 'dart'] },
  ),
  practice(
    'aggressive-on-top',
    {
      water: water(5, { temperature: 24 }),
      bottom: on('sand'),
      cover: OPEN,
      fishing: { retrieve: 'swim' },
      line: line('braid', 15),
      bait: bait('paddle-tail', 4),
      fish: { mood: 'aggressive' },
    },
    { first: ['roller', 'swimmer', 'ball'], never: ['drop', 'dart', 'tube'] },
  ),
  practice(
    'largest-with-a-small-bait',
    {
      water: water(10),
      bottom: on('gravel'),
      cover: OPEN,
      fishing: { retrieve: 'drag' },
      line: line('fluorocarbon', 8),
      bait: bait('stubby', 2.5),
      fish: { wants: 'largest' },
      schools: { 'fish size': 'it does' },
    },
    { first: ['football', 'stubby', 'mushroom', 'standup', 'ball'], never: ['drop', 'roller', 'dart'] },
  ),
  practice(
    'clear-ten-pounds',
    {
      water: water(14, { sight: 4 }),
      bottom: on('gravel'),
      cover: OPEN,
      fishing: { retrieve: 'drag' },
      line: line('fluorocarbon', 11),
      bait: bait('claw', 3.5),
    },
    {
      first: ['football', 'stubby', 'standup', 'ball'],
      never: ['drop', 'glider', 'roller'],
      not: (head) => /^3X/.test(head.design.hook.grade),
      words: 'no 3X wire',
    },
  ),
  practice(
    'clear-ten-pounds-swim',
    {
      water: water(8, { sight: 4 }),
      bottom: on('sand'),
      cover: OPEN,
      fishing: { retrieve: 'swim' },
      line: line('fluorocarbon', 11),
      bait: bait('minnow', 4),
    },
    {
      first: ['swimmer', 'ball', 'roller', 'oval', 'hooded', 'caster', 'pointed', 'wedge'],
      never: ['drop', 'dart', 'tube'],
    },
  ),
  practice(
    'bank-of-thirty',
    {
      water: water(12),
      bottom: { kinds: ['gravel'], slope: 32 },
      cover: OPEN,
      fishing: { retrieve: 'hop', rest: 3 },
      line: line('fluorocarbon', 10),
      bait: bait('creature', 3.5),
    },
    { first: ['football', 'ball', 'stubby', 'standup', 'mushroom'], never: ['drop', 'glider', 'roller'] },
  ),
  practice(
    'fast-rod-heavy-head',
    {
      water: water(20),
      bottom: on('gravel'),
      cover: OPEN,
      fishing: { retrieve: 'stroke' },
      line: line('fluorocarbon', 17),
      rod: { action: 'fast', power: 'heavy' },
      bait: bait('chunk', 4),
    },
    { first: ['football'], never: ['drop', 'roller', 'glider', 'dart'] },
  ),
  practice(
    'fast-rod-large-fish',
    {
      water: water(25),
      bottom: on('gravel'),
      cover: OPEN,
      fishing: { retrieve: 'drag' },
      line: line('fluorocarbon', 20),
      rod: { action: 'fast' },
      bait: bait('creature', 4.5),
      fish: { size: 'large' },
    },
    { first: ['football', 'stubby', 'standup', 'ball'], never: ['drop', 'dart', 'roller'] },
  ),
  practice(
    'soft-rod-heavy-head',
    {
      water: water(30),
      bottom: on('gravel'),
      cover: OPEN,
      fishing: { retrieve: 'drag' },
      line: line('fluorocarbon', 20),
      rod: { action: 'soft', length: 2.4 },
      bait: bait('creature', 4.5),
      fish: { size: 'large' },
    },
    { first: ['football', 'stubby', 'standup', 'ball'], never: ['drop', 'dart', 'roller'] },
  ),
  practice(
    'floating-dragged-slowly',
    {
      water: water(8),
      bottom: on('sand'),
      cover: OPEN,
      fishing: { retrieve: 'drag', rest: 8 },
      line: line('braid', 10),
      leader: line('fluorocarbon', 6),
      bait: bait('stubby', 2.5),
    },
    {
      first: ['football', 'stubby', 'mushroom', 'standup', 'ball'],
      never: ['pointed', 'torpedo', 'drop', 'caster'],
    },
  ),
  practice(
    'tube-stroked-deep',
    {
      water: water(25),
      bottom: on('gravel'),
      cover: OPEN,
      fishing: { retrieve: 'stroke' },
      line: line('fluorocarbon', 14),
      bait: bait('tube', 3.5),
    },
    { first: ['tube', 'football'], never: ['drop', 'glider', 'roller', 'core'] },
  ),
  practice(
    'tube-snapped-shallow',
    {
      water: water(7),
      bottom: on('gravel'),
      cover: OPEN,
      fishing: { retrieve: 'snap' },
      line: line('braid', 20),
      leader: line('fluorocarbon', 12),
      bait: bait('tube', 4),
    },
    { first: ['tube', 'glider'], never: ['football', 'standup', 'core', 'roller'] },
  ),
  practice(
    'tube-pitched',
    {
      water: water(5),
      bottom: on('broken rock'),
      cover: OPEN,
      fishing: { retrieve: 'pitch' },
      line: line('fluorocarbon', 12),
      bait: bait('tube', 3.5),
    },
    { first: ['tube', 'football', 'ball', 'wedge'], never: ['pointed', 'drop', 'core', 'torpedo'] },
  ),
  practice(
    'tube-pitched-docks',
    {
      water: water(6),
      bottom: on('sand'),
      cover: through(['posts and docks']),
      fishing: { retrieve: 'pitch' },
      line: line('fluorocarbon', 10),
      bait: bait('tube', 3.5),
    },
    { first: ['tube', 'wedge', 'ball', 'oval', 'hooded'], never: ['drop', 'core', 'torpedo', 'roller'] },
  ),
  practice(
    'far-cast-hop-minnow',
    {
      water: water(8),
      bottom: on('sand'),
      cover: OPEN,
      fishing: { retrieve: 'hop', cast: 35 },
      line: line('braid', 12),
      bait: bait('minnow', 3),
    },
    {
      first: ['caster', 'swimmer', 'ball', 'football', 'standup', 'stubby', 'mushroom'],
      never: ['drop', 'glider', 'roller'],
    },
  ),
  practice(
    'weed-holes-straight-down',
    {
      water: water(6),
      bottom: on('weed bed'),
      cover: through(['sparse weed']),
      fishing: { retrieve: 'vertical' },
      line: line('fluorocarbon', 10),
      bait: bait('straight-tail', 4),
    },
    { first: ['ball', 'swimmer', ...SLIM], never: ['football', 'roller', 'core', 'standup'] },
  ),
  practice(
    'thick-rushes-worm',
    {
      water: water(4),
      bottom: on('mud'),
      cover: through(['grass or reeds'], 'thick'),
      fishing: { retrieve: 'pitch' },
      line: line('braid', 50),
      bait: bait('tapered-worm', 6),
    },
    {
      first: ['pointed', 'oval', 'wedge', 'bellyweight', 'hooded', 'hidden'],
      never: ['football', 'ball', 'standup', 'roller', 'tube'],
    },
  ),
  practice(
    'wary-under-a-bridge',
    {
      water: water(14, { sight: 3 }),
      bottom: on('mud'),
      cover: through(['posts and docks']),
      fishing: { retrieve: 'pendulum' },
      line: line('fluorocarbon', 6),
      bait: bait('straight-tail', 3),
      fish: { mood: 'wary' },
    },
    { first: ['ball', 'swimmer', 'drop', 'stubby', 'wedge'], never: ['roller', 'glider', 'dart'] },
  ),
  practice(
    'short-strikers-swum',
    {
      water: water(6),
      bottom: on('sand'),
      cover: OPEN,
      fishing: { retrieve: 'swim' },
      line: line('braid', 10),
      bait: bait('paddle-tail', 3),
      fish: { mood: 'short-striking' },
    },
    { first: ['ball', 'swimmer', 'roller'], never: ['drop', 'dart', 'tube'] },
  ),
  practice(
    'wind-on-the-bank',
    {
      water: water(6),
      bottom: on('gravel'),
      cover: OPEN,
      fishing: { retrieve: 'hop', wind: 'strong' },
      line: line('braid', 15),
      bait: bait('claw', 3),
    },
    {
      first: ['football', 'ball', 'stubby', 'standup', 'mushroom', 'caster'],
      never: ['drop', 'glider', 'roller'],
      also: ounces(1 / 8, 1 / 2),
      words: 'heavy enough to cast',
    },
  ),
  practice(
    'kayak-short-rod',
    {
      water: water(10),
      bottom: on('broken rock'),
      cover: OPEN,
      fishing: { retrieve: 'drag', from: 'kayak' },
      line: line('fluorocarbon', 12),
      rod: { length: 2 },
      bait: bait('claw', 3.5),
    },
    { first: ['football', 'ball', 'stubby'], never: ['pointed', 'drop', 'dart'] },
  ),
];

/** Twenty more that were written after everything else and to which nothing was tuned; how many held at first is told beside their test. Common practice, no source. */
export const FRESH: readonly Practice[] = [
  practice(
    'trees-short-weedless',
    {
      water: water(4),
      bottom: on('mud'),
      cover: through(['brush and wood']),
      fishing: { retrieve: 'hop' },
      line: line('braid', 10),
      leader: line('fluorocarbon', 8),
      bait: bait('flat-creature', 2.75),
    },
    {
      first: ['stubby', 'mushroom', ...SLIM, 'bellyweight', 'hidden'],
      never: ['standup', 'drop', 'roller', 'caster'],
      also: both(ounces(1 / 16, 3 / 16), (head) => pointState(head) !== 'bare'),
      words: 'small, the point kept',
    },
  ),
  practice(
    'kayak-small-drag',
    {
      water: water(12),
      bottom: on('gravel'),
      cover: OPEN,
      fishing: { retrieve: 'drag', from: 'kayak' },
      line: line('braid', 8),
      leader: line('fluorocarbon', 8),
      rod: { power: 'medium light', length: 2.4 },
      bait: bait('claw', 3),
    },
    {
      first: ['football', 'ball', 'stubby', 'standup'],
      never: ['drop', 'glider', 'roller', 'dart'],
      also: ounces(1 / 8, 3 / 8),
      not: isHeavyWire,
      words: '1/8 to 3/8 oz, no heavy wire',
    },
  ),
  practice(
    'docks-in-winter',
    {
      water: water(8, { temperature: 6 }),
      bottom: on('mud'),
      cover: through(['posts and docks']),
      fishing: { retrieve: 'pitch' },
      line: line('braid', 30),
      leader: line('fluorocarbon', 12),
      bait: bait('chunk', 3),
    },
    { first: ['wedge', 'oval', 'ball', 'hooded'], never: ['roller', 'drop', 'torpedo', 'glider'] },
  ),
  practice(
    'swim-jig-grass',
    {
      water: water(5),
      bottom: on('weed bed'),
      cover: through(['grass or reeds']),
      fishing: { retrieve: 'swim' },
      line: line('braid', 40),
      bait: { ...bait('paddle-tail', 4), skirt: true },
    },
    {
      first: [...SLIM, 'bellyweight', 'hidden'],
      never: ['football', 'standup', 'stubby', 'roller', 'caster'],
      also: (head) => pointState(head) !== 'bare',
      words: 'the point kept',
    },
  ),
  practice(
    'wound-in-current',
    {
      water: water(25, { current: 0.4 }),
      bottom: on('gravel'),
      cover: OPEN,
      fishing: { retrieve: 'crawl' },
      line: line('braid', 50),
      leader: line('fluorocarbon', 20),
      bait: bait('creature', 4),
    },
    {
      first: ['football', 'ball', 'stubby'],
      never: ['drop', 'dart', 'hidden', 'glider'],
      also: ounces(3 / 4, 2),
      words: '3/4 oz and more',
    },
  ),
  practice(
    'panfish-under-dock',
    {
      water: water(8, { sight: 2.5 }),
      bottom: on('mud'),
      cover: through(['posts and docks']),
      fishing: { retrieve: 'vertical' },
      line: line('fluorocarbon', 3),
      bait: bait('micro', 1.5),
      fish: { size: 'panfish' },
    },
    {
      first: ['ball', 'drop', 'swimmer'],
      never: ['roller', 'core', 'pointed'],
      also: ounces(1 / 64, 1 / 16),
      words: '1/64 to 1/16 oz',
    },
  ),
  practice(
    'bluff-hop',
    {
      water: water(20),
      bottom: { kinds: ['stair-step'], slope: 60 },
      cover: OPEN,
      fishing: { retrieve: 'hop', rest: 6 },
      line: line('fluorocarbon', 12),
      bait: bait('creature', 3.5),
    },
    { first: ['standup', 'football', 'stubby', 'mushroom'], never: ['pointed', 'drop', 'torpedo'] },
  ),
  practice(
    'hollow-on-ledges',
    {
      water: water(20),
      bottom: on('ledges'),
      cover: OPEN,
      fishing: { retrieve: 'drag' },
      line: line('fluorocarbon', 20),
      bait: bait('hollow', 4.5),
    },
    { first: ['core'], never: ['pointed', 'drop', 'dart', 'tube'] },
  ),
  practice(
    'river-slow-wound',
    {
      water: water(6, { current: 0.2, temperature: 8 }),
      bottom: on('gravel'),
      cover: OPEN,
      fishing: { retrieve: 'swim', speed: 0.4 },
      line: line('braid', 10),
      bait: bait('minnow', 4),
    },
    {
      first: ['glider', 'swimmer', 'ball', 'roller', 'oval', 'hooded', 'caster', 'pointed', 'wedge'],
      never: ['dart', 'drop', 'tube', 'core'],
    },
  ),
  practice(
    'panfish-swum',
    {
      water: water(6),
      bottom: on('sand'),
      cover: OPEN,
      fishing: { retrieve: 'swim', speed: 0.3 },
      line: line('fluorocarbon', 4),
      bait: bait('curl-tail', 2),
      fish: { size: 'panfish' },
    },
    {
      first: ['ball', 'swimmer', 'roller'],
      never: ['dart', 'drop', 'tube'],
      also: ounces(1 / 64, 1 / 8),
      words: '1/64 to 1/8 oz',
    },
  ),
  practice(
    'thin-mat',
    {
      water: water(3),
      bottom: on('mud'),
      cover: through(['matted weed'], 'thin'),
      fishing: { retrieve: 'pitch' },
      line: line('braid', 65),
      bait: bait('creature', 4),
    },
    {
      first: [...SLIM, 'bellyweight'],
      never: ['football', 'ball', 'standup', 'roller'],
      also: ounces(1 / 4, 1.5),
      words: '1/4 oz and more',
    },
  ),
  practice(
    'sand-long-rest',
    {
      water: water(6),
      bottom: on('sand'),
      cover: OPEN,
      fishing: { retrieve: 'shake', rest: 15 },
      line: line('fluorocarbon', 7),
      bait: bait('stubby', 3),
    },
    { first: ['mushroom', 'standup', 'stubby', 'football'], never: ['pointed', 'torpedo', 'drop', 'caster'] },
  ),
  practice(
    'clay-for-the-largest',
    {
      water: water(18),
      bottom: on('clay'),
      cover: OPEN,
      fishing: { retrieve: 'drag' },
      line: line('fluorocarbon', 17),
      bait: bait('chunk', 4),
      fish: { wants: 'largest', size: 'large' },
    },
    {
      first: ['football'],
      never: ['drop', 'glider', 'roller', 'dart'],
      also: ounces(3 / 8, 3 / 4),
      words: '3/8 to 3/4 oz',
    },
  ),
  practice(
    'sparse-weed-swim',
    {
      water: water(5),
      bottom: on('weed bed'),
      cover: through(['sparse weed']),
      fishing: { retrieve: 'swim' },
      line: line('fluorocarbon', 8),
      bait: bait('paddle-tail', 3),
    },
    {
      first: [...SLIM, 'bellyweight', 'hidden', 'swimmer'],
      never: ['football', 'roller', 'stubby', 'drop', 'standup'],
      also: ounces(1 / 8, 1 / 2),
      words: '1/8 to 1/2 oz',
    },
  ),
  practice(
    'rubble-in-current',
    {
      water: water(12, { current: 0.3 }),
      bottom: on('broken rock'),
      cover: OPEN,
      fishing: { retrieve: 'hop' },
      line: line('braid', 15),
      leader: line('fluorocarbon', 10),
      bait: bait('stubby', 2.75),
    },
    {
      first: ['stubby', 'football', 'ball', 'mushroom', 'wedge'],
      never: ['pointed', 'drop', 'glider', 'dart'],
      also: ounces(1 / 8, 3 / 4),
      words: '1/8 oz and more',
    },
  ),
  practice(
    'sea-straight-down',
    {
      water: water(90, { kind: 'sea' }),
      bottom: on('gravel'),
      cover: OPEN,
      fishing: { retrieve: 'vertical', from: 'drifting boat' },
      line: line('braid', 30),
      bait: bait('minnow', 5),
    },
    {
      first: ['ball', 'drop', 'swimmer', 'torpedo', 'glider'],
      never: ['roller', 'core', 'hidden', 'pointed'],
      also: ounces(1, 4),
      words: 'an ounce and more',
    },
  ),
  practice(
    'no-lead-panfish',
    {
      water: water(10),
      bottom: on('mud'),
      cover: OPEN,
      fishing: { retrieve: 'vertical' },
      line: line('fluorocarbon', 2),
      bait: bait('micro', 1.5),
      fish: { size: 'panfish' },
      lead: false,
    },
    {
      first: ['ball', 'drop', 'swimmer', 'mushroom'],
      never: ['roller', 'core', 'pointed'],
      also: ({ design }) => !design.head.metal.startsWith('lead'),
      words: 'no lead',
    },
  ),
  practice(
    'shell-cheap',
    {
      water: water(10, { kind: 'brackish' }),
      bottom: on('shell'),
      cover: OPEN,
      fishing: { retrieve: 'drag' },
      line: line('braid', 15),
      leader: line('fluorocarbon', 12),
      bait: bait('claw', 3.5),
      price: 0.25,
    },
    {
      first: ['football', 'ball', 'stubby', 'standup'],
      never: ['drop', 'glider', 'dart', 'roller'],
      also: ({ design }) => design.head.metal !== 'tungsten',
      words: 'cheap to lose',
    },
  ),
  practice(
    'dart-in-shallows',
    {
      water: water(4),
      bottom: on('sand'),
      cover: OPEN,
      fishing: { retrieve: 'twitch' },
      line: line('fluorocarbon', 6),
      bait: bait('minnow', 3),
      fish: { mood: 'seen it all' },
    },
    {
      first: ['dart'],
      never: ['football', 'standup', 'core', 'roller'],
      also: ounces(1 / 16, 1 / 4),
      words: '1/16 to 1/4 oz',
    },
  ),
  practice(
    'troll-crappie',
    {
      water: water(10),
      bottom: on('mud'),
      cover: OPEN,
      fishing: { retrieve: 'slow troll', from: 'moving boat' },
      line: line('nylon', 4),
      bait: bait('curl-tail', 2),
      fish: { size: 'panfish' },
    },
    {
      first: ['ball', 'mushroom', 'swimmer'],
      never: ['dart', 'tube', 'drop'],
      also: ounces(1 / 32, 1 / 16),
      words: '1/32 to 1/16 oz',
    },
  ),
];
