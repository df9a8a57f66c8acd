import { tagsOf } from './pdf-tags.ts';
import { MM_PER_INCH } from '../quantity/units.ts';
import type { PDFPage } from '@cantoo/pdf-lib';
import { LineCapStyle, PDFDocument, rgb } from '@cantoo/pdf-lib';
import { loadSolids } from '../head/kernel.ts';
import type { Surroundings } from '../behaviour/behaviour.ts';
import type { Bait } from '../assembly/rig.ts';
import type { Design } from '../document/design.ts';
import { evaluate } from '../judge/evaluate.ts';
import { judgeFit } from '../judge/fit.ts';
import type { Fit } from '../judge/fit.ts';
import type { Vec2 } from '../numeric/vec.ts';
import type { TurnedRig } from '../plate/turned.ts';
import { turnedRig } from '../plate/turned.ts';
import { drawingOf } from '../plate/drawing.ts';
import { FILE_STATIONS } from './exports/kind.ts';
import { formatQuantity } from '../quantity/format.ts';
import { inUnits } from '../quantity/phrase.ts';
import type { UnitSystem } from '../quantity/units.ts';
import { methodOf } from '../rigging/methods/index.ts';
import type { Exported } from './export-design.ts';
import { beginPdf, FERN, GREY, INK, PT, RED, wrapped, writePdf, writer } from './pdf.ts';

/** A4 lying, mm. */
const PAGE = { width: 297, height: 210, margin: 12 };
/** Scales of the drawing, paper over life: true where it fits, so that the bait can be laid on the paper. */
const SCALES = [1, 0.5, 0.25];
const BAIT = { fill: rgb(0.9, 0.87, 0.78), line: rgb(0.55, 0.47, 0.28) };
const METAL = rgb(0.72, 0.75, 0.74);

/**
 * A rigging card, A4: how this bait goes on this head, step by step with its lengths, drawn at true scale
 * from the side and from above with a ruler along it. Says in words why, where the bait does not fit the
 * head. `withSheet` puts the spec sheet before it, with every reading as rigged.
 */
export async function exportCard(
  design: Design,
  bait: Bait,
  surroundings: Surroundings,
  units: UnitSystem,
  withSheet = false,
): Promise<Exported> {
  await loadSolids();
  const result = evaluate(design, { ...surroundings, isShort: !withSheet }, bait);
  if (!result.ok) return { ok: false, problems: result.problems };
  const { rig, readings, flags } = result;
  const fit = judgeFit(result, surroundings.metals);
  const [side, above] = [turnedRig(rig, 0), turnedRig(rig, 90)];
  const card = await writeCard({ design, bait, fit, side, above, units });
  if (!withSheet) return { ok: true, data: card };
  const sheet = await writePdf({
    design: result.design,
    drawing: drawingOf(rig, FILE_STATIONS),
    readings,
    flags,
    options: { arrangement: 'third', units },
  });
  const together = await PDFDocument.load(sheet);
  const [page] = await together.copyPages(await PDFDocument.load(card), [0]);
  if (page) together.addPage(page);
  return { ok: true, data: await together.save() };
}

interface Card {
  readonly design: Design;
  readonly bait: Bait;
  readonly fit: Fit;
  readonly side: TurnedRig;
  readonly above: TurnedRig;
  readonly units: UnitSystem;
}

