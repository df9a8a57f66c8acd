import type { Design } from '../document/design.ts';
import { evaluate, PLAIN_WATER } from '../judge/evaluate.ts';
import type { Metal } from '../material/metals/metal.ts';
import { guardInitial } from '../fitting/guards/index.ts';
import { marked } from '../quantity/phrase.ts';
import type { Surroundings } from '../behaviour/behaviour.ts';
import type { ReadingValues } from './head.ts';
import { valuesOf } from './match.ts';

/** A head a saying is held against. */
export interface SaidOf {
  readonly name: string;
  readonly design: Design;
  /** readings kept at save */
  readonly values: ReadingValues;
}

/** Whether a saying holds: for all, for none, or it depends. */
export type SayingVerdict = 'agreed' | 'not' | 'depends' | 'nothing to test it on';

/** One head’s part in it. */
export interface Evidence {
  readonly name: string;
  readonly holds: boolean;
  /** the figures, quantities marked */
  readonly figures: string;
}

/** A saying, tested. */
export interface SayingRow {
  readonly key: string;
  readonly says: string;
  /** what it was held to, and why it comes out so */
  readonly why: string;
  readonly verdict: SayingVerdict;
  readonly evidence: readonly Evidence[];
}

type Look = (design: Design, around?: Partial<Surroundings>) => ReadingValues | undefined;

interface Saying {
  readonly key: string;
  readonly says: string;
  readonly why: string;
  /** whether a head is of the sort the saying is about */
  readonly isOf: (head: SaidOf) => boolean;
  /** what is found for a head; undefined where it cannot be tried */
  readonly test: (head: SaidOf, look: Look) => Omit<Evidence, 'name'> | undefined;
}

/** Heads a saying is held against at most: one computes several of each. */
const MOST = 6;
/** Shares of heads for which it must hold to be agreed, and up to which it is not. */
const AGREED = 0.8;
const NOT = 0.2;

const percent = (ratio: number): string =>
  `${ratio >= 1 ? '+' : '−'}${Math.abs(Math.round(100 * (ratio - 1)))}%`;
const inMetal = (design: Design, metal: string, grams: number): Design => ({
  ...design,
  keeper:
    metal === 'tungsten' && ['collar', 'barrel'].includes(design.keeper.kind)
      ? { kind: 'none' }
      : design.keeper,
  head: { ...design.head, metal, density: undefined, target: { grams, of: 'metal' } },
});
const at = (value: number | undefined): number => value ?? NaN;
const isPoured = ({ design }: SaidOf): boolean =>
  ['lead', 'lead-antimony', 'bismuth-tin'].includes(design.head.metal);
const isFamily =
  (...families: readonly string[]) =>
  ({ design }: SaidOf) =>
    families.includes(design.head.family);

