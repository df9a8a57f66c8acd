import type { Surroundings } from '../behaviour/behaviour.ts';
import { fall } from '../behaviour/terminal-fall.ts';
import { fishingOf } from '../behaviour/fishing.ts';
import { depthAt } from '../behaviour/towed-depth.ts';
import { towed } from '../behaviour/tow.ts';
import type { Rig } from '../assembly/rig.ts';
import { solveTarget } from '../assembly/solve.ts';
import type { Design, MeasuredDrag } from '../document/design.ts';
import type { Problem } from '../document/problem.ts';
import type { Drop, TowDepth, Trial } from '../document/trial.ts';
import type { LineKey } from '../material/lines.ts';
import { LINE_KINDS } from '../material/lines.ts';
import type { Metal } from '../material/metals/metal.ts';
import { waterDensity } from '../material/water.ts';
import type { Water } from '../material/water.ts';
import { marked } from '../quantity/phrase.ts';
import type { Observation } from './calibrate.ts';
import { calibrated, factorOfDrop, factorOfTow, SPAN, stepOf, STOPWATCH } from './calibrate.ts';

/** Salt of the waters a drop is noted in, g/kg (common practice, no source). */
const SALT: Readonly<Record<Drop['water'], number>> = { fresh: 0, brackish: 8, salt: 35 };
/** How far a depth read off a sounder is off, m, one standard deviation (common practice, no source). */
const DEPTH_OFF = 0.1;

/** A measurement against the model as it stood without it. */
export interface Measured {
  readonly says: string;
  /** drag factor it means; undefined where none fits */
  readonly factor: number | undefined;
  /** it lies outside the model's own range */
  readonly isMissed: boolean;
}

/**
 * The same with what it says of the factor of all of them; nothing where the head floats. Functions do not
 * leave a worker: it stays here.
 */
interface Looked {
  readonly measured: Measured;
  readonly observation?: Observation;
}

/** The drag that days on the water tell of a head, or why they tell none. */
export type WaterCalibration =
  | {
      readonly ok: true;
      readonly drag: MeasuredDrag | undefined;
      readonly drops: readonly Measured[];
      readonly tows: readonly Measured[];
      /** what is to be said of the model; quantities are marked */
      readonly says: string;
    }
  | { readonly ok: false; readonly problems: readonly Problem[] };

/**
 * Factors at which the model is asked, evenly in their logarithm, from the least to the largest looked for.
 */
const ASKED = 49;

/**
 * A smooth function of the factor on the drag, asked at some factors when it is first wanted and read between
 * them by a cubic in logarithms, through the four nearest: within a ten-thousandth of a time or a depth.
 */
function between(of: (factor: number) => number): (factor: number) => number {
  const [from, to] = [Math.log(SPAN[0]), Math.log(SPAN[1])];
  const known = new Map<number, number>();
  const at = (step: number): number => {
    let value = known.get(step);
    if (value === undefined)
      known.set(step, (value = of(Math.exp(from + ((to - from) * step) / (ASKED - 1)))));
    return value;
  };
  return (factor) => {
    const place = ((Math.log(factor) - from) / (to - from)) * (ASKED - 1);
    const first = Math.min(ASKED - 4, Math.max(0, Math.floor(place) - 1));
    let sum = 0;
    for (let i = 0; i < 4; i++) {
      let share = 1;
      for (let j = 0; j < 4; j++) if (j !== i) share *= (place - first - j) / (i - j);
      sum += share * at(first + i);
    }
    return sum;
  };
}

const withFactor = (rig: Rig, factor: number): Rig => ({
  ...rig,
  drag: { factor, low: factor, high: factor },
});

/**
 * One drag factor for a design from its timed drops and measured tow depths, whoever's days they were noted
 * in, with its interval at 95%; and of each whether the model without it had it within its range.
 */
