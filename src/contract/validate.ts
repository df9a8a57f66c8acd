import type { Ajv, ValidateFunction } from 'ajv';
import type { TSchema } from '@sinclair/typebox';
import type {
  Batch,
  Brief,
  Brief1,
  Design,
  HookDocument,
  Mould,
  Photo,
  Problem,
  RangePlan,
  RuleSet,
  Trial,
} from '../core/document/index.ts';
import type { ScaleAct } from '../core/make/index.ts';
import type { Plastic } from '../core/plastic/index.ts';
import {
  BatchSchema,
  BriefSchema,
  BriefSchema1,
  DesignSchema,
  HookSchema,
  MouldSchema,
  PhotoSchema,
  RangeSchema,
  RulesSchema,
  TrialSchema,
  upgradeBrief,
} from '../core/document/index.ts';
import { checkRuleFacts } from '../core/match/index.ts';
import { PlasticSchema } from '../core/plastic/index.ts';
import { shortened } from '../core/quantity/index.ts';
import type {
  BackupsEdit,
  Collection,
  Documents,
  CardQuery,
  CounterQuery,
  ExportQuery,
  Go,
  ListQuery,
  MetalEdit,
  Naming,
  OutlinesQuery,
  ScaleQuery,
  Shop,
  ShopQuery,
} from './api.ts';
import {
  BackupsEditSchema,
  COLLECTIONS,
  CardQuerySchema,
  CounterQuerySchema,
  ExportQuerySchema,
  GoSchema,
  KeptCardSchema,
  KeptSummarySchema,
  ListQuerySchema,
  MetalEditSchema,
  NameSchema,
  OutlinesQuerySchema,
  ScaleActSchema,
  ScaleQuerySchema,
  ShopQuerySchema,
} from './api.ts';
import { ajv, coercing } from './engine.ts';
import { overgrown, tooDeep, unstorable } from './bounds.ts';
import { MOST_PROBLEMS, problemsFrom } from './sentences.ts';

/** What came of checking a document against its schema. */
export type Checked<T> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly problems: readonly Problem[] };

/** A check that is compiled when it is first asked for: a start needs few of them. */
function checker<T>(schema: TSchema, engine: Ajv = ajv): (data: unknown) => Checked<T> {
  let validate: ValidateFunction | undefined;
  return (data) => {
    validate ??= engine.compile(schema);
    const grown = overgrown(data);
    if (grown.length > 0) return { ok: false, problems: grown };
    if (validate(data)) {
      const odd = unstorable(data);
      return odd.length === 0 ? { ok: true, value: data as T } : { ok: false, problems: odd };
    }
    return { ok: false, problems: problemsFrom(validate.errors ?? []) };
  };
}

export const checkDesignDocument = checker<Design>(DesignSchema);
export const checkPlasticDocument = checker<Plastic>(PlasticSchema);
const checkBrief = checker<Brief>(BriefSchema);
const checkBrief1 = checker<Brief1>(BriefSchema1);

/** A brief: of the present version as it is, of version 1 taken over. */
export function checkBriefDocument(data: unknown): Checked<Brief> {
  const isOld = typeof data === 'object' && data !== null && 'version' in data && data.version === 1;
  if (!isOld) return checkBrief(data);
  const old = checkBrief1(data);
  return old.ok ? { ok: true, value: upgradeBrief(old.value) } : old;
}
export const checkHookDocument = checker<HookDocument>(HookSchema);
export const checkMouldDocument = checker<Mould>(MouldSchema);
export const checkRangeDocument = checker<RangePlan>(RangeSchema);
export const checkScaleAct = checker<ScaleAct>(ScaleActSchema);
export const checkScaleQuery = checker<ScaleQuery>(ScaleQuerySchema, coercing);

const checkBatchShape = checker<Batch>(BatchSchema);
/** A batch: of its schema, and every weighing of a cavity there is. */
export function checkBatchDocument(data: unknown): Checked<Batch> {
  const shaped = checkBatchShape(data);
  if (!shaped.ok) return shaped;
  const { weighings, cavities } = shaped.value;
  const odd = weighings.findIndex(({ cavity }) => cavity > cavities);
  return odd < 0
    ? shaped
    : {
        ok: false,
        problems: [
          {
            path: `/weighings/${odd}/cavity`,
            message: `Weighing ${odd + 1}: cavity ${weighings[odd]?.cavity} is not one of ${cavities}. Correct it, or raise the number of cavities.`,
          },
        ],
      };
}

const checkTrialShape = checker<Trial>(TrialSchema);
/** A day on the water: of its schema, and every rig at one of its places. */
export function checkTrialDocument(data: unknown): Checked<Trial> {
  const shaped = checkTrialShape(data);
  if (!shaped.ok) return shaped;
  const { rigs, places } = shaped.value;
  const odd = rigs.findIndex(({ place }) => place >= places.length);
  return odd < 0
    ? shaped
    : {
        ok: false,
        problems: [
          {
            path: `/rigs/${odd}/place`,
            message: `Rig ${odd + 1}: its place is not among the day’s ${places.length}. Choose one of them.`,
          },
        ],
      };
}
export const checkGo = checker<Go>(GoSchema);
export const checkNaming = checker<Naming>(NameSchema);
const checkRulesShape = checker<RuleSet>(RulesSchema);

