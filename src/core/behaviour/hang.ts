import type { Rig } from '../assembly/rig.ts';
import { waterDensity } from '../material/water.ts';
import { behaviour } from './behaviour.ts';
import type { Vec3 } from '../numeric/vec.ts';
import { degrees } from '../numeric/vec.ts';
import type { Submerged } from '../assembly/submerged.ts';
import { submerged } from '../assembly/submerged.ts';

/**
 * Attitude on a tight vertical line, degrees, nose down positive: the effective centre hangs straight below
 * the eye. −90 is nose straight up, as with an eye out of the nose.
 */
export function hangAttitude(eye: Vec3, centre: Vec3): number {
  return degrees(Math.atan2(centre[0] - eye[0], eye[2] - centre[2]));
}

/**
 * The submerged weight of what hangs from the eye and the point it balances at. A free hook pulls at its
 * hinge with all that swings with it, a bait and a keeper on its shank too, wherever it swings to: its
 * weight, or the lift of a bait that floats, counts there. rho in kg/m³.
 */
export function hanging({ bodies, joint }: Pick<Rig, 'bodies' | 'joint'>, rho: number): Submerged {
  const [head, free] = bodies;
  if (!free || !joint) return submerged(head, rho);
  const swinging = free.parts.map((part) => ({ ...part, centroid: joint.at }));
  return submerged({ parts: [...head.parts, ...swinging] }, rho);
}

/** How it hangs on a tight vertical line. */
export const hang = behaviour({
  key: 'hang',
  needs: 'at once',
  readings: {
    'hang.attitude': {
      name: 'Hang, nose down',
      quantity: 'angle',
      unit: '°',
      kind: 'geometry',
      group: 'In the water',
      formula: 'atan2(x_c − x_eye, z_eye − z_c)',
      note:
        'On a tight vertical line in the chosen water the effective centre hangs below the eye. ' +
        'Nose up is negative. A free hook’s weight, with the bait on it, counts at its hinge.',
      compared: true,
    },
    'hang.knot': {
      name: 'A cinched knot turns it by',
      quantity: 'angle',
      unit: '°',
      kind: 'geometry',
      group: 'In the water',
      formula: 'asin(r / |c* − eye|)',
      note:
        'A knot drawn tight can be set round the eye, which turns the head either way by at most ' +
        'this: much on a small head. An open loop slides to the middle and lets it hang as it ' +
        'will. A crosswise eye leaves the wire’s own thickness.',
    },
  },
  read(rig, { water }) {
    const rho = waterDensity(water);
    const { weight, centre } = hanging(rig, rho);
    // What floats hangs from nothing.
    if (weight <= 0) return {};
    const { eye } = rig.places;
    const ring = rig.hook.eye;
    const arm = Math.hypot(centre[0] - eye[0], centre[2] - eye[2]);
    const reach = ring.plane === 'crosswise' ? ring.wireRadius : ring.radius;
    return {
      'hang.attitude': hangAttitude(eye, centre),
      'hang.knot': degrees(Math.asin(Math.min(1, reach / arm))),
    };
  },
});
