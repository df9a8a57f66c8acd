import { bareHead } from '../head/body.ts';
import { wholeBulk } from '../head/bulk.ts';
import { surfaceOf } from '../head/surface.ts';
import { behaviour } from './behaviour.ts';

/** Surface of the head, and how near it is to the least there can be. */
export const surface = behaviour({
  key: 'surface',
  needs: 'a moment later',
  readings: {
    'head.surface': {
      name: 'Surface',
      quantity: 'area',
      unit: 'mm²',
      kind: 'geometry',
      group: 'Head',
      formula: 'S = ∮ dA',
      note:
        'Surface of body, collar and features, wire and holes still filled. Plain bodies: facets ' +
        'at two finenesses, drawn out to none (Richardson); features: facets of the solid ' +
        'library, set right by what such facets lose of the plain body. Within 0.1%.',
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
  },
  read({ head }) {
    const { area, bare } = surfaceOf(head);
    const { volume } = wholeBulk(bareHead(head));
    return {
      'head.surface': area,
      'head.sphericity': Math.min(1, (Math.cbrt(Math.PI) * (6 * volume) ** (2 / 3)) / bare),
    };
  },
});
