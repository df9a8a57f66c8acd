import { tagsOf } from './pdf-tags.ts';
import bwip from '@bwip-js/browser';
import type { PDFPage } from '@cantoo/pdf-lib';
import { beginPdf, FERN, GREY, INK, PT, wrapped, writer } from './pdf.ts';
import type { Brief } from '../document/brief.ts';
import { eanProblem } from '../document/article.ts';
import type { Design } from '../document/design.ts';
import type { RuleSet } from '../document/rules.ts';
import type { ReadingValues } from '../match/engine/head.ts';
import { usesOf } from '../match/practice/uses.ts';
import type { Priced } from './counter.ts';
import { UNPRICED } from './counter.ts';
import { formatQuantity } from '../quantity/format.ts';
import type { Money } from '../quantity/money.ts';
import { formatPrice } from '../quantity/money.ts';
import type { UnitSystem } from '../quantity/units.ts';
import type { Typeface } from './typeface.ts';

/** What hangs on one peg. */
export interface Peg {
  readonly name: string;
  /** weight and hook as a label tells them */
  readonly what: string;
  /**
   * what is read by a bar-code reader: an EAN-13, or letters and digits up to 24; empty where the article has
   * none of its own
   */
  readonly code: string;
  /** shown as it is, in the shop's own money; empty where there is none */
  readonly price: string;
  /** briefs it serves best of all, few words each */
  readonly serves: readonly string[];
}

/** A head as it is to hang: its readings as they are kept, and its price where it has one. */
export interface Hung {
  readonly design: Design;
  readonly values: ReadingValues;
  readonly price: number | undefined;
}

/** Briefs told on a label. */
const TOLD = 3;

/**
 * The pegs of a wall: name, weight and hook, what each serves of the plan's briefs, its code and its price.
 */
export function pegsOf(
  hung: readonly Hung[],
  briefs: readonly { readonly key: string; readonly brief: Brief }[],
  rules: Pick<RuleSet, 'rules' | 'schools'>,
  units: UnitSystem,
  { money, locale }: Priced = UNPRICED,
): Peg[] {
  return hung.map(({ design, values, price }): Peg => ({
    name: design.name,
    what: [
      formatQuantity(values['mass.metal'] ?? NaN, 'mass', units),
      design.head.metal,
      `hook ${design.hook.size}`,
    ].join(', '),
    code: design.article?.ean ?? codeText(design.article?.number ?? ''),
    price: priceOf(price ?? design.article?.price, money, locale),
    serves: usesOf(design, values, briefs, rules)
      .filter(({ service }) => service === 'serves')
      .slice(0, TOLD)
      .map(({ brief }) => brief.name),
  }));
}

/** A4 upright, mm, and a label on it. */
const PAGE = { width: 210, height: 297, margin: 12 };
const COLUMNS = 3;
const LABEL = { width: 60, height: 50, gap: 3 };
const PER_PAGE = COLUMNS * Math.floor((PAGE.height - 2 * PAGE.margin - 12) / (LABEL.height + LABEL.gap));

/**
 * Widths of bars and gaps in turn, in modules: an EAN-13 (ISO/IEC 15420) of thirteen digits with their check
 * digit, else Code 128 (ISO/IEC 15417). Throws where the text cannot be coded.
 */
export function barsOf(code: string): readonly number[] {
  const [symbol] = bwip.raw({ bcid: isEan(code) ? 'ean13' : 'code128', text: code }) as readonly {
    readonly sbs?: readonly number[];
  }[];
  if (!symbol?.sbs) throw new Error(`“${code}” cannot be written as a bar code. Use letters and digits.`);
  return symbol.sbs;
}

/** Text a bar code can carry, of an article’s number: what it cannot is left out. */
export const codeText = (number: string): string =>
  number
    .replace(/[^\x20-\x7e]/g, '')
    .slice(0, 24)
    .trim();

const isEan = (code: string): boolean => eanProblem(code) === undefined;

const priceOf = (price: number | undefined, money: Money, locale: string): string =>
  price === undefined ? '' : formatPrice(price, money, locale);

/** A wall plan, A4: the pegs in their order, each a label to be cut out with its bar code. */
export async function writeWallPlan(title: string, pegs: readonly Peg[]): Promise<Uint8Array> {
  const texts = [title, ...pegs.flatMap(({ name, what, price, serves }) => [name, what, price, ...serves])];
  const { pdf, font, bold } = await beginPdf(title, texts);
  const pages = Math.max(1, Math.ceil(pegs.length / PER_PAGE));
  for (let n = 0; n < pages; n++) {
    const page = pdf.addPage([PAGE.width * PT, PAGE.height * PT]);
    const say = writer(page, font, bold);
    say(PAGE.margin, PAGE.height - PAGE.margin - 4, title, 5, { strong: true, colour: FERN });
    say(PAGE.width - PAGE.margin, PAGE.height - PAGE.margin - 4, `${n + 1} of ${pages}`, 3, {
      right: true,
      colour: GREY,
    });
    pegs.slice(n * PER_PAGE, (n + 1) * PER_PAGE).forEach((peg, i) => {
      const x = PAGE.margin + (i % COLUMNS) * (LABEL.width + LABEL.gap);
      const y = PAGE.height - PAGE.margin - 10 - (Math.floor(i / COLUMNS) + 1) * (LABEL.height + LABEL.gap);
      tagsOf(page).artifact(page, () => {
        page.drawRectangle({
          x: x * PT,
          y: y * PT,
          width: LABEL.width * PT,
          height: LABEL.height * PT,
          borderColor: GREY,
          borderWidth: 0.4,
        });
      });
      const top = y + LABEL.height;
      say(x + 3, top - 6, `${n * PER_PAGE + i + 1}`, 3.6, { strong: true, colour: FERN });
      say(x + LABEL.width - 3, top - 6, peg.price, 4.2, { strong: true, right: true });
      const named = wrapped(peg.name, bold, 3.4, LABEL.width - 6).slice(0, 2);
      named.forEach((line, k) => say(x + 3, top - 11 - 4 * k, line, 3.4, { strong: true }));
      let at = top - 11 - 4 * named.length;
      say(x + 3, at, peg.what, 2.7, { colour: GREY });
      for (const line of wrapped(peg.serves.join('; '), font, 2.3, LABEL.width - 6).slice(0, 3)) {
        at -= 3.4;
        say(x + 3, at, line, 2.3);
      }
      if (peg.code !== '') barCode(page, say, font, peg.code, [x, y]);
    });
  }
  return pdf.save();
}

/** A bar code at the foot of a label whose lower left corner is given, mm, with its text under it. */
function barCode(
  page: PDFPage,
  say: ReturnType<typeof writer>,
  font: Typeface,
  code: string,
  [x, y]: readonly [number, number],
): void {
  const bars = barsOf(code);
  const modules = bars.reduce((sum, width) => sum + width, 0);
  // A module no wider than a third of a millimetre, with eleven of quiet at either end.
  const module = Math.min(0.33, (LABEL.width - 8) / (modules + 22));
  const drawBars = () => {
    let left = x + (LABEL.width - module * modules) / 2;
    bars.forEach((width, k) => {
      if (k % 2 === 0)
        page.drawRectangle({
          x: left * PT,
          y: (y + 5.5) * PT,
          width: width * module * PT,
          height: 9 * PT,
          color: INK,
        });
      left += width * module;
    });
  };
  tagsOf(page).mark(page, 'Figure', drawBars, `Bar code of ${code}`);
  say(x + (LABEL.width - font.width(code, 2.3 * PT) / PT) / 2, y + 2.2, code, 2.3, { colour: GREY });
}