/** The sayings, in the order they are read. All are common practice, no source; what they are held to is this program’s computation. */
const SAYINGS: readonly Saying[] = [
  {
    key: 'tungsten-faster',
    says: 'Tungsten falls 30 to 40% faster.',
    why: 'Same weight in less room falls faster by the smaller face alone, some 15 to 20% for a ball; 30% and more is the same size in tungsten, which weighs half as much again.',
    isOf: isPoured,
    test: ({ design, values }, look) => {
      const grams = at(values['mass.metal']);
      const heavy = look(inMetal(design, 'tungsten', grams));
      const own = look(design);
      if (!heavy || !own) return undefined;
      const ratio = at(heavy['fall.speed']) / at(own['fall.speed']);
      return {
        holds: ratio >= 1.28 && ratio <= 1.45,
        figures: `${marked(at(own['fall.speed']), 'speed')} → ${marked(at(heavy['fall.speed']), 'speed')} at the same weight (${percent(ratio)})`,
      };
    },
  },
  {
    key: 'football-stands',
    says: 'A football stays upright.',
    why: 'It holds where most landings from its own fall end with the point up: the long oval cannot roll forward.',
    isOf: (head) => isFamily('football', 'stubby')(head) && head.design.hook.joint === undefined,
    test: ({ values }) => {
      const up = at(values['rest.hookUp']);
      return { holds: up >= 0.7, figures: `${Math.round(100 * up)} in a hundred landings end point up` };
    },
  },
  {
    key: 'ball-falls-over',
    says: 'A ball falls on its side in a pause.',
    why: 'It holds where most landings do not end with the point up: nothing on a ball is flat, and the hook is its longest leg.',
    isOf: isFamily('ball'),
    test: ({ values }) => {
      const up = at(values['rest.hookUp']);
      return { holds: up <= 0.3, figures: `${Math.round(100 * up)} in a hundred landings end point up` };
    },
  },
  {
    key: 'sixty-climbs',
    says: 'An eye at 60° climbs; one at 90° leaves nose ahead of the line.',
    why: 'It holds where the nose stands further out before the taut line with the eye at 90° than at 60°, as it is dragged.',
    isOf: ({ design }) => design.eye.setback >= 0,
    test: ({ design }, look) => {
      const sixty = look({ ...design, eye: { ...design.eye, angle: 60 } });
      const ninety = look({ ...design, eye: { ...design.eye, angle: 90 } });
      if (!sixty || !ninety) return undefined;
      const [a, b] = [at(sixty['pull.noseAhead']), at(ninety['pull.noseAhead'])];
      return {
        holds: b > a + 0.1,
        figures: `${marked(a, 'size')} ahead at 60°, ${marked(b, 'size')} at 90°`,
      };
    },
  },
  {
    key: 'heavy-line-lifts',
    says: '20 lb line holds the bottom visibly less well than 15 lb.',
    why: 'It holds where the fastest speed on the bottom falls by a twentieth or more: thicker line has more drag, and all of it pulls up.',
    isOf: ({ values }) => at(values['mass.metal']) > 7,
    test: ({ design }, look) => {
      const on = (pounds: number) =>
        look(design, { depth: 5, fishing: { line: 'fluorocarbon', test: pounds * 0.45359237, lineOut: 25 } });
      const [thin, thick] = [on(15), on(20)];
      if (!thin || !thick) return undefined;
      const [a, b] = [at(thin['retrieve.maxBottomSpeed']), at(thick['retrieve.maxBottomSpeed'])];
      if (!Number.isFinite(a) || !Number.isFinite(b)) return undefined;
      return {
        holds: b <= 0.95 * a,
        figures: `keeps the bottom to ${marked(a, 'speed')} on 15 lb, ${marked(b, 'speed')} on 20 lb`,
      };
    },
  },
  {
    key: 'point-wedges',
    says: 'A pointed nose wedges in rock.',
    why: 'It holds where the nose closes at less than twice the angle of friction: the classic self-locking wedge.',
    isOf: isFamily('pointed'),
    test: ({ values }) => ({
      holds: values['pull.jams'] === 1,
      figures: `enters cracks from ${marked(at(values['pull.crackWidth']), 'size')} and ${values['pull.jams'] === 1 ? 'locks' : 'slides out'}`,
    }),
  },
  {
    key: 'set-back-digs',
    says: 'An eye set far back makes the nose dig.',
    why: 'It holds where the head rides nose further down on the retrieve with the eye two thirds back than with it a quarter back.',
    isOf: ({ design }) => design.eye.setback >= 0,
    test: ({ design }, look) => {
      const back = look({ ...design, eye: { ...design.eye, setback: 0.66 } });
      const front = look({ ...design, eye: { ...design.eye, setback: 0.25 } });
      if (!back || !front) return undefined;
      const [a, b] = [at(front['retrieve.pitch']), at(back['retrieve.pitch'])];
      return {
        holds: b > a + 0.5,
        figures: `${marked(a, 'angle')} nose down with the eye forward, ${marked(b, 'angle')} set back`,
      };
    },
  },
  {
    key: 'fan-softer',
    says: 'A fanned guard is softer.',
    why: 'It holds where a fibre guard fanned to 45° takes less force to lay down than the same one bundled. Here each fibre bends by itself, so a fan sends the outer ones aside and little else.',
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
      };
    },
  },
  {
    key: 'trim-softer',
    says: 'A trimmed guard costs less of the hook-set.',
    why: 'It holds where trimming changes the force to lay it down to less. A shorter fibre is stiffer, but it has to be laid less far.',
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
      return { holds: b < a, figures: `${marked(a, 'pull')} as bought, ${marked(b, 'pull')} trimmed` };
    },
  },
  {
    key: 'light-wire-in',
    says: 'Fine wire goes in easier on light line.',
    why: 'It holds where the index of penetration on 6 lb rises by a tenth or more with the finest wire: the section that must go in is smaller.',
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
      };
    },
  },
  {
    key: 'hinge-no-lever',
    says: 'Through a hinge the fish gets no leverage.',
    why: 'It holds where what turns about the point through a hinge is less than a third of what is fixed to it.',
    isOf: ({ values }) => at(values['mass.metal']) > 7 && values['throw.hinged'] !== undefined,
    test: ({ values }) => {
      const ratio = at(values['throw.hinged']) / at(values['throw.fixed']);
      return {
        holds: ratio < 1 / 3,
        figures: `${Math.round(100 * ratio)} in a hundred of the lever is left through a hinge`,
      };
    },
  },
  {
    key: 'flats-show',
    says: 'Flats show better on a sounder.',
    why: 'It holds where the head as it hangs returns more than a ball of its size: a flat only does so when it lies square to the beam.',
    isOf: ({ values }) => at(values['sonar.index']) > 0,
    test: ({ values }) => {
      const [flat, hung] = [at(values['sonar.index']), at(values['sonar.hanging'])];
      return {
        holds: hung >= 3,
        figures: `${flat.toFixed(0)} dB square to the beam, ${hung.toFixed(0)} dB as it hangs`,
      };
    },
  },
  {
    key: 'wide-rolls',
    says: 'Weight far out to the sides adds roll.',
    why: 'Here it is the other way round: mass far from the shank has more inertia and rolls more slowly, so it holds where the inertia is no more than a ball’s.',
    isOf: isFamily('roller', 'football'),
    test: ({ values }) => {
      const factor = at(values['roll.factor']);
      return { holds: factor <= 1, figures: `${factor.toFixed(2)} times a ball’s roll inertia` };
    },
  },
];