async function writeCard({ design, bait, fit, side, above, units }: Card): Promise<Uint8Array> {
  const method = methodOf(bait.method);
  const title = `${bait.plastic.name} on ${design.name}`;
  const words = [...fit.steps, ...fit.checks.map(({ says }) => says), fit.obstacle?.text ?? ''];
  const { pdf, font, bold } = await beginPdf(title, [title, ...words]);
  const page = pdf.addPage([PAGE.width * PT, PAGE.height * PT]);
  const say = writer(page, font, bold);
  let y = PAGE.height - PAGE.margin - 5;
  say(PAGE.margin, y, title, 6, { strong: true, colour: FERN });
  y -= 6;
  const size = (value: number) => formatQuantity(value, 'size', units);
  const facts = [
    method.name,
    `hook ${design.hook.size} ${design.hook.style ?? 'round bend'}`,
    `bait ${size(fit.laid.length)}${bait.plastic.cut ? ` after a cut of ${size(bait.plastic.cut)}` : ''}`,
    { good: 'fits', tight: 'tight', bad: 'does not fit' }[fit.verdict],
  ];
  say(PAGE.margin, y, facts.join('  ·  '), 3.2, { colour: fit.verdict === 'bad' ? RED : GREY });
  y -= 6;

  const room = PAGE.width - 2 * PAGE.margin;
  const box = bounds([side, above]);
  const scale =
    SCALES.find((one) => one * (box.right - box.left) <= room && one * (box.tall + 14) <= 104) ?? 0.25;
  const x0 = PAGE.margin + (room - scale * (box.right - box.left)) / 2 - scale * box.left;
  const ySide = y - 6 - scale * box.side.high;
  draw(page, side, ([u, v]) => [x0 + scale * u, ySide + scale * v], scale, `${title}, from the side`);
  // A ruler under the bait, from its nose: the lengths of the steps can be read off it.
  const yRule = ySide + scale * box.side.low - 5;
  tagsOf(page).mark(
    page,
    'Figure',
    () => ruler(page, say, fit, (fromNose) => x0 + scale * (fit.laid.seatAt - fromNose), yRule, units),
    'A ruler along the bait from its nose',
  );
  const yAbove = yRule - 9 - scale * box.above.high;
  draw(page, above, ([u, v]) => [x0 + scale * u, yAbove + scale * v], scale, `${title}, from above`);
  y = yAbove + scale * box.above.low - 6;
  const truth =
    scale === 1
      ? 'True scale when printed at 100%: lay the bait on the paper.'
      : `Drawn at 1:${1 / scale}: the bait is longer than the paper. The ruler tells its true lengths.`;
  say(PAGE.margin, y, truth, 2.6, { colour: GREY });
  y -= 6;

  const half = room / 2 - 4;
  let left = y;
  fit.steps.forEach((step, i) => {
    wrapped(`${i + 1}. ${inUnits(step, units)}`, font, 3, half).forEach((line, k) => {
      say(PAGE.margin + (k > 0 ? 3.5 : 0), left, line, 3);
      left -= 4.2;
    });
  });
  let right = y;
  const minded = [
    ...(fit.obstacle ? [fit.obstacle.text] : []),
    ...fit.checks.filter(({ verdict }) => verdict !== 'good').map(({ name, says }) => `${name}: ${says}`),
    'Hooks pierce: point away from the hand that holds the bait. Limits are common practice.',
  ];
  for (const text of minded) {
    for (const line of wrapped(inUnits(text, units), font, 2.6, half)) {
      if (right < PAGE.margin) break;
      say(PAGE.margin + half + 8, right, line, 2.6, { colour: GREY });
      right -= 3.6;
    }
  }
  return pdf.save();
}

const points = ({ head, hook, body, limbs, guard, skirt, eye }: TurnedRig): Vec2[] => [
  ...guard.flatMap(({ side }) => side),
  ...skirt.flat(),
  ...head,
  ...hook,
  ...body,
  ...limbs.flat(),
  eye.at,
];

/** What figures take on the paper before they are scaled, mm. */
export function bounds([side, above]: readonly [TurnedRig, TurnedRig]) {
  const xs = [...points(side), ...points(above)].map(([x]) => x);
  const span = (figure: TurnedRig) => {
    const vs = points(figure).map(([, v]) => v);
    return { high: Math.max(...vs) + 2, low: Math.min(...vs) - 2 };
  };
  const [s, a] = [span(side), span(above)];
  return {
    left: Math.min(...xs) - 2,
    right: Math.max(...xs) + 3,
    side: s,
    above: a,
    tall: s.high - s.low + a.high - a.low,
  };
}

