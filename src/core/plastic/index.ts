/** What contract, server, interface and terminal use of this room. */
export {
  PLAUSIBLE_DENSITY,
  cutOf,
  leftLength,
  plasticDensity,
  plasticMass,
  plasticSection,
  plasticStations,
  wallOf,
  weighedDensity,
} from './body.ts';
export { PLASTIC_KINDS, plasticKindOf } from './kinds/index.ts';
export { MADE } from './kinds/kind.ts';
export { plasticFigure, plasticReach } from './outline.ts';
export type { Plastic } from './schema.ts';
export { COLOUR_CLASSES, PLASTIC_RANGES, PlasticSchema, TOUGHNESS } from './schema.ts';
export { usualPlastic } from './usual.ts';
