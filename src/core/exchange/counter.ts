import type { Evaluation } from '../judge/evaluate.ts';
import { withBait } from '../assembly/assemble.ts';
import type { Bait } from '../assembly/rig.ts';
import type { Article } from '../document/article.ts';
import type { Design } from '../document/design.ts';
import type { RuleSet } from '../document/rules.ts';
import { familyOf } from '../head/families/index.ts';
import { loadSolids } from '../head/kernel.ts';
import { evaluate, PLAIN_WATER } from '../judge/evaluate.ts';
import { plasticsForHead } from '../match/practice/pairs.ts';
import type { Metal } from '../material/metals/metal.ts';
import { isLead, METALS } from '../material/metals/index.ts';
import { groundsOf } from '../match/engine/judge.ts';
import { valuesOf } from '../match/engine/match.ts';
import { SITUATIONS } from '../match/practice/situations.ts';
import type { Use } from '../match/practice/uses.ts';
import { usesOf } from '../match/practice/uses.ts';
import { turnedRig } from '../plate/turned.ts';
import type { Plastic } from '../plastic/schema.ts';
import { formatQuantity } from '../quantity/format.ts';
import type { Money } from '../quantity/money.ts';
import { formatPrice, UNSAID } from '../quantity/money.ts';
import { inUnits } from '../quantity/phrase.ts';
import type { UnitSystem } from '../quantity/units.ts';
import { methodOf } from '../rigging/methods/index.ts';
import { bounds, draw } from './card.ts';
import type { Exported } from './export-design.ts';
import { beginPdf, FERN, GREY, INK, PT, RED, rule, wrapped, writer } from './pdf.ts';

/** A6 upright, mm: it goes into a pocket with the packet. */
const PAGE = { width: 105, height: 148, margin: 7 };
/** Uses told of each sort. */
const TOLD = { serves: 5, not: 4, baits: 5 };

/** What prices on paper are in, and the language they are written in. */
export interface Priced {
  readonly money: Money;
  readonly locale: string;
}

/** Prices of which nothing was said. */
export const UNPRICED: Priced = { money: UNSAID, locale: 'en' };

/** How a head is sold, in a line: number, pack, price and EAN; empty where the shop has not said. */
export const soldAs = (article: Article | undefined, { money, locale }: Priced): string =>
  [
    ...(article?.number === undefined ? [] : [`no. ${article.number}`]),
    ...(article?.pack === undefined ? [] : [`pack of ${article.pack}`]),
    ...(article?.price === undefined ? [] : [formatPrice(article.price, money, locale)]),
    ...(article?.ean === undefined ? [] : [`EAN ${article.ean}`]),
  ].join(' · ');

/** Of many uses the first of each thing they are told by, so that a card does not say the same five times. */
function varied(uses: readonly Use[], most: number): Use[] {
  const seen = new Set<string>();
  return uses
    .filter(({ situation }) => {
      const key = `${situation.retrieve} ${situation.bottoms[0] ?? ''} ${situation.covers[0] ?? ''}`;
      const isNew = !seen.has(key);
      seen.add(key);
      return isNew;
    })
    .slice(0, most);
}

/** What a card says of a head, in the reader's words. */
interface Said {
  readonly serves: readonly string[];
  readonly not: readonly string[];
  readonly goes: readonly string[];
}

/**
 * What a head is for and not for, of the situations every program ships with, and the plastics that go with
 * it.
 */
function saidOf(
  { design, readings, rig }: Extract<Evaluation, { readonly ok: true }>,
  rules: Pick<RuleSet, 'rules' | 'schools'>,
  shelf: readonly Plastic[],
  units: UnitSystem,
): Said {
  const values = valuesOf(readings);
  const uses = usesOf(design, values, SITUATIONS, rules);
  const serves = varied(
    uses.filter(({ service }) => service === 'serves'),
    TOLD.serves,
  );
  const care = varied(
    uses.filter(({ service }) => service === 'with care'),
    TOLD.serves - Math.min(TOLD.serves, serves.length),
  );
  const not = varied(
    uses.filter(
      ({ service, worst }) =>
        service === 'not there' && worst?.question.key !== 'hold' && worst?.question.key !== 'bait',
    ),
    TOLD.not,
  );
  const goes = plasticsForHead({ design, values, rig }, shelf, rules)
    .filter(({ pairing, service }) => pairing.verdict !== 'bad' && service !== 'not there')
    .slice(0, TOLD.baits)
    .flatMap(({ index }) => shelf[index]?.name ?? []);
  return {
    serves: [...serves, ...care].map(
      ({ brief, service }) => `${brief.name}${service === 'serves' ? '' : ' (with care)'}`,
    ),
    not: not.map(({ brief, worst, situation, matched }) => {
      const ground =
        worst && groundsOf(worst, situation, matched.answers.head).find(({ side }) => side === 'against');
      return ground ? `${brief.name}: ${inUnits(ground.text, units)}` : brief.name;
    }),
    goes,
  };
}

