import { FIBRE_DENSITY } from '../../material/metals.ts';
import { radians } from '../../numeric/vec.ts';
import type { GuardKind } from './guard.ts';
import { guardFrame } from './guard.ts';

/** Share of a bundle's circle that round fibres fill (hexagonal packing would be 0.91; glued bundles fill about 0.75: from memory). */
const PACKING = 0.75;

/**
 * A brush of fibres. Trimmed, it is cut so that the ends lie level with the hook point, or `over` it (the longest the bought length allows);
 * otherwise it keeps its bought length.
 */
export const fibre: GuardKind<'fibre'> = {
  kind: 'fibre',
  name: 'fibre brush',
  initial: {
    kind: 'fibre',
    count: 16,
    fibre: 0.4,
    length: 32,
    lean: 38,
    setback: 0.6,
    fan: 16,
    trimmed: true,
  },
  build: (spec, ground) => {
    const frame = guardFrame(spec, ground);
    const { at, depth, along } = frame;
    const wanted = Math.max(0, frame.toPointLevel + (spec.over ?? 0) / along[2]);
    const free = spec.trimmed ? Math.min(spec.length, wanted) : spec.length;
    const bundleRadius = (spec.fibre / 2) * Math.sqrt(spec.count / PACKING);
    const volume = spec.count * Math.PI * (spec.fibre / 2) ** 2 * (free + depth);
    const aside = bundleRadius + free * Math.sin(radians(spec.fan / 2));
    return {
      kind: 'fibre',
      ...frame,
      free,
      bundleRadius,
      end: at(free),
      bore: frame.bore(bundleRadius),
      volume,
      density: FIBRE_DENSITY[spec.material ?? 'nylon'],
      centroid: at((free - depth) / 2),
      spread: spec.fan,
      strands: [-1, 0, 1].map((way) => ({
        path: [at(0, way * bundleRadius), at(free, way * aside)],
        diameter: spec.fibre,
      })),
      overPoint: frame.overPoint(free),
    };
  },
};
