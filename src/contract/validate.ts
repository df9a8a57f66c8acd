import type { Money } from '../core/quantity/index.ts';
import type { Problem, RuleSet } from '../core/document/index.ts';
import type { ScaleAct } from '../core/make/index.ts';
import { RulesSchema } from '../core/document/index.ts';
import { checkRuleFacts } from '../core/match/index.ts';
import { CURRENCIES, shortened } from '../core/quantity/index.ts';
import type {
  BackupsEdit,
  CardQuery,
  CounterQuery,
  CustomerCardQuery,
  ExportQuery,
  Go,
  ListQuery,
  MetalEdit,
  Naming,
  OutlinesQuery,
  ScaleQuery,
  SeriesRemoval,
  ShopQuery,
} from './requests.ts';
import type { Shop } from './api.ts';
import {
  BackupsEditSchema,
  MoneySchema,
  CardQuerySchema,
  CounterQuerySchema,
  CustomerCardQuerySchema,
  ExportQuerySchema,
  GoSchema,
  ListQuerySchema,
  MetalEditSchema,
  NameSchema,
  OutlinesQuerySchema,
  ScaleActSchema,
  ScaleQuerySchema,
  SeriesRemovalSchema,
  ShopQuerySchema,
} from './requests.ts';
import { KeptCardSchema, KeptSummarySchema } from './kept-figures.ts';
import { coercing } from './engine.ts';
import { tooDeep } from './bounds.ts';
import { MOST_PROBLEMS } from './sentences.ts';
import { COLLECTIONS, checkOf } from './collections/index.ts';
import type { Collection } from './collections/index.ts';
import type { Checked } from './checker.ts';
import { checker, refused } from './checker.ts';

/** Returns what the simulated scale is told to do, or what is wrong with it. */
export const checkScaleAct = checker<ScaleAct>(ScaleActSchema);
/** Returns a question to the simulated scale, or what is wrong with it. */
export const checkScaleQuery = checker<ScaleQuery>(ScaleQuerySchema, coercing);

/** Returns a move along a history, or what is wrong with it. */
export const checkGo = checker<Go>(GoSchema);
/** Returns a name for a version, or what is wrong with it. */
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
            'Version: these rules give points, as version 1 did, and name no questions. Take the ' +
            'shipped rules of version 2 and add your own to them.',
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

/** Returns a metal’s new density or price, or what is wrong with them. */
export const checkMetalEdit = checker<MetalEdit>(MetalEditSchema);
/** Returns a question to a list, or what is wrong with it. */
export const checkListQuery = checker<ListQuery>(ListQuerySchema, coercing);

/** Returns a question for outlines, or what is wrong with it. */
export const checkOutlinesQuery = checker<OutlinesQuery>(OutlinesQuerySchema);
/** Returns a question for a counter card, or what is wrong with it. */
export const checkCounterQuery = checker<CounterQuery>(CounterQuerySchema, coercing);
/** Returns a question for a customer’s card, or what is wrong with it. */
export const checkCustomerCardQuery = checker<CustomerCardQuery>(CustomerCardQuerySchema, coercing);
/** Returns a question for a rigging card, or what is wrong with it. */
export const checkCardQuery = checker<CardQuery>(CardQuerySchema, coercing);
/** Returns a question for a file, or what is wrong with it. */
export const checkExportQuery = checker<ExportQuery>(ExportQuerySchema, coercing);

const checkMoneyShape = checker<Money>(MoneySchema);
/** Returns what the shop’s prices are in, or what is wrong with it. */
export function checkMoney(data: unknown): Checked<Money> {
  const shaped = checkMoneyShape(data);
  if (!shaped.ok || shaped.value.currency === '' || CURRENCIES.includes(shaped.value.currency)) return shaped;
  return refused(
    '/currency',
    `Currency: “${shaped.value.currency}” is no code of ISO 4217. Use one such as EUR, or leave it empty.`,
  );
}
/** Returns a change of the daily backups, or what is wrong with it. */
export const checkBackupsEdit = checker<BackupsEdit>(BackupsEditSchema);
/** Returns which heads of a series are to be taken back, or what is wrong with the question. */
export const checkSeriesRemoval = checker<SeriesRemoval>(SeriesRemovalSchema);
/** Returns the question that goes with a shop file, or what is wrong with it. */
export const checkShopQuery = checker<ShopQuery>(ShopQuerySchema, coercing);
/** Figures that come with a backup: those that are not of this form are made anew. */
export const checkCard = checker<unknown>(KeptCardSchema);
/** Returns a design’s kept figures where they have their present form. */
export const checkSummary = checker<unknown>(KeptSummarySchema);

/** Most designs, plastics and so on in one file. */
const MOST_DOCUMENTS = 10_000;

/**
 * A whole shop: every document in it is checked, and every wrong field told with the place of its document.
 */
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
      const checked = checkOf(collection)(document);
      if (!checked.ok)
        problems.push(
          ...checked.problems.map(({ path, message }) => ({ path: `${at}/document${path}`, message })),
        );
      // An older document is taken over as it is read.
      else accepted.push({ id: String(id), document: checked.value });
    }
  }
  if (problems.length > 0) return { ok: false, problems: problems.slice(0, MOST_PROBLEMS) };
  const lists = Object.fromEntries(COLLECTIONS.map((collection) => [collection, taken[collection] ?? []]));
  return { ok: true, value: { format: 'fern-anvil/shop', version: 1, ...lists } as Shop };
}
