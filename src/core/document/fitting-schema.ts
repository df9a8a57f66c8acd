import { Type } from '@sinclair/typebox';

const closed = { additionalProperties: false };

export const FIBRES = ['nylon', 'polypropylene', 'fluorocarbon'] as const;

/** What holds a plastic, as part of a design's document. */
export const KeeperSchema = Type.Union(
  [
    Type.Object({ kind: Type.Literal('none') }, closed),
    Type.Object(
      {
        kind: Type.Literal('collar'),
        length: Type.Number({ minimum: 1, maximum: 40, description: 'Behind the rear face, mm' }),
        diameter: Type.Number({ minimum: 0.8, maximum: 20, description: 'Core of the collar, mm' }),
        barb: Type.Number({ minimum: 0, maximum: 6, description: 'Height of each barb above the core, mm' }),
        barbs: Type.Integer({ minimum: 0, maximum: 6, description: 'Number of barbs' }),
      },
      closed,
    ),
    Type.Object(
      {
        kind: Type.Literal('wire'),
        length: Type.Number({ minimum: 2, maximum: 40, description: 'Behind the rear face, mm' }),
        wire: Type.Number({ minimum: 0.2, maximum: 2, description: 'Wire diameter, mm' }),
        flare: Type.Number({ minimum: 0, maximum: 45, description: 'Angle away from the shank, degrees' }),
      },
      closed,
    ),
    Type.Object(
      {
        kind: Type.Literal('barrel'),
        length: Type.Number({ minimum: 1, maximum: 40, description: 'Behind the rear face, mm' }),
        diameter: Type.Number({ minimum: 0.8, maximum: 20, description: 'At its fullest, mm' }),
        taper: Type.Number({
          minimum: 0,
          maximum: 0.8,
          description: 'Share of the diameter lost at the rear end',
        }),
      },
      closed,
    ),
    Type.Object(
      {
        kind: Type.Literal('barbs'),
        at: Type.Number({ minimum: 1, maximum: 60, description: 'First barb behind the rear face, mm' }),
        length: Type.Number({ minimum: 1, maximum: 12, description: 'Length of a barb, mm' }),
        height: Type.Number({
          minimum: 0.2,
          maximum: 5,
          description: 'How far a barb stands out from the shank, mm',
        }),
        wire: Type.Number({ minimum: 0.2, maximum: 1.5, description: 'Thickness of a barb, mm' }),
      },
      { ...closed, description: 'Two barbs on the shank' },
    ),
    Type.Object(
      {
        kind: Type.Literal('screw'),
        length: Type.Number({ minimum: 3, maximum: 40, description: 'Length of the screw, mm' }),
        diameter: Type.Number({ minimum: 1, maximum: 12, description: 'Outside diameter, mm' }),
        wire: Type.Number({ minimum: 0.2, maximum: 1.5, description: 'Wire diameter, mm' }),
        turns: Type.Number({ minimum: 1, maximum: 20, description: 'Turns' }),
        standoff: Type.Number({
          minimum: 0,
          maximum: 20,
          description: 'Gap between rear face and screw, mm',
        }),
      },
      closed,
    ),
    Type.Object(
      {
        kind: Type.Literal('spring'),
        length: Type.Number({ minimum: 2, maximum: 40, description: 'Length of the spring, mm' }),
        diameter: Type.Number({ minimum: 1, maximum: 12, description: 'Outside diameter, mm' }),
        wire: Type.Number({ minimum: 0.2, maximum: 1.5, description: 'Wire diameter, mm' }),
        turns: Type.Number({ minimum: 1, maximum: 30, description: 'Turns' }),
      },
      { ...closed, description: 'A spring around the shank' },
    ),
  ],
  { description: 'What holds the plastic' },
);

const guardPlace = {
  lean: Type.Number({
    minimum: 15,
    maximum: 90,
    description: 'Above the shank, leaning back to the point, degrees',
  }),
  setback: Type.Number({
    minimum: 0,
    maximum: 1,
    description: 'Base behind the nose, as a share of the head’s length',
  }),
};

/** What guards the point, as part of a design's document. */
export const GuardSchema = Type.Union(
  [
    Type.Object({ kind: Type.Literal('none') }, closed),
    Type.Object(
      {
        kind: Type.Literal('fibre'),
        count: Type.Integer({ minimum: 1, maximum: 120, description: 'Number of fibres' }),
        fibre: Type.Number({ minimum: 0.1, maximum: 1.5, description: 'Diameter of one fibre, mm' }),
        length: Type.Number({ minimum: 2, maximum: 80, description: 'Free length as bought, mm' }),
        ...guardPlace,
        material: Type.Optional(
          Type.Union(
            FIBRES.map((material) => Type.Literal(material)),
            { description: 'Of the fibres; nylon where absent' },
          ),
        ),
        over: Type.Optional(
          Type.Number({
            minimum: -10,
            maximum: 20,
            description: 'How far a trimmed end stands over the point, mm',
          }),
        ),
        fan: Type.Number({
          minimum: 0,
          maximum: 90,
          description: 'Spread sideways from edge to edge, degrees',
        }),
        trimmed: Type.Boolean({ description: 'Cut so that the ends line up with the hook point' }),
      },
      closed,
    ),
    Type.Object(
      {
        kind: Type.Literal('y'),
        wire: Type.Number({ minimum: 0.3, maximum: 3, description: 'Thickness of the stem and arms, mm' }),
        length: Type.Number({ minimum: 4, maximum: 80, description: 'Stem and arm together, mm' }),
        fork: Type.Number({
          minimum: 0.1,
          maximum: 0.9,
          description: 'Where the stem forks, as a share of the length',
        }),
        spread: Type.Number({ minimum: 5, maximum: 90, description: 'Angle between the arms, degrees' }),
        ...guardPlace,
      },
      { ...closed, description: 'A moulded nylon Y' },
    ),
    Type.Object(
      {
        kind: Type.Literal('twin wire'),
        wire: Type.Number({ minimum: 0.15, maximum: 1.2, description: 'Wire diameter, mm' }),
        length: Type.Number({ minimum: 4, maximum: 80, description: 'Free length of each, mm' }),
        spread: Type.Number({ minimum: 0, maximum: 60, description: 'Angle between the wires, degrees' }),
        ...guardPlace,
      },
      closed,
    ),
    Type.Object(
      {
        kind: Type.Literal('wire loop'),
        wire: Type.Number({ minimum: 0.15, maximum: 1.2, description: 'Wire diameter, mm' }),
        length: Type.Number({
          minimum: 4,
          maximum: 80,
          description: 'From base to the far end of the loop, mm',
        }),
        width: Type.Number({ minimum: 0.5, maximum: 15, description: 'Width of the loop, mm' }),
        ...guardPlace,
      },
      { ...closed, description: 'One wire bent to a loop over the point' },
    ),
  ],
  { description: 'What guards the point' },
);
