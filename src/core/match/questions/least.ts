import { numberAt } from '../../numeric/at.ts';
import { MM_PER_INCH } from '../../quantity/units.ts';
import { lineToRod } from '../../behaviour/tow.ts';
import type { Fishing } from '../../behaviour/fishing.ts';
import { fishingOf } from '../../behaviour/fishing.ts';
import { GRAVITY, waterDensity } from '../../material/water.ts';
import { halve } from '../../numeric/halve.ts';
import { plasticMass } from '../../plastic/body.ts';
import { usualPlastic } from '../../plastic/usual.ts';
import type { Head } from '../engine/head.ts';
import type { Situation } from '../engine/situation.ts';
import { surroundingsOf } from '../engine/situation.ts';

/** Drag areas the weight is worked out at, mm²: between them it glides. */
const AREAS = Array.from({ length: 13 }, (_, i) => 2 * 2 ** i);
/** Weights looked among, N. */
const LIGHTEST = 1e-4;
const HEAVIEST = 30;

interface Needed {
  /** weight in the water that just keeps the depth, N, at one of the areas */
  readonly newtons: (area: number) => number;
  /** of the bait a head will carry, where its readings are without one */
  readonly baitNewtons: number;
  readonly baitArea: number;
}

const known = new WeakMap<Situation, Needed | undefined>();

/**
 * Weights by speed, depth, water and tackle: situations that differ in their baits alone share them, and each
 * is worked out when it is asked for.
 */
const tables = new Map<string, Map<number, number>>();
/** Tables that are kept at once. */
const KEPT = 128;

function tableOf(key: string): Map<number, number> {
  const found = tables.get(key) ?? new Map<number, number>();
  // The one asked for last goes last, so that the first is the one not asked for longest.
  tables.delete(key);
  tables.set(key, found);
  for (const oldest of tables.keys()) {
    if (tables.size <= KEPT) break;
    tables.delete(oldest);
  }
  return found;
}

/** Least weight in the water, N, with which a drag area, mm², still reaches a depth on that line. */
function weightFor(area: number, speed: number, depth: number, density: number, fishing: Fishing): number {
  const drag = 0.5 * density * speed * speed * area * 1e-6;
  const reaches = (log: number) =>
    lineToRod({ weight: Math.exp(log), drag }, speed, density, fishing).depth >= depth;
  if (!reaches(Math.log(HEAVIEST))) return HEAVIEST;
  if (reaches(Math.log(LIGHTEST))) return LIGHTEST;
  const [low, high] = halve(Math.log(LIGHTEST), Math.log(HEAVIEST), 14, (log) => !reaches(log));
  return Math.exp((low + high) / 2);
}

function neededIn(situation: Situation): Needed | undefined {
  if (known.has(situation)) return known.get(situation);
  const around = surroundingsOf(situation);
  const fishing = fishingOf(around);
  const through = fishing.speed + fishing.current;
  const density = waterDensity(around.water);
  // Straight down on a rod over the water a drifting or still boat needs no more than the current asks.
  const isHeld = situation.touches || situation.retrieve === 'vertical';
  let found: Needed | undefined;
  if (isHeld && through > 0.03) {
    const bait = usualPlastic(situation.bait.kind, situation.bait.length / MM_PER_INCH);
    const sunk = plasticMass(bait) * (1 - density / 1000 / bait.density);
    const { depth } = situation.water;
    const table = tableOf(JSON.stringify([through, depth, density, fishing]));
    found = {
      newtons(area) {
        let weight = table.get(area);
        if (weight === undefined) {
          weight = weightFor(area, through, depth, density, fishing);
          table.set(area, weight);
        }
        return weight;
      },
      baitNewtons: (sunk / 1000) * GRAVITY,
      // Met nose first: its section, with a coefficient of one (working value).
      baitArea: (Math.PI / 4) * bait.breadth * bait.height,
    };
  }
  known.set(situation, found);
  return found;
}

/**
 * Weight of the metal, g, with which a head of that shape and bait just keeps the bottom at the situation’s
 * speed, current and line, as a function of the head: its weight now, times what it needs in the water over
 * what it has. Undefined where nothing asks for it.
 */
export function leastFor(situation: Situation): (head: Head) => number | undefined {
  const needed = neededIn(situation);
  if (!needed) return () => undefined;
  return ({ values, isSettled }) => {
    const metal = values['mass.metal'];
    const area = values['retrieve.dragArea'];
    const grams = (isSettled ? values['rig.submerged'] : undefined) ?? values['mass.submerged'];
    if (metal === undefined || area === undefined || grams === undefined) return undefined;
    const bare = !(isSettled && values['rig.submerged'] !== undefined);
    const whole = area + (bare ? needed.baitArea : 0);
    const has = (grams / 1000) * GRAVITY + (bare ? needed.baitNewtons : 0);
    if (!(has > 0)) return undefined;
    // A heavier head of the same shape is broader too: two rounds are enough for what is asked.
    let factor = needAt(needed.newtons, whole) / has;
    factor = needAt(needed.newtons, whole * factor ** (2 / 3)) / has;
    return metal * factor;
  };
}

function needAt(newtons: Needed['newtons'], area: number): number {
  const place = Math.min(AREAS.length - 1.001, Math.max(0, Math.log2(area / numberAt(AREAS, 0))));
  const low = Math.floor(place);
  const [a, b] = [newtons(numberAt(AREAS, low)), newtons(numberAt(AREAS, low + 1))];
  return a * (b / a) ** (place - low);
}
