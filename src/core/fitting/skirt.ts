import type { Static } from '@sinclair/typebox';
import { Type } from '@sinclair/typebox';

/** Sizes a skirt may have, mm. */
export const SKIRT_RANGES = { length: [10, 150], uneven: [0, 40] } as const;

/**
 * A skirt on the collar: how far most of its strands reach behind the head, and how far the longest and
 * shortest stand off from that.
 */
export const SkirtSchema = Type.Object(
  {
    length: Type.Number({
      minimum: SKIRT_RANGES.length[0],
      maximum: SKIRT_RANGES.length[1],
      description: 'Most strands, behind the head, mm',
    }),
    uneven: Type.Number({
      minimum: SKIRT_RANGES.uneven[0],
      maximum: SKIRT_RANGES.uneven[1],
      description: 'The longest over it and the shortest under it, mm',
    }),
  },
  {
    additionalProperties: false,
    description: 'A skirt of strands on the collar; its weight is not reckoned',
  },
);
/** A skirt as a design’s document keeps it. */
export type Skirt = Static<typeof SkirtSchema>;
