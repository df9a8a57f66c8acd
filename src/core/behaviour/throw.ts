import type { Part, Rig } from '../build/rig.ts';
import type { Vec3 } from '../numeric/vec.ts';
import { behaviour } from './behaviour.ts';

/** Second moment of parts about a point, each at its own centre, g·mm². */
export const momentAbout = (parts: readonly Pick<Part, 'mass' | 'centroid'>[], [x, y, z]: Vec3): number =>
  parts.reduce(
    (sum, { mass, centroid: [a, b, c] }) => sum + mass * ((a - x) ** 2 + (b - y) ** 2 + (c - z) ** 2),
    0,
  );

/** What a fish has to lever with when it shakes its head: everything fixed to the hook, or the hook alone where it swings. */
function levers(rig: Rig) {
  const { point } = rig.places;
  const [, swinging] = rig.bodies;
  // Of a fixed head, what a hinge would make of it: its keeper is on the head, and stays there.
  const own = swinging?.parts ?? rig.parts.filter(({ name }) => name === 'hook' || name === 'plastic');
  return { fixed: momentAbout(rig.parts, point), free: momentAbout(own, point) };
}

/** How easily it is thrown. */
export const thrown = behaviour({
  key: 'throw',
  needs: 'at once',
  readings: {
    'throw.fixed': {
      name: 'Lever to throw it, fixed',
      quantity: 'number',
      unit: 'g·mm²',
      decimals: 0,
      kind: 'index',
      group: 'Hook',
      formula: 'Σ m_i r_i²',
      note: 'Moment of all that is fixed to the hook about its point: what a shaking fish has to lever with. For a hinged head, what it would be without the hinge. Water and line are left out.',
      compared: true,
    },
    'throw.hinged': {
      name: 'Lever to throw it, hinged',
      quantity: 'number',
      unit: 'g·mm²',
      decimals: 0,
      kind: 'index',
      group: 'Hook',
      formula: 'Σ m_i r_i² of hook and bait',
      note: 'The same through a hinge, which passes no turning on: hook and bait alone. For a fixed head, what a hinge would make of it.',
      compared: true,
    },
  },
  read(rig) {
    const { fixed, free } = levers(rig);
    return { 'throw.fixed': fixed, 'throw.hinged': free };
  },
});
