import { metalPart } from '../assembly/rig.ts';
import { extent } from '../head/extent.ts';
import { behaviour } from './behaviour.ts';

/** Sizes and volume of the head itself. */
export const shape = behaviour({
  key: 'shape',
  needs: 'at once',
  readings: {
    'head.castVolume': {
      name: 'Cast volume',
      quantity: 'volume',
      unit: 'mm³',
      kind: 'geometry',
      group: 'Head',
      formula: 'V = ∫ A(x) dx − wire − holes',
      note:
        'Body and cast collar less the hook wire, keeper wire and guard hole inside them. ' +
        'Sections |y/b|^n + |z/t|^n = 1 integrated along the shank by Gauss-Legendre quadrature, ' +
        'with features by adaptive Gauss-Kronrod quadrature over upright columns; wire by ' +
        'filaments.',
      compared: true,
    },
    'head.length': {
      name: 'Head length',
      quantity: 'size',
      unit: 'mm',
      kind: 'geometry',
      group: 'Head',
      formula: 'L',
      note: 'Rear face to nose, without collar.',
      compared: true,
    },
    'head.breadth': {
      name: 'Head breadth',
      quantity: 'size',
      unit: 'mm',
      kind: 'geometry',
      group: 'Head',
      formula: 'max |y| · 2',
      note: 'Greatest width across the shank.',
      compared: true,
    },
    'head.height': {
      name: 'Head height',
      quantity: 'size',
      unit: 'mm',
      kind: 'geometry',
      group: 'Head',
      formula: 'max z − min z',
      note: 'From the lowest of the belly to the highest of the crown.',
      compared: true,
    },
    'head.scale': {
      name: 'Scale to target',
      quantity: 'number',
      unit: '1',
      kind: 'geometry',
      group: 'Head',
      formula: 'size / size as typed',
      note: 'Factor put on the unlocked sizes to meet the weight target; 1 where none is set.',
      decimals: 3,
    },
  },
  read(rig) {
    const sizes = extent(rig.head);
    return {
      'head.castVolume': metalPart(rig).volume,
      'head.length': sizes.length,
      'head.breadth': sizes.breadth,
      'head.height': sizes.height,
      'head.scale': rig.scale,
    };
  },
});
