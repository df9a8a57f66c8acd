import type { Head } from '../engine/head.ts';

/** What the trade says of a situation: common practice, no source. */
export interface Expected {
  /** shapes one of which stands first */
  readonly first: readonly string[];
  /** shapes that must not be offered */
  readonly never: readonly string[];
  /** what holds of the heads that stand first */
  readonly also?: (head: Head) => boolean;
  /** what it is in words */
  readonly words?: string;
}

const OUNCE = 28.349523125;
const metal = ({ values }: Head) => (values['mass.metal'] ?? NaN) / OUNCE;
/** A weight in ounces, a quarter either way. */
const ounces = (from: number, to: number) => (head: Head) =>
  metal(head) >= from * 0.78 && metal(head) <= to * 1.28;
const eye = (from: number, to: number) => (head: Head) =>
  head.design.eye.angle >= from && head.design.eye.angle <= to;
const both =
  (...tests: readonly ((head: Head) => boolean)[]) =>
  (head: Head) =>
    tests.every((test) => test(head));

const SWIMMERS = ['swimmer', 'ball', 'roller', 'hooded', 'torpedo', 'pointed', 'oval', 'caster', 'wedge'];
const BOTTOM = ['football', 'stubby', 'ball', 'standup', 'wedge', 'mushroom'];
const SIDEWAYS = ['dart', 'glider', 'drop'];

