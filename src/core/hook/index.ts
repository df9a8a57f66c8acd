/** What contract, server, interface and terminal use of this room. */
export type { ChartRow } from './chart.ts';
export { GRADES, HOOK_CHART, chartIndex, hookMeasures } from './chart.ts';
export { JOINTS, jointOf } from './joints/index.ts';
export type { HookPicture } from './picture.ts';
export { hookPicture } from './picture.ts';
export { EYE_ANGLES, EYE_RANGES, JOINT_SIZES, MEASURED_RANGES } from './schema.ts';
export type { StyleKey } from './styles/index.ts';
export { PLAIN_STYLE, STYLES, styleShape } from './styles/index.ts';
