import type { Surroundings } from '../../behaviour/behaviour.ts';
import type { Design } from '../../document/design.ts';
import { guardInitial } from '../../fitting/guards/index.ts';
import { keeperInitial, keeperOf } from '../../fitting/keepers/index.ts';
import { METALS } from '../../material/metals/index.ts';
import type { Metal } from '../../material/metals/metal.ts';
import { marked } from '../../quantity/phrase.ts';
import { KILOGRAMS_PER_POUND } from '../../quantity/units.ts';
import type { ReadingValues } from '../engine/head.ts';
import type { Evidence, SaidOf } from './sayings.ts';

/**
 * What a head reads with something changed, in other water or ways of fishing, or with what it is fished with
 * in cover on it.
 */
export type Look = (
  design: Design,
  around?: Partial<Surroundings>,
  isWeedless?: boolean,
) => ReadingValues | undefined;

/** What was found of a head: whether it holds, the figures, and the numbers the reason is made of. */
interface Found extends Omit<Evidence, 'name'> {
  readonly numbers: readonly number[];
}

/** A saying of the trade, with the experiment it is held to. */
export interface Saying {
  readonly key: string;
  readonly says: string;
  /** what it is held to */
  readonly held: string;
  /** what was found, from the numbers of every head it was tried on: the least and the most of each */
  readonly reason: (...spans: readonly Span[]) => string;
  /** whether a head is of the sort the saying is about */
  readonly isOf: (head: SaidOf) => boolean;
  /** what is found for a head; undefined where it cannot be tried */
  readonly test: (head: SaidOf, look: Look) => Found | undefined;
}

/** Least and most of a number over the heads. */
export type Span = readonly [least: number, most: number];

const percent = (ratio: number): string =>
  `${ratio >= 1 ? '+' : '−'}${Math.abs(Math.round(100 * (ratio - 1)))}%`;
/** A span in words: “12%”, or “10 to 12%”. */
const toldSpan = ([least, most]: Span, told: (value: number) => string): string =>
  told(least) === told(most) ? told(least) : `${told(least)} to ${told(most)}`;
const byPercent = (span: Span): string => `${toldSpan(span, (ratio) => `${Math.round(100 * (ratio - 1))}`)}%`;
const inHundred = (span: Span): string =>
  `${toldSpan(span, (share) => `${Math.round(100 * share)}`)} in a hundred`;
const tilt = (angle: number): string =>
  `${marked(Math.abs(angle), 'angle')} nose ${angle < 0 ? 'up' : 'down'}`;

/** The heaviest metal of the reference stores: what is meant where a saying has tungsten. */
const HEAVY = METALS.reduce((a, b) => (b.density > a.density ? b : a));
/** A head in a metal, so heavy; a keeper that can only be cast is left away where that cannot be. */
const inMetal = (design: Design, { key, making }: Metal, grams: number): Design => ({
  ...design,
  keeper:
    making === 'sintered' && keeperOf(design.keeper.kind).castName !== undefined
      ? keeperInitial('none')
      : design.keeper,
  head: { ...design.head, metal: key, density: undefined, target: { grams, of: 'metal' } },
});
const at = (value: number | undefined): number => value ?? NaN;
const isPoured = ({ design }: SaidOf): boolean =>
  METALS.find(({ key }) => key === design.head.metal)?.making === 'poured';
const isFamily =
  (...families: readonly string[]) =>
  ({ design }: SaidOf) =>
    families.includes(design.head.family);
/**
 * The sayings, in the order they are read. All are common practice, no source; what they are held to is this
 * program’s computation.
 */