/** By situation. */
export const EXPECTED: Readonly<Record<string, Expected>> = {
  'rock-drag': {
    first: ['football', 'ball', 'stubby'],
    never: ['pointed', 'drop', 'glider', 'dart'],
    also: both(eye(55, 90), ounces(3 / 8, 3 / 4)),
    words: '3/8 to 3/4 oz, the eye at 60° or of a football at 90°',
  },
  'rock-drag-claw': { first: ['football', 'ball', 'stubby'], never: ['pointed', 'drop', 'glider', 'dart'] },
  'ledge-stroke': {
    first: ['football'],
    never: ['pointed', 'drop', 'roller', 'glider'],
    also: ounces(3 / 4, 1),
    words: '3/4 to 1 oz',
  },
  'gravel-pause': {
    first: ['football', 'standup', 'stubby', 'mushroom'],
    never: ['ball', 'pointed', 'torpedo', 'drop'],
  },
  'gravel-hop': { first: BOTTOM, never: ['drop', 'roller', 'glider'] },
  'clay-drag': { first: ['football', 'standup', 'stubby', 'ball'], never: ['drop', 'glider', 'roller'] },
  'chunk-bank': { first: ['ball', 'football', 'wedge', 'stubby'], never: ['pointed', 'drop', 'glider'] },
  'bluff-steps': { first: ['standup', 'football', 'stubby', 'mushroom'], never: ['pointed', 'drop', 'ball'] },
  'pea-gravel-stand': {
    first: ['standup', 'mushroom', 'stubby', 'football'],
    never: ['ball', 'pointed', 'torpedo'],
  },
  'sand-stand': {
    first: ['standup', 'mushroom', 'stubby', 'football'],
    never: ['torpedo', 'drop'],
  },
  'shell-drag': { first: ['football', 'ball', 'standup', 'stubby'], never: ['drop', 'glider'] },
  'deep-rubble': { first: ['stubby', 'football', 'ball', 'mushroom'], never: ['pointed', 'drop', 'glider'] },
  'mud-drag': { first: ['football'], never: ['drop', 'glider', 'dart'] },
  slime: {
    first: ['football', 'ball', 'stubby', 'wedge'],
    never: ['drop', 'dart'],
    also: ({ design }) => design.hook.joint === undefined,
    words: 'no hinge',
  },
  'drop-off-deep': {
    first: ['football', 'ball', 'stubby', 'standup'],
    never: ['drop', 'hidden', 'glider'],
    also: ounces(0.5, 2),
    words: '1/2 to 2 oz',
  },
  tideway: {
    first: ['football', 'ball', 'torpedo', 'stubby', 'standup'],
    never: ['hidden', 'drop', 'glider'],
    also: ounces(0.5, 2),
    words: 'heavy enough for the tide',
  },
  'wind-rock-shallow': {
    first: ['football', 'ball', 'stubby'],
    never: ['pointed', 'drop', 'dart'],
    also: ounces(3 / 8, 3 / 4),
    words: 'about 1/2 oz',
  },
  'wind-rock-deep': {
    first: ['football', 'ball', 'stubby'],
    never: ['pointed', 'drop', 'dart'],
    also: ounces(0.5, 1),
    words: 'about 3/4 oz',
  },
  'wind-wood': {
    first: ['football', 'ball', 'wedge', 'oval', 'hooded', 'pointed'],
    never: ['drop', 'dart', 'glider', 'mushroom'],
  },
  'wind-current': {
    first: ['football', 'ball', 'stubby', 'torpedo'],
    never: ['drop', 'dart', 'hidden'],
    also: ounces(0.5, 1.5),
    words: '3/4 to 1 oz',
  },
  'reeds-pitch': {
    first: ['pointed', 'oval', 'wedge', 'hidden', 'bellyweight', 'hooded'],
    never: ['football', 'standup', 'drop', 'mushroom', 'roller'],
  },
  'mat-punch': {
    first: ['pointed', 'oval'],
    never: ['football', 'ball', 'standup', 'glider', 'roller'],
    also: ounces(0.75, 2),
    words: 'heavy',
  },
  'mat-pitch': {
    first: ['pointed', 'oval', 'hooded', 'wedge', 'bellyweight'],
    never: ['football', 'ball', 'standup', 'roller'],
  },
  'sparse-weed': {
    first: ['oval', 'pointed', 'wedge', 'hidden', 'bellyweight', 'hooded'],
    never: ['football', 'stubby', 'roller', 'drop'],
  },
  'grass-swim': {
    first: ['pointed', 'oval', 'bellyweight', 'hidden', 'wedge', 'hooded'],
    never: ['football', 'standup', 'dart', 'roller'],
  },
  'brush-pitch': {
    first: ['oval', 'hooded', 'wedge', 'pointed'],
    never: ['football', 'standup', 'mushroom', 'caster', 'drop'],
    also: ounces(3 / 8, 1),
    words: '1/2 to 1 oz',
  },
  'laydown-compact': {
    first: ['oval', 'hooded', 'wedge', 'pointed', 'bellyweight'],
    never: ['football', 'standup', 'caster', 'drop'],
    also: ounces(3 / 16, 1 / 2),
    words: '1/4 to 3/8 oz',
  },
  'dock-skip': {
    first: ['wedge', 'ball', 'hidden', 'bellyweight', 'stubby'],
    never: ['pointed', 'roller', 'torpedo', 'drop'],
  },
  'dock-pitch': {
    first: ['wedge', 'oval', 'ball', 'hooded'],
    never: ['roller', 'torpedo', 'drop', 'glider'],
  },
  'timber-pendulum': {
    first: ['ball', 'swimmer', 'drop', 'stubby', 'wedge'],
    never: ['roller', 'dart', 'glider'],
  },
  'brush-deep': {
    first: ['hooded', 'oval', 'wedge', 'pointed'],
    never: ['football', 'standup', 'mushroom', 'drop'],
  },
  'open-swim': {
    first: SWIMMERS,
    never: ['dart', 'drop', 'tube'],
    also: ounces(1 / 8, 1 / 4),
    words: '1/8 to 1/4 oz',
  },
  'swim-fast-deep': { first: ['torpedo', 'swimmer', 'roller'], never: ['dart', 'drop', 'tube', 'glider'] },
  'swim-roll': { first: ['roller', 'swimmer', 'ball'], never: ['dart', 'drop', 'tube'] },
  'long-cast': { first: ['caster', 'swimmer', 'torpedo', 'ball'], never: ['dart', 'drop', 'tube'] },
  'river-glider': { first: ['glider', 'swimmer', 'roller', 'ball', 'oval'], never: ['dart', 'drop', 'tube'] },
  'troll-long': {
    first: ['ball', 'mushroom', 'swimmer'],
    never: ['dart', 'tube', 'drop'],
    also: ounces(1 / 32, 1 / 16),
    words: '1/32 to 1/16 oz',
  },
  'dart-twitch': { first: ['dart', 'glider', 'hidden'], never: ['football', 'standup', 'roller', 'core'] },
  'glider-snap': {
    first: ['glider'],
    never: ['football', 'standup', 'pointed', 'core'],
    also: both(eye(75, 90), ounces(0.3, 0.46)),
    words: '9 to 12 g, the eye at 90°',
  },
  'glider-moving': { first: ['dart', 'ball', 'swimmer', 'tube', 'caster'], never: ['glider', 'football'] },
  'panfish-10': {
    first: ['ball', 'drop', 'swimmer', 'mushroom'],
    never: ['roller', 'pointed', 'core'],
    also: both(eye(75, 90), ounces(1 / 64, 1 / 16)),
    words: '1/64 to 1/16 oz, the eye at 90°',
  },
  'panfish-30': {
    first: ['ball', 'drop', 'swimmer', 'mushroom'],
    never: ['roller', 'pointed', 'core'],
    also: both(eye(75, 90), ounces(1 / 16, 1 / 8)),
    words: '1/16 to 1/8 oz, the eye at 90°',
  },
  'ice-sounder': { first: ['drop'], never: ['roller', 'pointed', 'core'] },
  'vertical-boat': { first: ['ball', 'drop', 'swimmer', 'glider'], never: ['roller', 'core', 'pointed'] },
  'tube-rock': { first: ['tube', 'football', 'ball'], never: ['pointed', 'drop', 'core'], also: eye(50, 90) },
  'tube-snap': {
    first: ['tube', 'glider'],
    never: ['football', 'standup', 'core'],
    also: ounces(0.5, 1),
    words: '3/4 oz',
  },
  'hollow-drag': { first: ['core'], never: ['pointed', 'drop', 'dart', 'tube'] },
  'wary-clear': {
    first: ['hidden', 'bellyweight', 'mushroom', 'stubby', 'ball'],
    never: ['drop', 'roller', 'glider'],
    also: ounces(1 / 32, 1 / 4),
    words: 'light',
  },
  'cold-drag': { first: ['football', 'standup', 'stubby', 'mushroom'], never: ['drop', 'dart', 'roller'] },
  'short-strikers': { first: BOTTOM, never: ['drop', 'roller', 'glider'] },
  'light-line': {
    first: BOTTOM,
    never: ['drop', 'roller', 'glider'],
    also: ({ design }) => !design.hook.grade.startsWith('2X') && !design.hook.grade.startsWith('3X'),
    words: 'no heavy wire',
  },
  'stubby-shallow': {
    first: ['stubby', 'mushroom', 'ball', 'standup'],
    never: ['torpedo', 'drop', 'roller'],
    also: ounces(1 / 16, 1 / 8),
    words: '1/16 oz',
  },
  'large-fish': { first: ['football', 'stubby', 'ball'], never: ['pointed', 'drop', 'dart'] },
  'no-lead': {
    first: BOTTOM,
    never: SIDEWAYS,
    also: ({ design }) => design.head.metal !== 'lead',
    words: 'no lead',
  },
  'cheap-rock': { first: ['football', 'ball', 'stubby'], never: ['pointed', 'drop', 'dart', 'glider'] },
  'wrasse-ledge': { first: ['football', 'ball', 'stubby'], never: ['pointed', 'drop', 'glider'] },
  'pollack-swim': {
    first: ['torpedo', 'swimmer', 'roller', 'caster', 'ball'],
    never: ['dart', 'drop', 'tube', 'glider'],
  },
  'weed-bed': {
    first: ['pointed', 'oval', 'wedge', 'hooded', 'bellyweight', 'hidden'],
    never: ['football', 'stubby', 'drop', 'dart'],
  },
  'deep-vertical-sea': {
    first: ['ball', 'drop', 'swimmer', 'torpedo', 'glider'],
    never: ['roller', 'core', 'hidden'],
    also: ounces(0.75, 3),
    words: 'heavy',
  },
  'kayak-stone': { first: ['football', 'ball', 'stubby'], never: ['pointed', 'drop', 'dart'] },
  pontoons: { first: ['ball', 'swimmer', 'drop', 'stubby', 'wedge'], never: ['roller', 'dart', 'glider'] },
};
