import { metalPart } from '../build/rig.ts';
import { bareHead, wholeBulk } from '../head/body.ts';
import { extent } from '../head/extent.ts';
import { surfaceOf } from '../head/surface.ts';
import { behaviour } from './behaviour.ts';

/** Sizes, volume and surface of the head itself. */
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
      note: 'Body and cast collar less the hook wire, keeper wire and guard hole inside them. Sections |y/b|^n + |z/t|^n = 1 integrated along the shank by Gauss-Legendre quadrature, with features by adaptive Gauss-Kronrod quadrature over upright columns; wire by filaments.',
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
    'head.surface': {
      name: 'Surface',
      quantity: 'number',
      unit: 'mm²',
      kind: 'geometry',
      group: 'Head',
      formula: 'S = ∮ dA',
      note: 'Surface of body, collar and features, wire and holes still filled. Plain bodies: facets at two finenesses, drawn out to none (Richardson); features: facets of the solid library, set right by what such facets lose of the plain body. Within 0.1%.',
      decimals: 0,
    },
    'head.sphericity': {
      name: 'Sphericity',
      quantity: 'number',
      unit: '1',
      kind: 'geometry',
      group: 'Head',
      formula: 'Ψ = π^(1/3) (6V)^(2/3) / S',
      note: 'Surface of the sphere of equal volume over the surface of the body (Wadell). 1 is a ball.',
      decimals: 3,
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
  read(rig, { isQuick = false }) {
    const sizes = extent(rig.head);
    const { area, bare } = surfaceOf(rig.head, isQuick);
    const { volume } = wholeBulk(bareHead(rig.head));
    return {
      'head.castVolume': metalPart(rig).volume,
      'head.length': sizes.length,
      'head.breadth': sizes.breadth,
      'head.height': sizes.height,
      'head.surface': area,
      'head.sphericity': Math.min(1, (Math.cbrt(Math.PI) * (6 * volume) ** (2 / 3)) / bare),
      'head.scale': rig.scale,
    };
  },
});
