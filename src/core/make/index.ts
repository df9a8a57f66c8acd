/** What contract, server, interface and terminal use of this room. */
export type { Charge } from './charge.ts';
export { chargeOf } from './charge.ts';
export type { CostPart } from './costing.ts';
export { COST_PARTS, costOf, lossPerHour } from './costing.ts';
export { BY_EYE, cureVerdict } from './cure.ts';
export { gaugeStudy, samplesToTell } from './gauge.ts';
export { meltingOf } from './melting.ts';
export { cavityFactor, layMould } from './mould-layout.ts';
export type { MouldVolumes } from './mould-solids.ts';
export { HEATERS, pourPlan, workSteps } from './plan.ts';
export type { CutOffer } from './recut.ts';
export type { Pan, PanDoubt } from './scale-reader.ts';
export { EMPTY_PAN, followScale } from './scale-reader.ts';
export type { ScaleAct } from './simulated-scale.ts';
export { simulatedScale } from './simulated-scale.ts';
export type { TakenIn } from './take-in.ts';
export type { CavityVerdict } from './verdict.ts';
export { belongsTo, cavityVerdicts, tellApart } from './verdict.ts';
