/** What contract, server, interface and terminal use of this room. */
export type { Article } from './article.ts';
export { articleProblems, eanCheckDigit, eanProblem } from './article.ts';
export type { Batch, BatchRange, Weighing } from './batch.ts';
export { BATCH_RANGES, BatchSchema, MOST_WEIGHINGS } from './batch.ts';
export { newBatch, newMould, newRange, newTrial } from './begun.ts';
export type { Brief1 } from './brief-1.ts';
export { BriefSchema1, upgradeBrief } from './brief-1.ts';
export type { QuestionKey } from './brief-words.ts';
export {
  BOTTOMS,
  COVERS,
  DENSITIES,
  FISH_SIZES,
  LINES,
  MOODS,
  PLACES,
  RETRIEVES,
  ROD_ACTIONS,
  WANTS,
  WATERS,
  WINDS,
  wordName,
} from './brief-words.ts';
export type { Brief, BriefRange } from './brief.ts';
export { BRIEF_RANGES, BriefSchema, RODS } from './brief.ts';
export type { Design, LadderSpec } from './design.ts';
export { DesignSchema, HOOK_RULES } from './design.ts';
export { differences } from './differences.ts';
export type { NamedDifference } from './history.ts';
export { describeChange, designDifferences } from './history.ts';
export type { HookDocument } from './hook.ts';
export { HookSchema } from './hook.ts';
export type { Cut, Mould } from './mould.ts';
export { HALVES, MOST_CAVITIES, MOST_CUTS, MOULD_RANGES, MouldSchema } from './mould.ts';
export type { Photo } from './photo.ts';
export { PHOTO_CHARACTERS, PHOTO_SIDE, PhotoSchema, photoPlacement } from './photo.ts';
export type { Problem } from './problem.ts';
export type { Offer, RangePlan } from './range.ts';
export { MOST_BRIEFS, MOST_CANDIDATES, RangeSchema } from './range.ts';
export type { Rule, RuleSet } from './rules.ts';
export { RULE_KINDS, RulesSchema, SHADES } from './rules.ts';
export { SCHOOLS, SCHOOL_TOPICS, schoolOf } from './schools.ts';
export { starterDesign, withFamily } from './starter.ts';
export type { CountKey, Drop, Trial, TrialRig } from './trial.ts';
export { COUNTS, MOST_DROPS, MOST_RIGS, TRIAL_RANGES, TrialSchema, freshRig } from './trial.ts';
export { NAMES } from './ids.ts';
