import { metalPart } from '../assembly/rig.ts';
import { behaviour } from './behaviour.ts';

/** Moment of inertia of a ball of a mass (g) and density (g/cm³) about its middle, g·mm². */
export function ballInertia(mass: number, density: number): number {
  const radius = Math.cbrt((3 * (mass / density) * 1000) / (4 * Math.PI));
  return 0.4 * mass * radius * radius;
}

/** How a head rolls about the pull, against a ball. */
export const roll = behaviour({
  key: 'roll',
  needs: 'at once',
  readings: {
    'roll.factor': {
      name: 'Roll inertia over a ball’s',
      quantity: 'number',
      unit: '1',
      decimals: 2,
      kind: 'geometry',
      group: 'Head',
      formula: 'I / (2/5 m r²)',
      note:
        'Of the metal about the shank’s direction, over that of a ball of the same metal and ' +
        'weight: above 1 it rolls more slowly, below it quivers sooner.',
      compared: true,
    },
  },
  read(rig) {
    const { mass } = metalPart(rig);
    return { 'roll.factor': (rig.roll * rig.density) / 1000 / ballInertia(mass, rig.density) };
  },
});
