import type { PDFPage } from '@cantoo/pdf-lib';
import { withBait } from '../assembly/assemble.ts';
import type { Bait } from '../assembly/rig.ts';
import type { Brief } from '../document/brief.ts';
import { wordName } from '../document/brief-words.ts';
import type { Design } from '../document/design.ts';
import type { Problem } from '../document/problem.ts';
import type { RuleSet } from '../document/rules.ts';
import { loadSolids } from '../head/kernel.ts';
import { evaluate, PLAIN_WATER } from '../judge/evaluate.ts';
import { judgeFit } from '../judge/fit.ts';
import type { Answer } from '../match/engine/judge.ts';
import { groundsOf } from '../match/engine/judge.ts';
import { matchingFor, matchSettled } from '../match/engine/match.ts';
import type { Metal } from '../material/metals/metal.ts';
import { isLead, METALS } from '../material/metals/index.ts';
import { turnedRig } from '../plate/turned.ts';
import type { TurnedRig } from '../plate/turned.ts';
import type { Plastic } from '../plastic/schema.ts';
import { formatQuantity } from '../quantity/format.ts';
import { inUnits } from '../quantity/phrase.ts';
import type { UnitSystem } from '../quantity/units.ts';
import { methodOf } from '../rigging/methods/index.ts';
import { bounds, draw } from './card.ts';
import type { Priced } from './counter.ts';
import { soldAs, UNPRICED } from './counter.ts';
import type { Exported } from './export-design.ts';
import { beginPdf, FERN, GREY, INK, PT, rule, wrapped, writer } from './pdf.ts';
import type { Typeface } from './typeface.ts';

/** A4 upright, mm: three heads fit one below the other. */
const PAGE = { width: 210, height: 297, margin: 14 };
/** Heads on a card. */
export const HEADS_ON_CARD = 3;
/** Reasons and steps told of a head; room for its drawing, mm. */
const TOLD = { reasons: 4, steps: 5 };
const DRAWN = { wide: 84, tall: 40 };

interface Shown {
  readonly design: Design;
  readonly figure: TurnedRig;
  readonly grams: number;
  /** how it is sold, in a line; empty where the shop has not said */
  readonly sold: string;
  readonly way: string;
  readonly reasons: readonly string[];
  readonly steps: readonly string[];
}

/**
 * Why a head serves: what speaks for it in the questions that decide, then in the others, the strongest
 * first.
 */
function reasonsOf(answers: readonly Answer[], grounds: (answer: Answer) => ReturnType<typeof groundsOf>) {
  return [...answers]
    .sort(
      (a, b) =>
        Number(b.isDecisive) - Number(a.isDecisive) || Number(b.mark === 'yes') - Number(a.mark === 'yes'),
    )
    .flatMap((answer) => grounds(answer).find(({ side }) => side === 'for')?.text ?? [])
    .filter((text, i, all) => all.indexOf(text) === i)
    .slice(0, TOLD.reasons);
}

/**
 * A customer’s card, A4: the heads of an answer to a brief, the best first, each drawn with its bait on, with
 * its weight, why it serves, and how the bait goes on. The heads are matched anew, so that the card says what
 * the answer says.
 */
export async function exportCustomerCard(
  brief: Brief,
  heads: readonly Design[],
  rules: Pick<RuleSet, 'rules' | 'schools'>,
  shelf: readonly Plastic[],
  units: UnitSystem,
  metals: readonly Metal[] = METALS,
  priced: Priced = UNPRICED,
): Promise<Exported> {
  await loadSolids();
  const matching = matchingFor(brief, rules, shelf, metals);
  const shown: Shown[] = [];
  const problems: Problem[] = [];
  for (const design of heads.slice(0, HEADS_ON_CARD)) {
    const settled = matchSettled(matching, design);
    if (!settled.ok) {
      problems.push(...settled.problems);
      continue;
    }
    const { head, all } = settled.matched.answers;
    const bait: Bait | undefined = head.worn && {
      plastic: head.worn.plastic,
      method: head.worn.pairing.method,
    };
    const result = evaluate(design, { ...PLAIN_WATER, metals, isShort: true }, bait);
    if (!result.ok) {
      problems.push(...result.problems);
      continue;
    }
    shown.push({
      design,
      figure: turnedRig(bait ? withBait(result.rig, bait) : result.rig, 0),
      grams: result.readings['mass.metal']?.value ?? NaN,
      sold: soldAs(design.article, priced),
      way: bait ? `${bait.plastic.name}, ${methodOf(bait.method).name}` : 'Fished bare',
      reasons: reasonsOf(all, (answer) => groundsOf(answer, matching.situation, head)).map((text) =>
        inUnits(text, units),
      ),
      steps: bait
        ? judgeFit(result, metals)
            .steps.slice(0, TOLD.steps)
            .map((step) => inUnits(step, units))
        : [],
    });
  }
  if (shown.length === 0) {
    const none = { path: '/heads', message: 'Heads: none of them can be built. Choose others for the card.' };
    return { ok: false, problems: problems.length > 0 ? problems : [none] };
  }
  return { ok: true, data: await write(brief, shown, units, metals) };
}