/** A set of rules: of its schema, and asking only for what can be known. */
export function checkRuleSet(data: unknown): Checked<RuleSet> {
  const old = data as { readonly format?: unknown; readonly version?: unknown } | null;
  if (old?.format === 'fern-anvil/rules' && old.version === 1)
    return {
      ok: false,
      problems: [
        {
          path: '/version',
          message:
            'Version: these rules give points, as version 1 did, and name no questions. Take the shipped rules of version 2 and add your own to them.',
        },
      ],
    };
  const deep = tooDeep(data);
  if (deep) return { ok: false, problems: [deep] };
  const shaped = checkRulesShape(data);
  if (!shaped.ok) return shaped;
  const problems = checkRuleFacts(shaped.value.rules, shaped.value.schools);
  return problems.length > 0 ? { ok: false, problems: problems.slice(0, MOST_PROBLEMS) } : shaped;
}

export const checkMetalEdit = checker<MetalEdit>(MetalEditSchema);
export const checkListQuery = checker<ListQuery>(ListQuerySchema, coercing);

export const checkOutlinesQuery = checker<OutlinesQuery>(OutlinesQuerySchema);
export const checkCounterQuery = checker<CounterQuery>(CounterQuerySchema, coercing);
export const checkCardQuery = checker<CardQuery>(CardQuerySchema, coercing);
export const checkExportQuery = checker<ExportQuery>(ExportQuerySchema, coercing);

export const checkBackupsEdit = checker<BackupsEdit>(BackupsEditSchema);
export const checkShopQuery = checker<ShopQuery>(ShopQuerySchema, coercing);
/** Figures that come with a backup: those that are not of this form are made anew. */
export const checkCard = checker<unknown>(KeptCardSchema);
export const checkSummary = checker<unknown>(KeptSummarySchema);

const CHECKS: { readonly [C in Collection]: (data: unknown) => Checked<Documents[C]> } = {
  designs: checkDesignDocument,
  plastics: checkPlasticDocument,
  briefs: checkBriefDocument,
  hooks: checkHookDocument,
  moulds: checkMouldDocument,
  batches: checkBatchDocument,
  ranges: checkRangeDocument,
  trials: checkTrialDocument,
  photos: checker<Photo>(PhotoSchema),
};

/** What is asked of a document of a collection at every door. */
export const checkOf = <C extends Collection>(collection: C): ((data: unknown) => Checked<Documents[C]>) =>
  CHECKS[collection];

/** Most designs, plastics and so on in one file. */
const MOST_DOCUMENTS = 10_000;

/** A whole shop: every document in it is checked, and every wrong field told with the place of its document. */
export function checkShop(data: unknown): Checked<Shop> {
  const refuse = (path: string, message: string): Checked<Shop> => ({
    ok: false,
    problems: [{ path, message }],
  });
  if (typeof data !== 'object' || data === null || Array.isArray(data))
    return refuse('', 'The document: must be an object.');
  const shop = data as Record<string, unknown>;
  if (shop['format'] !== 'fern-anvil/shop' || shop['version'] !== 1)
    return refuse(
      '/format',
      'Format: this is no shop file of version 1. Choose a file that was exported as a whole shop.',
    );
  const extra = Object.keys(shop).find((key) => !['format', 'version', 'by', ...COLLECTIONS].includes(key));
  if (extra)
    return refuse(
      `/${shortened(extra, 60)}`,
      `The document: “${shortened(extra, 60)}” is not a field here. Remove it.`,
    );
  const problems: Problem[] = [];
  const taken: Partial<Record<Collection, { id: string; document: unknown }[]>> = {};
  for (const collection of COLLECTIONS) {
    const rows = shop[collection] ?? [];
    if (!Array.isArray(rows) || rows.length > MOST_DOCUMENTS) {
      problems.push({
        path: `/${collection}`,
        message: `${collection}: must be a list of at most ${MOST_DOCUMENTS}.`,
      });
      continue;
    }
    const seen = new Set<string>();
    const accepted: { id: string; document: unknown }[] = [];
    taken[collection] = accepted;
    for (const [i, row] of (rows as unknown[]).entries()) {
      // By then it is clear; the rest would only fill memory.
      if (problems.length >= MOST_PROBLEMS) break;
      const at = `/${collection}/${i}`;
      const { id, document } = (row ?? {}) as { id?: unknown; document?: unknown };
      if (typeof id !== 'string' || !/^[\w.-]{1,80}$/.test(id))
        problems.push({ path: `${at}/id`, message: `Id: must be 1 to 80 letters, digits, dots or dashes.` });
      else if (seen.has(id))
        problems.push({ path: `${at}/id`, message: `Id: “${id}” stands twice. Give each its own.` });
      else seen.add(id);
      const checked = CHECKS[collection](document);
      if (!checked.ok)
        problems.push(
          ...checked.problems.map(({ path, message }) => ({ path: `${at}/document${path}`, message })),
        );
      // An older document is taken over as it is read.
      else accepted.push({ id: String(id), document: checked.value });
    }
  }
  if (problems.length > 0) return { ok: false, problems: problems.slice(0, MOST_PROBLEMS) };
  const list = (collection: Collection) => (taken[collection] ?? []) as never[];
  return {
    ok: true,
    value: {
      format: 'fern-anvil/shop',
      version: 1,
      designs: list('designs'),
      plastics: list('plastics'),
      briefs: list('briefs'),
      hooks: list('hooks'),
      moulds: list('moulds'),
      batches: list('batches'),
      ranges: list('ranges'),
      trials: list('trials'),
      photos: list('photos'),
    },
  };
}
