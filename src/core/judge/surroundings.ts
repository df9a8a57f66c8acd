import type { Surroundings } from '../behaviour/behaviour.ts';
import type { Brief } from '../document/brief.ts';
import { SALINITY } from '../material/water.ts';

/** What a brief says of water, depth and line; the rest as usual. */
export function surroundingsOfBrief({ water, line }: Brief): Surroundings {
  return {
    water: { temperature: water.temperature, salinity: SALINITY[water.kind] },
    depth: water.depth,
    fishing: { current: water.current, line: line.material, test: line.test },
  };
}
