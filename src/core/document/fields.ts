import type { FeatureSpec, GuardSpec, KeeperSpec } from './design.ts';
import type { QuantityKind } from '../quantity/units.ts';

/** A number of a fitting or feature under the name it goes by, in its stored unit: what a form offers and a history tells. */
export interface FieldSpec {
  readonly key: string;
  readonly label: string;
  readonly kind: QuantityKind;
  readonly min: number;
  readonly max: number;
  readonly step: number;
  readonly note?: string;
}

const size = (key: string, label: string, min: number, max: number, step = 0.1, note?: string): FieldSpec => ({ key, label, kind: 'size', min, max, step, ...(note ? { note } : {}) }); // prettier-ignore
const share = (key: string, label: string, min: number, max: number, note?: string): FieldSpec => ({ key, label, kind: 'share', min, max, step: 0.01, ...(note ? { note } : {}) }); // prettier-ignore
const angle = (key: string, label: string, min: number, max: number, note?: string): FieldSpec => ({ key, label, kind: 'angle', min, max, step: 1, ...(note ? { note } : {}) }); // prettier-ignore
const count = (key: string, label: string, min: number, max: number, step = 1): FieldSpec => ({ key, label, kind: step < 1 ? 'number' : 'count', min, max, step }); // prettier-ignore

export const KEEPER_FIELDS: Readonly<Record<KeeperSpec['kind'], readonly FieldSpec[]>> = {
  none: [],
  collar: [
    size('length', 'Collar length', 1, 40),
    size('diameter', 'Collar diameter', 0.8, 20, 0.05),
    size('barb', 'Barb height', 0, 6, 0.05),
    count('barbs', 'Barbs', 0, 6),
  ],
  barrel: [
    size('length', 'Barrel length', 1, 40),
    size('diameter', 'Barrel diameter', 0.8, 20, 0.05),
    share('taper', 'Taper to the rear', 0, 0.8),
  ],
  wire: [
    size('length', 'Keeper length', 2, 40),
    size('wire', 'Keeper wire', 0.2, 2, 0.02),
    angle('flare', 'Flare', 0, 45),
  ],
  barbs: [
    size('at', 'First barb behind the head', 1, 60),
    size('length', 'Barb length', 1, 12),
    size('height', 'Barb height', 0.2, 5, 0.05),
    size('wire', 'Barb thickness', 0.2, 1.5, 0.02),
  ],
  screw: [
    size('length', 'Screw length', 3, 40),
    size('diameter', 'Screw diameter', 1, 12, 0.05),
    size('wire', 'Screw wire', 0.2, 1.5, 0.02),
    count('turns', 'Turns', 1, 20, 0.5),
    size(
      'standoff',
      'Stand-off',
      0,
      20,
      0.1,
      'Gap between head and screw: a thick nose sits clear of the head.',
    ),
  ],
  spring: [
    size('length', 'Spring length', 2, 40),
    size('diameter', 'Spring diameter', 1, 12, 0.05),
    size('wire', 'Spring wire', 0.2, 1.5, 0.02),
    count('turns', 'Turns', 1, 30, 0.5),
  ],
};

const PLACE = [
  angle('lean', 'Lean', 15, 90, 'Above the shank, leaning back to the point.'),
  share('setback', 'Base behind the nose', 0, 1),
];

export const GUARD_FIELDS: Readonly<Record<GuardSpec['kind'], readonly FieldSpec[]>> = {
  none: [],
  fibre: [
    count('count', 'Fibres', 1, 120),
    size('fibre', 'Fibre', 0.1, 1.5, 0.01),
    size('length', 'Length as bought', 2, 80, 0.5),
    ...PLACE,
    angle('fan', 'Fan', 0, 90, 'Spread sideways: softer in middling cover, bundled in the thickest.'),
  ],
  y: [
    size('wire', 'Stem and arms', 0.3, 3, 0.05),
    size('length', 'Stem and arm', 4, 80, 0.5),
    share('fork', 'Forks at', 0.1, 0.9),
    angle('spread', 'Between the arms', 5, 90),
    ...PLACE,
  ],
  'twin wire': [
    size('wire', 'Guard wire', 0.15, 1.2, 0.01),
    size('length', 'Guard length', 4, 80, 0.5),
    angle('spread', 'Between the wires', 0, 60),
    ...PLACE,
  ],
  'wire loop': [
    size('wire', 'Guard wire', 0.15, 1.2, 0.01),
    size('length', 'Guard length', 4, 80, 0.5),
    size('width', 'Loop width', 0.5, 15),
    ...PLACE,
  ],
};

export const FEATURE_FIELDS: Readonly<Record<keyof FeatureSpec, readonly FieldSpec[]>> = {
  sole: [
    share('cut', 'Sole takes off', 0.01, 0.95, 'Share of the drop below the shank.'),
    angle('tilt', 'Sole leans', -30, 30, 'Rise to the nose.'),
  ],
  flats: [
    share('cut', 'Flats take off', 0.01, 0.9, 'Share of the rise at the ridge.'),
    angle('slope', 'Flats slope', 0, 60, '0 makes one flat.'),
  ],
  channel: [
    share('width', 'Channel width', 0.02, 0.9, 'Share of the breadth.'),
    share('depth', 'Channel depth', 0.02, 0.9, 'Share of the drop.'),
  ],
  cheeks: [
    share('depth', 'Hollow depth', 0.02, 0.8, 'Share of the half-breadth.'),
    share('length', 'Hollow length', 0.1, 1.5, 'Share of the length.'),
    share('at', 'Hollow from the rear', 0, 1),
  ],
  fins: [
    share('span', 'Fins stand out', 0.05, 3, 'Share of the half-breadth.'),
    share('length', 'Fin length', 0.05, 1, 'At the root, as a share of the head.'),
    size('thickness', 'Fin thickness', 0.3, 6, 0.05),
    share('at', 'Fins from the rear', 0, 1),
  ],
  slot: [size('width', 'Slot width', 0.3, 6, 0.05)],
};
