/** What contract, server, interface and terminal use of this room. */
export type { Dimension, PlacedDimension, PlateViewName } from './dimensions.ts';
export { dimensionsOf, placeDimensions } from './dimensions.ts';
export type { Drawing, DrawnSection } from './drawing.ts';
export { drawingOf, sectionOf } from './drawing.ts';
export { hangingHook, hangingReach, hung } from './hanging.ts';
export type { Arrangement } from './sheet.ts';
export { ARRANGEMENTS, dimensionText } from './sheet.ts';
export type { TurnedRig } from './turned.ts';
export { turnedRig } from './turned.ts';
