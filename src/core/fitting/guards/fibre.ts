import type { Vec3 } from '../../numeric/vec.ts';
import type { WirePiece } from '../keepers/keeper.ts';
import { angle, choice, count, flag, optional, size } from '../../kind/field.ts';
import { FIBRE_DENSITY, FIBRES } from '../../material/densities.ts';
import { radians } from '../../numeric/vec.ts';
import { guardFrame, guardKind, PLACE } from './guard.ts';

/**
 * Share of a bundle's circle that round fibres fill (hexagonal packing would be 0.91; glued bundles fill
 * about 0.75: from memory).
 */
const PACKING = 0.75;

/**
 * A brush of fibres. Trimmed, it is cut so that the ends lie level with the hook point, or `over` it (the
 * longest the bought length allows); otherwise it keeps its bought length.
 */
export const fibre = guardKind({
  key: 'fibre',
  name: 'fibre brush',
  alsoCalled: ['fiber', 'fiber guard', 'fibre guard', 'brush', 'brush guard', 'weed brush'],
  fields: {
    count: count('Fibres', [1, 16, 120]),
    fibre: size('Fibre', [0.1, 0.4, 1.5], { step: 0.01, note: 'Diameter of one.' }),
    length: size('Length as bought', [2, 32, 80], { step: 0.5 }),
    ...PLACE,
    fan: angle('Fan', [0, 16, 90], {
      note: 'Spread sideways: softer in moderate cover, bundled in the thickest.',
    }),
    trimmed: flag('Trimmed to the point', true, 'Cut so that the ends line up with the hook point.'),
    material: optional(choice('Fibre material', FIBRES)),
    over: optional(
      size('Trim line over the point', [-10, 0, 20], { note: 'How far a trimmed end stands over it.' }),
    ),
  },
  build: (spec, ground) => {
    const bundleRadius = (spec.fibre / 2) * Math.sqrt(spec.count / PACKING);
    const frame = guardFrame(spec, ground, bundleRadius);
    const { at, depth, along } = frame;
    const wanted = Math.max(0, frame.toPointLevel + (spec.over ?? 0) / along[2]);
    const free = spec.trimmed ? Math.min(spec.length, wanted) : spec.length;
    const volume = spec.count * Math.PI * (spec.fibre / 2) ** 2 * (free + depth);
    const aside = bundleRadius + free * Math.sin(radians(spec.fan / 2));
    const strands = [-1, 0, 1].map((way) => ({
      path: [at(0, way * bundleRadius), at(free, way * aside)],
      diameter: spec.fibre,
    }));
    return {
      ...frame,
      free,
      end: at(free),
      volume,
      material: spec.material ?? FIBRES[0],
      density: FIBRE_DENSITY[spec.material ?? FIBRES[0]],
      centroid: at((free - depth) / 2),
      spread: spec.fan,
      strand: spec.fibre,
      count: spec.count,
      // (π/4) R⁴ of what fills the bundle’s circle, over that of its fibres one by one.
      asOneRod: spec.count > 1 ? spec.count / PACKING : 1,
      parting: 0,
      strands,
      // A brush is one thick stick to the water.
      sticks: [{ path: [frame.base, at(free)], diameter: 2 * bundleRadius }],
      shown: () => brush(bundleRadius, free, aside, spec.fibre, frame),
      drawnAs: 'bundle',
      overPoint: frame.overPoint(free),
    };
  },
  trim: ({ trimmed }) => (trimmed ? 'trimmed' : 'as bought'),
});

/** Fibres drawn of a brush: enough to look like one. */
const SHOWN = 18;

/** Fibres spread over the fan in two rows, so that the brush has a body. */
function brush(
  root: number,
  free: number,
  aside: number,
  diameter: number,
  { at, along }: ReturnType<typeof guardFrame>,
): WirePiece[] {
  return Array.from({ length: SHOWN }, (_, i) => {
    const across = (2 * i) / (SHOWN - 1) - 1;
    const lift = (i % 2 === 0 ? 0.5 : -0.5) * root;
    const raised = ([x, y, z]: Vec3): Vec3 => [x - along[2] * lift, y, z - along[0] * lift];
    return { path: [raised(at(0, across * root)), raised(at(free, across * aside))], diameter };
  });
}