/**
 * A counter card, A6: one head to hand to a customer, drawn at true size, with its weight in both units, what
 * it is for and not for, what goes with it, and the cautions; or a pair, with the bait on it by its method.
 * What it is for comes from the situations every program ships with and these rules.
 */
export async function exportCounterCard(
  design: Design,
  rules: Pick<RuleSet, 'rules' | 'schools'>,
  shelf: readonly Plastic[],
  units: UnitSystem,
  metals: readonly Metal[] = METALS,
  bait?: Bait,
  priced: Priced = UNPRICED,
): Promise<Exported> {
  await loadSolids();
  const result = evaluate(design, { ...PLAIN_WATER, metals });
  if (!result.ok) return { ok: false, problems: result.problems };
  const { rig, readings } = result;
  const title = bait ? `${design.name} with ${bait.plastic.name}` : design.name;
  const said = saidOf(result, rules, shelf, units);
  const family = familyOf(design.head.family);
  const metal = metals.find(({ key }) => key === design.head.metal)?.name ?? design.head.metal;
  const grams = readings['mass.metal']?.value ?? NaN;
  const sold = soldAs(design.article, priced);
  const words = [title, sold, ...said.serves, ...said.not, ...said.goes];
  const { pdf, font, bold } = await beginPdf(title, words);
  const page = pdf.addPage([PAGE.width * PT, PAGE.height * PT]);
  const say = writer(page, font, bold);
  const room = PAGE.width - 2 * PAGE.margin;
  let y = PAGE.height - PAGE.margin - 5;
  const put = (text: string, size: number, style: Parameters<typeof say>[4], down: number) => {
    say(PAGE.margin, y, text, size, style);
    y -= down;
  };
  for (const line of wrapped(title, bold, 5.4, room).slice(0, 2))
    put(line, 5.4, { strong: true, colour: FERN }, 6.2);
  const weight = `${formatQuantity(grams, 'mass', 'imperial')} · ${formatQuantity(grams, 'mass', 'metric')}`;
  put(`${weight} · ${metal}`, 3.4, { strong: true, colour: INK }, 4.6);
  put(
    `${bait ? `${methodOf(bait.method).name} · ` : ''}${family?.name ?? design.head.family} · ` +
      `hook ${design.hook.size} ${design.hook.grade} · eye ${Math.round(design.eye.angle)}°`,
    2.8,
    { colour: GREY },
    4,
  );
  if (sold !== '') put(sold, 2.8, { colour: GREY }, 4);
  const drawn = placedOn(page, turnedRig(bait ? withBait(rig, bait) : rig, 0), room, y, title);
  y = drawn.y;
  const size =
    drawn.scale === 1
      ? 'True size when printed at 100%.'
      : `Drawn at ${Math.round(100 * drawn.scale)}% of its size.`;
  put(size, 2.2, { colour: GREY }, 5);
  rule(page, PAGE.margin, y + 3.4, room);
  const list = (heading: string, items: readonly string[], colour: typeof FERN) => {
    if (items.length === 0 || y < PAGE.margin + 14) return;
    put(heading, 3, { strong: true, colour }, 3.9);
    for (const item of items) {
      for (const [i, line] of wrapped(item, font, 2.6, room - 4).entries()) {
        if (y < PAGE.margin + 9) return;
        say(PAGE.margin + 2 + (i > 0 ? 1.5 : 0), y, `${i === 0 ? '· ' : ''}${line}`, 2.6);
        y -= 3.3;
      }
    }
    y -= 1.4;
  };
  list('For', said.serves.length > 0 ? said.serves : [family?.purpose ?? ''], FERN);
  list('Goes with', said.goes, FERN);
  list('Not for', said.not.length > 0 ? said.not : [family?.badAt ?? ''], RED);
  const caution = isLead(design.head.metal)
    ? 'Lead poisons: wash hands, keep from children; banned or limited in many places, local ' +
      'rules decide. Hooks pierce.'
    : 'Hooks pierce. Local rules on tackle decide, and they change.';
  wrapped(caution, font, 2.2, room)
    .slice(0, 3)
    .reverse()
    .forEach((line, i) => {
      say(PAGE.margin, PAGE.margin - 1 + 2.8 * i, line, 2.2, { colour: GREY });
    });
  return { ok: true, data: await pdf.save() };
}

/**
 * Draws a head below a height of the page, at true size where it fits the card; the largest are drawn
 * smaller. Returns the height below it, mm, and the scale.
 */
function placedOn(
  page: Parameters<typeof draw>[0],
  side: Parameters<typeof draw>[1],
  room: number,
  top: number,
  shows: string,
): { y: number; scale: number } {
  const box = bounds([side, side]);
  const wide = box.right - box.left;
  const scale = Math.min(1, room / wide, 42 / (box.side.high - box.side.low));
  const x0 = PAGE.margin + (room - scale * wide) / 2 - scale * box.left;
  const y0 = top - 2 - scale * box.side.high;
  draw(page, side, ([u, v]) => [x0 + scale * u, y0 + scale * v], scale, `${shows}, from the side`);
  return { y: y0 + scale * box.side.low - 4, scale };
}