/** A turned rig on the page, in mm of paper; `shows` says in words what it is. */
export function draw(
  page: PDFPage,
  figure: TurnedRig,
  place: (point: Vec2) => Vec2,
  scale: number,
  shows: string,
): void {
  tagsOf(page).mark(page, 'Figure', () => drawn(page, figure, place, scale), shows);
}

function drawn(page: PDFPage, figure: TurnedRig, place: (point: Vec2) => Vec2, scale: number): void {
  // The library's paths count y downward from where they stand.
  const path = (line: readonly Vec2[], isClosed: boolean) =>
    line
      .map((point, i) => {
        const [x, y] = place(point);
        return `${i === 0 ? 'M' : 'L'}${x * PT} ${-y * PT}`;
      })
      .join(' ') + (isClosed ? ' Z' : '');
  const filled = (line: readonly Vec2[], colour: ReturnType<typeof rgb>, edge: ReturnType<typeof rgb>) =>
    page.drawSvgPath(path(line, true), {
      x: 0,
      y: 0,
      color: colour,
      borderColor: edge,
      borderWidth: 0.25 * PT,
    });
  const stroked = (line: readonly Vec2[], width: number) =>
    page.drawSvgPath(path(line, false), {
      x: 0,
      y: 0,
      borderColor: INK,
      borderWidth: Math.max(0.25, width * scale) * PT,
      borderLineCap: LineCapStyle.Round,
    });
  for (const limb of figure.limbs) filled(limb, BAIT.fill, BAIT.line);
  for (const strand of figure.skirt) stroked(strand, 0);
  // A bare head has no bait to draw; a path without points is one that readers stumble over.
  if (figure.body.length > 0) filled(figure.body, BAIT.fill, BAIT.line);
  if (figure.collar) filled(figure.collar, METAL, INK);
  for (const { side, wire } of [...figure.keeper, ...figure.guard]) stroked(side, wire);
  if (figure.through) stroked(figure.through, figure.wire);
  stroked(figure.hook, figure.wire);
  filled(figure.head, METAL, INK);
  const [ex, ey] = place(figure.eye.at);
  page.drawEllipse({
    x: ex * PT,
    y: ey * PT,
    xScale: Math.max(0.4, figure.eye.along * scale) * PT,
    yScale: Math.max(0.4, figure.eye.across * scale) * PT,
    borderColor: INK,
    borderWidth: Math.max(0.25, figure.eye.wire * scale) * PT,
  });
}

/** Ticks of a ruler, mm and in. */
const TICKS: Readonly<
  Record<UnitSystem, { readonly step: number; readonly named: number; readonly per: number }>
> = {
  metric: { step: 5, named: 2, per: 1 },
  imperial: { step: MM_PER_INCH / 8, named: 8, per: MM_PER_INCH },
};

/** A ruler along the bait from its nose, with where the hook goes in and out. */
function ruler(
  page: PDFPage,
  say: ReturnType<typeof writer>,
  { laid }: Fit,
  x: (fromNose: number) => number,
  y: number,
  units: UnitSystem,
): void {
  const line = (a: Vec2, b: Vec2, colour = GREY) =>
    page.drawLine({
      start: { x: a[0] * PT, y: a[1] * PT },
      end: { x: b[0] * PT, y: b[1] * PT },
      thickness: 0.18 * PT,
      color: colour,
    });
  const { step, named, per } = TICKS[units];
  line([x(0), y], [x(laid.length), y]);
  for (let i = 0; i * step <= laid.length; i++) {
    const isNamed = i % named === 0;
    line([x(i * step), y], [x(i * step), y - (isNamed ? 2.4 : 1.3)]);
    if (isNamed) say(x(i * step) - 0.8, y - 5, String(Math.round((i * step) / per)), 2.2, { colour: GREY });
  }
  const marks = [
    [laid.start, 'out below'],
    [laid.entry, 'in'],
    [laid.exit, 'out'],
  ] as const;
  for (const [at, text] of marks) {
    if (!(at > 0 && at <= laid.length)) continue;
    line([x(at), y + 3], [x(at), y - 2.4], RED);
    say(x(at) + 0.6, y + 1, text, 2.2, { colour: RED });
  }
}
