import type { Part, Rig } from '../assembly/rig.ts';
import type { Vec3 } from '../numeric/vec.ts';
import { behaviour } from './behaviour.ts';
import { ownSquare } from './own-moment.ts';

/**
 * Second moment of some of a rig's parts about a point, ∫ r² dm, g·mm²: each by its own spread about its
 * centre, and its mass at the centre's distance (Steiner). mm.
 */
export const momentAbout = (rig: Rig, parts: readonly Part[], [x, y, z]: Vec3): number =>
  parts.reduce((sum, part) => {
    const [a, b, c] = part.centroid;
    return sum + part.mass * (ownSquare(rig, part) + (a - x) ** 2 + (b - y) ** 2 + (c - z) ** 2);
  }, 0);

/**
 * What a fish has to lever with when it shakes its head: everything fixed to the hook, or the hook alone
 * where it swings.
 */
function levers(rig: Rig) {
  const { point } = rig.places;
  const [, swinging] = rig.bodies;
  // Of a fixed head, what a hinge would make of it: its keeper is on the head, and stays there.
  const own = swinging?.parts ?? rig.parts.filter(({ name }) => name === 'hook' || name === 'plastic');
  return { fixed: momentAbout(rig, rig.parts, point), free: momentAbout(rig, own, point) };
}

/** How easily it is thrown. */
export const thrown = behaviour({
  key: 'throw',
  needs: 'at once',
  readings: {
    'throw.fixed': {
      name: 'Throw leverage, fixed hook',
      quantity: 'number',
      unit: 'g·mm²',
      decimals: 0,
      kind: 'index',
      group: 'Hook',
      formula: '∫ r² dm',
      note:
        'Moment of all that is fixed to the hook about its point, along its wire and through its ' +
        'metal: what a shaking fish has to lever with. For a hinged head, what it would be ' +
        'without the hinge. Water and line are left out.',
      compared: true,
    },
    'throw.hinged': {
      name: 'Throw leverage, hinged hook',
      quantity: 'number',
      unit: 'g·mm²',
      decimals: 0,
      kind: 'index',
      group: 'Hook',
      formula: '∫ r² dm of hook and bait',
      note:
        'The same through a hinge, which passes no turning on: hook and bait alone. For a fixed ' +
        'head, what a hinge would make of it.',
      compared: true,
    },
  },
  read(rig) {
    const { fixed, free } = levers(rig);
    return { 'throw.fixed': fixed, 'throw.hinged': free };
  },
});
