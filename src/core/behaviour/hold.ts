import { HOLD_REFERENCE } from '../fitting/keepers/index.ts';
import { behaviour } from './behaviour.ts';

/** How the keeper goes into the plastic, and how it holds. */
export const hold = behaviour({
  key: 'hold',
  needs: 'at once',
  readings: {
    'keeper.insertion': {
      name: 'Keeper length in the bait',
      quantity: 'size',
      unit: 'mm',
      kind: 'geometry',
      group: 'Keeper',
      formula: '−x of its far end',
      note:
        'From the rear face to the keeper’s far end. Weedless work begins with {3 to 6 mm} of nose ' +
        '(common practice, no source).',
    },
    'keeper.diameter': {
      name: 'Keeper across',
      quantity: 'size',
      unit: 'mm',
      kind: 'geometry',
      group: 'Keeper',
      formula: '2 max r',
      note: 'Greatest outside diameter, barbs included.',
    },
    'keeper.hold': {
      name: 'Hold',
      quantity: 'number',
      unit: '1',
      kind: 'index',
      group: 'Keeper',
      formula: '(Σ barbs + 0.05 · sides) / the same of the everyday collar',
      note:
        'Plastic that must give before the bait slides off, as a multiple of the everyday ' +
        'collar’s ({7 mm} long, {2.8 mm} across, two barbs of {0.6 mm}). Barbs and coils by the area ' +
        'they stand out, sides by a twentieth of theirs.',
    },
  },
  read({ keeper }) {
    if (!keeper) return {};
    return {
      'keeper.insertion': keeper.insertion > 0 ? keeper.insertion : undefined,
      'keeper.diameter': keeper.diameter > 0 ? keeper.diameter : undefined,
      'keeper.hold': keeper.holdArea / HOLD_REFERENCE,
    };
  },
});