type Say = ReturnType<typeof writer>;

async function write(
  brief: Brief,
  shown: readonly Shown[],
  units: UnitSystem,
  metals: readonly Metal[],
): Promise<Uint8Array> {
  const texts = [
    brief.name,
    ...shown.flatMap(({ design, sold, way, reasons, steps }) => [
      design.name,
      sold,
      way,
      ...reasons,
      ...steps,
    ]),
  ];
  const { pdf, font, bold } = await beginPdf(brief.name, texts);
  const page = pdf.addPage([PAGE.width * PT, PAGE.height * PT]);
  const say = writer(page, font, bold);
  const room = PAGE.width - 2 * PAGE.margin;
  let y = PAGE.height - PAGE.margin - 6;
  for (const line of wrapped(brief.name, bold, 6.4, room).slice(0, 2)) {
    say(PAGE.margin, y, line, 6.4, { strong: true, colour: FERN });
    y -= 7.4;
  }
  say(PAGE.margin, y, situationLine(brief, units), 3.3, { colour: GREY });
  const tall = (y - PAGE.margin - 14) / HEADS_ON_CARD;
  shown.forEach((head, i) =>
    headOn(page, say, { font, bold }, head, i + 1, y - 6 - i * tall, tall, units, metals),
  );
  const hasLead = shown.some(({ design }) => isLead(design.head.metal));
  const caution =
    `${hasLead ? 'Lead poisons: wash hands, keep from children; banned or limited in many places. ' : ''}Hooks ` +
    'pierce. Local rules on tackle decide, and they change. Drawn to one scale, smaller than ' +
    'life where it says so.';
  wrapped(caution, font, 2.5, room)
    .reverse()
    .forEach((line, i) => say(PAGE.margin, PAGE.margin - 3 + 3.2 * i, line, 2.5, { colour: GREY }));
  return pdf.save();
}

/** The situation in a line: water, depth, bottom, cover, how it is fished and the line. */
function situationLine({ water, bottom, cover, fishing, line }: Brief, units: UnitSystem): string {
  return [
    `${wordName(water.kind)}, ${formatQuantity(water.depth, 'depth', units)} deep`,
    bottom.kinds.map(wordName).join(' and '),
    ...(cover.kinds.length > 0 ? [cover.kinds.map(wordName).join(' and ')] : []),
    wordName(fishing.retrieve),
    `${formatQuantity(line.test, 'lineTest', units)} ${wordName(line.material)}`,
  ].join('  ·  ');
}

/**
 * One head: its drawing on the left, its name, reasons and steps beside it. `y` is its upper edge, mm from
 * the foot of the page.
 */
function headOn(
  page: PDFPage,
  say: Say,
  { font, bold }: { readonly font: Typeface; readonly bold: Typeface },
  { design, figure, grams, sold, way, reasons, steps }: Shown,
  place: number,
  y: number,
  tall: number,
  units: UnitSystem,
  metals: readonly Metal[],
): void {
  rule(page, PAGE.margin, y, PAGE.width - 2 * PAGE.margin);
  const box = bounds([figure, figure]);
  const scale = Math.min(1, DRAWN.wide / (box.right - box.left), DRAWN.tall / (box.side.high - box.side.low));
  const x0 = PAGE.margin - scale * box.left;
  const y0 = y - 6 - scale * box.side.high;
  draw(page, figure, ([u, v]) => [x0 + scale * u, y0 + scale * v], scale, `${design.name}, from the side`);
  say(
    PAGE.margin,
    y0 + scale * box.side.low - 3,
    scale === 1 ? 'True size' : `${Math.round(100 * scale)}% of its size`,
    2.3,
    { colour: GREY },
  );
  const x = PAGE.margin + DRAWN.wide + 8;
  const room = PAGE.width - PAGE.margin - x;
  const end = y - tall + 4;
  let at = y - 6;
  const lines = (text: string, size: number, style: Parameters<Say>[4] & { readonly most?: number } = {}) => {
    const { most = 9, ...rest } = style;
    for (const line of wrapped(text, style.strong ? bold : font, size, room).slice(0, most)) {
      if (at < end) return;
      say(x, at, line, size, rest);
      at -= 1.28 * size;
    }
  };
  lines(`${place}  ${design.name}`, 4.4, { strong: true, colour: INK, most: 2 });
  const metal = metals.find(({ key }) => key === design.head.metal)?.name ?? design.head.metal;
  lines([formatQuantity(grams, 'mass', units), metal, `hook ${design.hook.size}`].join('  ·  '), 3, {
    colour: GREY,
  });
  if (sold !== '') lines(sold, 2.8, { colour: GREY });
  lines(way, 3, { colour: FERN });
  at -= 0.8;
  for (const reason of reasons) lines(`· ${reason}`, 2.8);
  if (steps.length > 0) {
    at -= 0.8;
    steps.forEach((step, i) => lines(`${i + 1}. ${step}`, 2.6, { colour: GREY }));
  }
}
