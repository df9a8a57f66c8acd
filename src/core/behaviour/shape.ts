import type { Rig } from '../build/rig.ts';
import { metalPart } from '../build/rig.ts';
import { bareHead, isPlain } from '../head/body.ts';
import { columnBulk } from '../head/columns.ts';
import { extent } from '../head/extent.ts';
import { DRAWING } from '../head/loft.ts';
import { massProperties } from '../head/mesh.ts';
import { revolveSurface } from '../head/revolve.ts';
import { surfaceMesh } from '../head/solid.ts';
import { SHADOW } from '../build/bodies.ts';
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
      formula: 'S = Σ triangle areas',
      note: 'Surface of body and collar, from the closed mesh.',
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
  read(rig) {
    const sizes = extent(rig.head);
    const { area, sphericity } = surfaceOf(rig);
    return {
      'head.castVolume': metalPart(rig).volume,
      'head.length': rig.profile.length,
      'head.breadth': sizes.breadth,
      'head.height': sizes.height,
      'head.surface': area,
      'head.sphericity': sphericity,
      'head.scale': rig.scale,
    };
  },
});

interface Surface {
  /** with collar, mm² */
  readonly area: number;
  /** without it */
  readonly sphericity: number;
  /** ∫(y² + z²) dV about the line through the centre along the shank, mm⁵ */
  readonly roll: number;
}

const known = new WeakMap<Rig['head'], Surface>();

/** Surface, sphericity and roll moment of a head's body; asked for by more than one behaviour, found once. */
export function surfaceOf({ head, collar }: Pick<Rig, 'head' | 'collar'>): Surface {
  let surface = known.get(head);
  if (!surface) {
    surface = measured(head, collar);
    known.set(head, surface);
  }
  return surface;
}

function measured(head: Rig['head'], collar: Rig['collar']): Surface {
  const round = ({ volume, area }: { volume: number; area: number }) =>
    Math.min(1, (Math.cbrt(Math.PI) * (6 * volume) ** (2 / 3)) / area);
  const bare = massProperties(surfaceMesh(bareHead(head), collar ? SHADOW : DRAWING));
  if (isPlain(head) && collar) {
    const whole = massProperties(surfaceMesh(head, DRAWING));
    return { area: whole.area, sphericity: round(bare), roll: whole.inertia[0] };
  }
  const area = bare.area + (collar ? revolveSurface(collar) : 0);
  if (isPlain(head) || head.mesh) return { area, sphericity: round(bare), roll: bare.inertia[0] };
  const worked = columnBulk(head.profile, head.shapes);
  return { area, sphericity: round(bare), roll: worked.roll - worked.volume * worked.centroid[2] ** 2 };
}
