import { metalPart } from '../assembly/rig.ts';
import { behaviour } from './behaviour.ts';

/** What the metal costs. */
export const cost = behaviour({
  key: 'cost',
  needs: 'at once',
  readings: {
    'cost.metal': {
      name: 'Metal cost',
      quantity: 'money',
      unit: '1',
      kind: 'practice',
      group: 'Weight',
      formula: 'm · price',
      note:
        'Metal × its price per kilogram in the stores, in the shop’s own money: a list price ' +
        'until the shop puts in what it pays. Sprue and loss are left out.',
    },
  },
  read(rig) {
    return { 'cost.metal': (metalPart(rig).mass / 1000) * rig.metal.price };
  },
});
