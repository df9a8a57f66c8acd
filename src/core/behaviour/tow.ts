import type { Rig } from '../build/rig.ts';
import { submerged } from '../build/submerged.ts';
import type { Water } from '../material/water.ts';
import { GRAVITY, waterDensity, waterViscosity } from '../material/water.ts';
import { nearestTo, steadyPlaces } from '../numeric/steady.ts';
import { degrees } from '../numeric/vec.ts';
import type { Fishing } from './fishing.ts';
import { lineFacts } from './fishing.ts';
import type { LineToRod } from './towed-line.ts';
import { lineUpTo } from './towed-line.ts';
import { dragAt, wetWhole } from './wet-body.ts';

/** Steps of a whole turn in which steady pitches are looked for. */
const TURN = 72;

/** A head on a line, in water: what it weighs there and how it goes. */
export interface Tow {
  /** submerged weight, N */
  readonly weight: number;
  /** drag at a speed through the water (m/s), N, and the nose-down pitch it takes there, degrees */
  readonly at: (speed: number) => { readonly drag: number; readonly pitch: number };
}

/**
 * A head towed level: it takes the pitch in which its weight and drag balance about the eye, the one nearest to how it hangs. A free hook
 * trails straight. Undefined where it floats.
 */
export function towed(rig: Rig, water: Water): Tow | undefined {
  const rho = waterDensity(water);
  const viscosity = waterViscosity(water);
  const { weight, centre } = submerged(rig, rho);
  if (!(weight > 0)) return undefined;
  const body = wetWhole(rig);
  const { eye } = rig.places;
  const force = (weight / 1000) * GRAVITY;
  const [dx, dz] = [centre[0] - eye[0], centre[2] - eye[2]];
  const hang = Math.atan2(dx, -dz);
  // Level motion at a pitch is motion straight down at a quarter turn more.
  const dragged = (pitch: number, speed: number) =>
    dragAt(body, eye, pitch + Math.PI / 2, speed, rho, viscosity);
  const at = (speed: number) => {
    const moment = (pitch: number) =>
      dragged(pitch, speed).moment + force * (dx * Math.cos(pitch) + dz * Math.sin(pitch));
    const step = (2 * Math.PI) / TURN;
    const best = nearestTo(
      steadyPlaces(moment, { from: hang - Math.PI, step, count: TURN, halvings: 24 }),
      hang,
    );
    return { drag: dragged(best, speed).force, pitch: degrees(best) };
  };
  return { weight: force, at };
}

/** Pieces a line is marched in; halving them changes a depth by far less than half a per cent. */
const STEPS = 60;

/** The line from a head to the rod at a speed through the water (m/s), weight and drag in N; water in kg/m³; `normal` as for the line. */
export function lineToRod(
  pull: { readonly weight: number; readonly drag: number },
  speed: number,
  waterDensity: number,
  fishing: Fishing,
  normal?: number,
): LineToRod {
  const { diameter, density } = lineFacts(fishing);
  const { lineOut, rodHeight } = fishing;
  return lineUpTo(
    { ...pull, speed, diameter, density, waterDensity, lineOut, steps: STEPS, normal },
    rodHeight,
  );
}
