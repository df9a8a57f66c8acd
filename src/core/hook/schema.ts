import type { Static } from '@sinclair/typebox';
import { Type } from '@sinclair/typebox';
import { keySchema } from '../kind/registry.ts';
import { GRADES } from './chart.ts';
import type { JointKey } from './joints/index.ts';
import { JOINTS } from './joints/index.ts';
import type { StyleKey } from './styles/index.ts';
import { STYLES } from './styles/index.ts';

const closed = { additionalProperties: false };

/** Ranges of a measured hook's sizes, mm: of schema, form and table alike. */
export const MEASURED_RANGES = { gap: [1, 60], shank: [3, 150], wire: [0.2, 4] } as const;

const measured = (key: keyof typeof MEASURED_RANGES, description: string) => {
  const [minimum, maximum] = MEASURED_RANGES[key];
  return Type.Number({ minimum, maximum, description });
};

/** A measured hook's sizes, mm: what a shop takes with a caliper. */
export const MEASURED = {
  gap: measured('gap', 'Clear gap between shank and point, mm'),
  shank: measured('shank', 'Straight shank, from the eye bend to the start of the round bend, mm'),
  wire: measured('wire', 'Wire diameter, mm'),
};

/** The schema of a hook’s style. */
export const StyleSchema = Type.Unsafe<StyleKey>(
  keySchema(STYLES, 'Shape of the hook; a round bend where absent'),
);

/** Inner diameters a loop or ring may have, mm: of schema and form alike. */
export const JOINT_SIZES = [1, 15] as const;

/** The hook, as part of a design's document. */
export const HookSpecSchema = Type.Object(
  {
    size: Type.String({
      minLength: 1,
      maxLength: 12,
      description: 'Hook size as spoken: #8 … #1, 1/0 … 8/0',
    }),
    grade: Type.Union(
      GRADES.map((grade) => Type.Literal(grade)),
      { description: 'Wire grade' },
    ),
    style: Type.Optional(StyleSchema),
    joint: Type.Optional(
      Type.Object(
        {
          kind: Type.Unsafe<JointKey>(keySchema(JOINTS, 'What joins the free hook to the head')),
          size: Type.Number({
            minimum: JOINT_SIZES[0],
            maximum: JOINT_SIZES[1],
            description: 'Inner diameter of loop or ring, mm',
          }),
        },
        { ...closed, description: 'A hinged head: the hook swings from a loop behind it' },
      ),
    ),
    measured: Type.Optional(
      Type.Object(
        {
          ...MEASURED,
          name: Type.Optional(Type.String({ maxLength: 120, description: 'What the shop calls it' })),
        },
        { ...closed, description: 'Own measured hook, in place of the chart' },
      ),
    ),
  },
  { ...closed, description: 'The hook' },
);

/** Planes an eye may stand in. */
export const EYE_PLANES = ['in line', 'crosswise'] as const;

/** Angles an eye's leg may stand at to the shank's forward line, degrees: of schema and form alike. */
export const EYE_ANGLES = [0, 90] as const;

/**
 * What an eye may measure: setback as a share of the head’s length, inner diameter and recess in mm; of
 * schema and form alike.
 */
export const EYE_RANGES = { setback: [-3, 1], size: [0.5, 10], recess: [0, 8] } as const;

/** The eye, as part of a design's document. */
export const EyeSchema = Type.Object(
  {
    angle: Type.Number({
      minimum: EYE_ANGLES[0],
      maximum: EYE_ANGLES[1],
      description: 'Between the shank’s forward line and the eye’s leg, degrees',
    }),
    plane: Type.Union(
      EYE_PLANES.map((plane) => Type.Literal(plane)),
      { description: 'Plane of the eye: in line with the hook, or across it' },
    ),
    setback: Type.Number({
      minimum: EYE_RANGES.setback[0],
      maximum: EYE_RANGES.setback[1],
      description:
        'Where the eye’s leg leaves the shank, as a share of the head’s length behind the nose; ' +
        'negative in front of it',
    }),
    size: Type.Optional(
      Type.Number({
        minimum: EYE_RANGES.size[0],
        maximum: EYE_RANGES.size[1],
        description: 'Inner diameter of the eye, mm; from the wire where absent',
      }),
    ),
    recess: Type.Optional(
      Type.Number({
        minimum: EYE_RANGES.recess[0],
        maximum: EYE_RANGES.recess[1],
        description: 'How deep the eye is set into the head, mm',
      }),
    ),
  },
  { ...closed, description: 'The eye (line tie)' },
);

/** The hook in a design’s document. */
export type HookSpec = Static<typeof HookSpecSchema>;
/** The eye in a design’s document. */
export type EyeSpec = Static<typeof EyeSchema>;