/** How many sayings there are. */
export const SAYING_COUNT = SAYINGS.length;

/** Holds every saying against some heads: the first of the sort it is about, a few of each. */
export function testSayings(heads: readonly SaidOf[], metals?: readonly Metal[]): SayingRow[] {
  const looked = new Map<string, ReadingValues | undefined>();
  const look: Look = (design, around = {}) => {
    const key = JSON.stringify([design, around]);
    if (looked.has(key)) return looked.get(key);
    const result = evaluate(design, { ...PLAIN_WATER, ...(metals ? { metals } : {}), ...around });
    const values = result.ok ? valuesOf(result.readings) : undefined;
    looked.set(key, values);
    return values;
  };
  return SAYINGS.map(({ key, says, why, isOf, test }) => {
    const evidence: Evidence[] = [];
    for (const head of heads) {
      if (evidence.length >= MOST) break;
      if (!isOf(head)) continue;
      const found = test(head, look);
      if (found) evidence.push({ name: head.name, ...found });
    }
    const share = evidence.filter(({ holds }) => holds).length / evidence.length;
    const verdict: SayingVerdict =
      evidence.length === 0
        ? 'nothing to test it on'
        : share >= AGREED
          ? 'agreed'
          : share <= NOT
            ? 'not'
            : 'depends';
    return { key, says, why, verdict, evidence };
  });
}
