import { messageOf } from '../core/kind/index.ts';
import type { BackupChecked, Shop } from '../contract/api.ts';
import { checkShop } from '../contract/validate.ts';
import type { Bait } from '../core/assembly/index.ts';
import type { Brief, Design, Mould, RuleSet } from '../core/document/index.ts';
import type { ExportType } from '../core/exchange/index.ts';
import type { Metal } from '../core/material/index.ts';
import type { Plastic } from '../core/plastic/index.ts';
import type { UnitSystem } from '../core/quantity/index.ts';
import { giveTypefaces } from '../core/exchange/typeface.ts';
import { loadSolids } from '../core/head/index.ts';
import { PLAIN_WATER } from '../core/judge/index.ts';
import { misfitSentence, verifyBackup } from '../disk/backup-file.ts';
import { typefaceFile } from '../disk/typefaces.ts';
import type { Exported, ExportOptions } from '../core/exchange/export-design.ts';
import type { Priced } from '../core/exchange/counter.ts';
import { exportCounterCard } from '../core/exchange/counter.ts';
import { exportCustomerCard } from '../core/exchange/customer-card.ts';
import { exportCard } from '../core/exchange/card.ts';
import { exportDesign } from '../core/exchange/export-design.ts';
import type { Hung } from '../core/exchange/wall-plan.ts';
import { pegsOf, writeWallPlan } from '../core/exchange/wall-plan.ts';
import type { MouldFile } from '../core/exchange/mould-files.ts';
import { exportMould } from '../core/exchange/mould-files.ts';
import type { CardBody } from './summary.ts';
import { cardOf, summarise } from './summary.ts';
import type { Checked } from '../contract/checker.ts';

/** What a save makes of a design besides the document itself. */
export interface MadeDesign {
  readonly summary: ReturnType<typeof summarise>;
  readonly card: CardBody;
}

/** What is computed away from the event loop. Everything in and out is plain data. */
export interface Work {
  /** summaries and cards of designs, in their order */
  readonly summaries: (designs: readonly Design[], metals: readonly Metal[]) => MadeDesign[];
  readonly export: (
    design: Design,
    format: ExportType,
    metals: readonly Metal[],
    settings: ExportOptions,
  ) => Promise<Exported>;
  /** a rigging card as a PDF */
  readonly card: (
    design: Design,
    bait: Bait,
    metals: readonly Metal[],
    units: UnitSystem,
    withSheet: boolean,
  ) => Promise<Exported>;
  /** a customer’s card as a PDF */
  readonly customerCard: typeof exportCustomerCard;
  /** a counter card as a PDF */
  readonly counterCard: (
    design: Design,
    rules: Pick<RuleSet, 'rules' | 'schools'>,
    shelf: readonly Plastic[],
    units: UnitSystem,
    metals: readonly Metal[],
    bait: Bait | undefined,
    priced: Priced,
  ) => Promise<Exported>;
  /** a half of a mould, its drawing, or what fills it */
  readonly mouldFile: (
    mould: Mould,
    file: MouldFile,
    metals: readonly Metal[],
    units: UnitSystem,
  ) => Promise<Exported>;
  /** labels of a wall as a PDF */
  readonly wallPlan: (
    title: string,
    hung: readonly Hung[],
    briefs: readonly { readonly key: string; readonly brief: Brief }[],
    rules: Pick<RuleSet, 'rules' | 'schools'>,
    units: UnitSystem,
    priced: Priced,
  ) => Promise<Uint8Array>;
  /** a backup read whole, every document against its schema */
  readonly backup: (file: string) => Promise<BackupChecked>;
  /** a shop file as it came, read and checked */
  readonly shop: (bytes: Uint8Array) => Checked<Shop>;
}

const WORK: Work = {
  summaries: (designs, metals) =>
    designs.map((design) => {
      const summary = summarise(design, metals);
      return { summary, card: cardOf(design, summary) };
    }),
  export: (design, format, metals, settings) =>
    exportDesign(design, format, { ...PLAIN_WATER, metals }, settings),
  card: (design, bait, metals, units, withSheet) =>
    exportCard(design, bait, { ...PLAIN_WATER, metals }, units, withSheet),
  counterCard: exportCounterCard,
  customerCard: exportCustomerCard,
  mouldFile: exportMould,
  wallPlan: (title, hung, briefs, rules, units, priced) =>
    writeWallPlan(title, pegsOf(hung, briefs, rules, units, priced)),
  backup: async (file) => {
    const { rows, misfits } = await verifyBackup(file, 'documents');
    return { rows, misfits: misfits.map(misfitSentence) };
  },
  shop: (bytes) => {
    let data: unknown;
    try {
      data = JSON.parse(new TextDecoder().decode(bytes));
    } catch (error) {
      const message = `The file: is not JSON (${messageOf(error)}). Choose a file that was exported as a whole shop.`;
      return { ok: false, problems: [{ path: '', message }] };
    }
    return checkShop(data);
  },
};

/** One piece of work as it is handed to a thread. */
export interface Order<K extends keyof Work = keyof Work> {
  readonly task: K;
  readonly given: Parameters<Work[K]>;
}

/** Does one piece of work in this thread. */
export async function work({ task, given }: Order): Promise<unknown> {
  giveTypefaces(typefaceFile);
  await loadSolids();
  const act = WORK[task] as (...all: readonly unknown[]) => unknown;
  return act(...given);
}