export const SAYINGS: readonly Saying[] = [
  {
    key: 'tungsten-faster',
    says: 'Tungsten falls 30 to 40% faster.',
    held: 'It holds where a head in tungsten falls 28 to 45% faster than one of the same weight.',
    reason: (same, size) =>
      `At the same weight it falls ${byPercent(same)} faster here, by its smaller face and by ` +
      'how it lies in the fall, its hook being as it was; in the same size, where it weighs ' +
      `half as much again, ${byPercent(size)}.`,
    isOf: isPoured,
    test: ({ design, values }, look) => {
      const grams = at(values['mass.metal']);
      const metal = METALS.find(({ key }) => key === design.head.metal);
      // Both without the keeper that only one of them could have.
      const heavier = inMetal(design, HEAVY, grams);
      const own = look({
        ...design,
        keeper: heavier.keeper,
        head: { ...design.head, target: { grams, of: 'metal' } },
      });
      const heavy = look(heavier);
      const share = HEAVY.density / (design.head.density ?? metal?.density ?? NaN);
      const large = look(inMetal(design, HEAVY, grams * share));
      if (!heavy || !own || !large) return undefined;
      const [same, size] = [heavy, large].map((one) => at(one['fall.speed']) / at(own['fall.speed'])) as [
        number,
        number,
      ];
      return {
        holds: same >= 1.28 && same <= 1.45,
        figures:
          `${marked(at(own['fall.speed']), 'speed')} → ${marked(at(heavy['fall.speed']), 'speed')} ` +
          `at the same weight (${percent(same)}), ${percent(size)} in the same size`,
        numbers: [same, size],
      };
    },
  },
  {
    key: 'football-stands',
    says: 'A football stays upright.',
    held: 'It holds where seven in ten landings from its own fall end with the point up.',
    reason: (up) =>
      `Here ${inHundred(up)} do: ${up[0] >= 0.7 ? 'the long oval cannot roll forward' : 'a long hook, or a centre that sits high, tips some over'}.`,
    isOf: (head) => isFamily('football', 'stubby')(head) && head.design.hook.joint === undefined,
    test: ({ values }) => {
      const up = at(values['rest.hookUp']);
      return {
        holds: up >= 0.7,
        figures: `${Math.round(100 * up)} in a hundred landings end point up`,
        numbers: [up],
      };
    },
  },
  {
    key: 'ball-falls-over',
    says: 'A ball falls on its side in a pause.',
    held: 'It holds where no more than three in ten landings end with the point up.',
    reason: (up) =>
      `Here ${inHundred(up)} do: ${up[1] <= 0.3 ? 'nothing on a ball is flat, and the hook is its longest leg' : 'a flat, a keeper or a low centre holds some of them up'}.`,
    isOf: isFamily('ball'),
    test: ({ values }) => {
      const up = at(values['rest.hookUp']);
      return {
        holds: up <= 0.3,
        figures: `${Math.round(100 * up)} in a hundred landings end point up`,
        numbers: [up],
      };
    },
  },
  {
    key: 'sixty-climbs',
    says: 'An eye at 60° climbs; one at 90° leaves nose ahead of the line.',
    held:
      'It holds where the nose stands further out before the taut line with the eye at 90° than ' +
      'at 60°, as it is dragged with the point buried in the plastic its hook asks for.',
    reason: (sixty, ninety) =>
      `Here the nose is ${toldSpan(sixty, (value) => marked(value, 'size'))} ahead with the eye ` +
      `at 60°, ${toldSpan(ninety, (value) => marked(value, 'size'))} at 90°; below nothing the ` +
      'line meets an edge first.',
    isOf: ({ design }) => design.eye.setback >= 0,
    test: ({ design }, look) => {
      const eyed = (angle: number) => look({ ...design, eye: { ...design.eye, angle } }, {}, true);
      const [sixty, ninety] = [eyed(60), eyed(90)];
      if (!sixty || !ninety) return undefined;
      const [a, b] = [at(sixty['pull.noseAhead']), at(ninety['pull.noseAhead'])];
      return {
        holds: b > a + 0.1,
        figures: `${marked(a, 'size')} ahead at 60°, ${marked(b, 'size')} at 90°`,
        numbers: [a, b],
      };
    },
  },
  {
    key: 'heavy-line-lifts',
    says: '{20 lb} line holds the bottom visibly less well than {15 lb}.',
    held: 'It holds where the fastest speed on the bottom falls by a twentieth or more.',
    reason: (ratio) =>
      `Here it falls by ${toldSpan([1 - ratio[1], 1 - ratio[0]], (share) => `${Math.round(100 * share)}`)}%: ` +
      'thicker line has more drag, and all of it pulls up.',
    isOf: ({ values }) => at(values['mass.metal']) > 7,
    test: ({ design }, look) => {
      const on = (pounds: number) =>
        look(design, {
          depth: 5,
          fishing: { line: 'fluorocarbon', test: pounds * KILOGRAMS_PER_POUND, lineOut: 25 },
        });
      const [thin, thick] = [on(15), on(20)];
      if (!thin || !thick) return undefined;
      const [a, b] = [at(thin['retrieve.maxBottomSpeed']), at(thick['retrieve.maxBottomSpeed'])];
      if (!Number.isFinite(a) || !Number.isFinite(b)) return undefined;
      return {
        holds: b <= 0.95 * a,
        figures: `keeps the bottom to ${marked(a, 'speed')} on {15 lb}, ${marked(b, 'speed')} on {20 lb}`,
        numbers: [b / a],
      };
    },
  },
  {
    key: 'point-wedges',
    says: 'A pointed nose wedges in rock.',
    held: 'It holds where the nose closes at less than twice the angle of friction: the classic self-locking wedge.',
    reason: (width, jams) =>
      `Here they enter cracks from ${toldSpan(width, (value) => marked(value, 'size'))} and ` +
      `${jams[0] === 1 ? 'lock there' : jams[1] === 0 ? 'slide out again' : 'some of them lock there'}.`,
    isOf: isFamily('pointed'),
    test: ({ values }) => {
      const [width, jams] = [at(values['pull.crackWidth']), at(values['pull.jams'])];
      return {
        holds: jams === 1,
        figures: `enters cracks from ${marked(width, 'size')} and ${jams === 1 ? 'locks' : 'slides out'}`,
        numbers: [width, jams],
      };
    },
  },
  {
    key: 'set-back-digs',
    says: 'An eye set far back makes the nose dig.',
    held:
      'It holds where the head rides nose down on the retrieve with the eye two thirds back, ' +
      'and further down than with it a quarter back.',
    reason: (front, back) =>
      `Here it rides ${toldSpan(front, tilt)} with the eye forward and ${toldSpan(back, tilt)} ` +
      `with it set back: ${back[0] > 0 ? 'it digs' : back[1] <= 0 ? 'less nose up is not yet nose down' : 'some dig, and some only rise less'}.`,
    isOf: ({ design }) => design.eye.setback >= 0,
    test: ({ design }, look) => {
      const set = (setback: number) => look({ ...design, eye: { ...design.eye, setback } });
      const [back, front] = [set(0.66), set(0.25)];
      if (!back || !front) return undefined;
      const [a, b] = [at(front['retrieve.pitch']), at(back['retrieve.pitch'])];
      return {
        holds: b > a + 0.5 && b > 0,
        figures: `${tilt(a)} with the eye forward, ${tilt(b)} set back`,
        numbers: [a, b],
      };
    },
  },
  {
    key: 'fan-softer',
    says: 'A fanned guard is softer.',
    held:
      'It holds where a fibre guard fanned to 45° takes a twentieth less force to lay down than ' +
      'the same one bundled.',
    reason: (ratio) =>
      `Here the fan leaves ${toldSpan(ratio, (share) => `${Math.round(100 * share)}`)}% of the ` +
      `force: ${ratio[1] < 0.95 ? 'its outer fibres stand beside a jaw of {10 mm} and are not pressed' : 'the fibres that are pressed bend as they did'}.`,
    isOf: ({ design }) => design.guard.kind === 'fibre',
    test: ({ design }, look) => {
      const fanned = (fan: number) =>
        look({
          ...design,
          guard: design.guard.kind === 'fibre' ? { ...design.guard, fan } : guardInitial('fibre'),
        });
      const [narrow, wide] = [fanned(0), fanned(45)];
      if (!narrow || !wide) return undefined;
      const [a, b] = [at(narrow['guard.force']), at(wide['guard.force'])];
      return {
        holds: b < 0.95 * a,
        figures: `${marked(a, 'pull')} bundled, ${marked(b, 'pull')} fanned to 45°`,
        numbers: [b / a],
      };
    },
  },
  {
    key: 'trim-softer',
    says: 'A trimmed guard costs less of the hook-set.',
    held: 'It holds where trimming lowers the force to lay it down.',
    reason: (ratio) =>
      `Here a trimmed one takes ${toldSpan(ratio, (share) => `${Math.round(100 * share)}`)}% of ` +
      `the force: a shorter fibre is stiffer, and ${ratio[1] < 1 ? 'has to be laid so much less far that this wins' : ratio[0] >= 1 ? 'that it is laid less far does not make up for it' : 'is laid less far, which wins on some and not on others'}.`,
    isOf: ({ design }) => design.guard.kind === 'fibre',
    test: ({ design }, look) => {
      const trimmed = (isTrimmed: boolean) =>
        look({
          ...design,
          guard: design.guard.kind === 'fibre' ? { ...design.guard, trimmed: isTrimmed } : design.guard,
        });
      const [cut, long] = [trimmed(true), trimmed(false)];
      if (!cut || !long) return undefined;
      const [a, b] = [at(long['guard.force']), at(cut['guard.force'])];
      return {
        holds: b < a,
        figures: `${marked(a, 'pull')} as bought, ${marked(b, 'pull')} trimmed`,
        numbers: [a > 0 ? b / a : 1],
      };
    },
  },
  {
    key: 'light-wire-in',
    says: 'Fine wire goes in easier on light line.',
    held: 'It holds where the index of penetration on {6 lb} rises by a tenth or more with the finest wire.',
    reason: (ratio) => `Here it rises by ${byPercent(ratio)}: the section that must go in is smaller.`,
    isOf: ({ design }) => design.hook.measured === undefined,
    test: ({ design }, look) => {
      const on = (grade: Design['hook']['grade']) =>
        look(
          { ...design, hook: { ...design.hook, grade } },
          { fishing: { line: 'fluorocarbon', test: 2.7 } },
        );
      const [fine, usual] = [on('1X fine'), on('standard')];
      if (!fine || !usual) return undefined;
      const [a, b] = [at(usual['hook.penetration']), at(fine['hook.penetration'])];
      return {
        holds: b >= 1.1 * a,
        figures: `index ${a.toFixed(2)} with standard wire, ${b.toFixed(2)} with fine`,
        numbers: [a > 0 ? b / a : 1],
      };
    },
  },
  {
    key: 'hinge-no-lever',
    says: 'Through a hinge the fish gets no leverage.',
    held: 'It holds where what turns about the point through a hinge is less than a third of what is fixed to it.',
    reason: (share) => `Here ${inHundred(share)} of the lever is left: the hook’s own, and not the head’s.`,
    isOf: ({ values }) => at(values['mass.metal']) > 7 && values['throw.hinged'] !== undefined,
    test: ({ values }) => {
      const ratio = at(values['throw.hinged']) / at(values['throw.fixed']);
      return {
        holds: ratio < 1 / 3,
        figures: `${Math.round(100 * ratio)} in a hundred of the lever is left through a hinge`,
        numbers: [ratio],
      };
    },
  },
  {
    key: 'flats-show',
    says: 'Flats show better on a sounder.',
    held:
      'It holds where the head as it hangs returns 3 dB more than a ball of its size: a flat ' +
      'only does so when it lies square to the beam.',
    reason: (square, hung) =>
      `Here the flats return ${toldSpan(square, (value) => value.toFixed(0))} dB more square to ` +
      `the beam, and ${toldSpan(hung, (value) => value.toFixed(0))} dB as they hang.`,
    isOf: ({ values }) => at(values['sonar.index']) > 0,
    test: ({ values }) => {
      const [flat, hung] = [at(values['sonar.index']), at(values['sonar.hanging'])];
      return {
        holds: hung >= 3,
        figures: `${flat.toFixed(0)} dB square to the beam, ${hung.toFixed(0)} dB as it hangs`,
        numbers: [flat, hung],
      };
    },
  },
  {
    key: 'wide-rolls',
    says: 'Weight far out to the sides adds roll.',
    held:
      'It holds where the inertia about the shank is no more than a ball’s of its weight, so ' +
      'that it rolls as quickly.',
    reason: (factor) =>
      `Here it is ${toldSpan(factor, (value) => value.toFixed(2))} times a ball’s: ${factor[0] > 1 ? 'mass far from the shank rolls more slowly' : factor[1] <= 1 ? 'its mass lies no farther out' : 'some lie farther out, and roll more slowly'}.`,
    isOf: isFamily('roller', 'football'),
    test: ({ values }) => {
      const factor = at(values['roll.factor']);
      return {
        holds: factor <= 1,
        figures: `${factor.toFixed(2)} times a ball’s roll inertia`,
        numbers: [factor],
      };
    },
  },
];