export function calibrationFor(
  design: Design,
  { drops, tows }: Pick<Trial, 'drops' | 'tows'>,
  metals?: readonly Metal[],
): WaterCalibration {
  const { drag: _, ...plain } = design;
  const solved = solveTarget(plain, metals);
  if (!solved.ok) return { ok: false, problems: [solved.problem] };
  const { rig } = solved;
  const step = stepOf(drops.map(({ seconds }) => seconds));
  const timed = drops.map((drop) => measuredDrop(rig, drop, step));
  const towedDepths = tows.map((tow) => measuredTow(rig, tow));
  // What no factor fits is told beside it, and would only pull at the rest.
  const found = calibrated(
    [...timed, ...towedDepths].flatMap(({ measured, observation }) =>
      measured.factor === undefined || !observation ? [] : [observation],
    ),
  );
  const missed = [...timed, ...towedDepths].filter(({ measured }) => measured.isMissed).length;
  const all = timed.length + towedDepths.length;
  return {
    ok: true,
    drag: found,
    drops: timed.map(({ measured }) => measured),
    tows: towedDepths.map(({ measured }) => measured),
    says:
      all === 0
        ? 'Nothing measured yet: time some drops beside a measure, or note the depth it runs at.'
        : found === undefined
          ? 'No drag between a tenth and ten times what is reckoned fits: check depth, weight and watch.'
          : missed === 0
            ? 'The model had all of it within its range; with the measured drag the range is narrower.'
            : `The model missed ${missed} of ${all} by more than its range: its drag for this shape is ` +
              'off. The measured drag sets it right for this design.',
  };
}

/** What a head that floats says of its drag. */
const FLOATS: Measured = { says: 'It floats in that water.', factor: undefined, isMissed: true };

function measuredDrop(rig: Rig, drop: Drop, step: number): Looked {
  const water: Water = { temperature: drop.temperature, salinity: SALT[drop.water] ?? 0 };
  const model = fall(rig, water);
  const { depth, seconds } = drop;
  if (!(model.speed > 0)) return { measured: FLOATS };
  const [slow, fast] = model.speeds;
  const [least, most] = [model.timeTo(depth, fast), model.timeTo(depth, slow)];
  const timeTo = between((k) => fall(withFactor(rig, k), water).timeTo(depth));
  const factor = factorOfDrop(drop, (_, k) => timeTo(k));
  const isMissed = seconds < least || seconds > most;
  return {
    observation: { observed: seconds, predicted: timeTo, deviation: STOPWATCH, step },
    measured: {
      factor,
      isMissed,
      says:
        `${marked(seconds, 'time')} to ${marked(depth, 'depth')}; the model says ` +
        `${marked(model.timeTo(depth), 'time')} (${marked(least, 'time')} to ${marked(most, 'time')})${isMissed ? ', and misses it' : ''}.`,
    },
  };
}

/** A line as it was noted, or the usual one where that is not known. */
const lineKeyOf = (line: string): LineKey =>
  LINE_KINDS.find(({ key }) => key === line)?.key ?? 'fluorocarbon';

/** How far head's and line's drag are taken to be off in a tow: as the retrieve's own span. */
const TOW_SPAN = [
  { factor: 1.27, normal: 1.4 },
  { factor: 0.73, normal: 1 },
] as const;

function measuredTow(rig: Rig, { depth, speed, lineOut, line, test }: TowDepth): Looked {
  const around: Surroundings = {
    water: { temperature: 15, salinity: 0 },
    depth,
    fishing: { speed, lineOut, line: lineKeyOf(line), test },
  };
  const fishing = fishingOf(around);
  const rho = waterDensity(around.water);
  const tow = towed(rig, around.water);
  if (!tow) return { measured: FLOATS };
  const at = (factor: number, normal?: number): number =>
    depthAt(tow, speed, rho, fishing, normal === undefined ? { factor } : { factor, normal });
  const ends = TOW_SPAN.map(({ factor, normal }) => at(factor, normal)).sort((a, b) => a - b);
  const [least, most] = [ends[0] ?? NaN, ends[1] ?? NaN];
  const isMissed = depth < least || depth > most;
  const runs = between((factor) => at(factor));
  return {
    observation: { observed: depth, predicted: runs, deviation: DEPTH_OFF },
    measured: {
      // The head's drag alone is found; the line's is as it is reckoned.
      factor: factorOfTow(depth, runs),
      isMissed,
      says:
        `Ran at ${marked(depth, 'depth')} at ${marked(speed, 'speed')}; the model says ` +
        `${marked(at(1), 'depth')} (${marked(least, 'depth')} to ${marked(most, 'depth')})${isMissed ? ', and misses it' : ''}.`,
    },
  };
}
