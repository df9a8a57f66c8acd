import { lastOf } from '../numeric/at.ts';
import { MM_PER_INCH } from '../quantity/units.ts';
import type { Flag } from '../behaviour/behaviour.ts';
import { guardOf } from '../fitting/guards/index.ts';
import { keeperOf } from '../fitting/keepers/index.ts';
import type { PDFPage } from '@cantoo/pdf-lib';
import { degrees, LineCapStyle, PDFDocument, rgb } from '@cantoo/pdf-lib';
import type { Design } from '../document/design.ts';
import type { Drawing } from '../plate/drawing.ts';
import type { Layer } from '../plate/entities.ts';
import { plateSheet } from '../plate/sheet.ts';
import type { SheetOptions } from '../plate/sheet.ts';
import { formatFigure, formatQuantity } from '../quantity/format.ts';
import { tagsOf } from './pdf-tags.ts';
import type { Typeface } from './typeface.ts';
import { typefaceFor } from './typeface.ts';
import { inUnits } from '../quantity/phrase.ts';
import type { Readings } from '../behaviour/registry.ts';
import { READING_IDS, READINGS } from '../behaviour/registry.ts';
import { READING_GROUPS } from '../behaviour/behaviour.ts';
import type { UnitSystem } from '../quantity/units.ts';

/** Points in a millimetre. */
export const PT = 72 / MM_PER_INCH;
/** A4 upright, and lying for figures in both unit systems, which are twice as long. mm */
const UPRIGHT = { width: 210, height: 297, margin: 14, drawing: { width: 182, height: 180 } };
const LYING = { width: 297, height: 210, margin: 12, drawing: { width: 273, height: 140 } };
/** Colour of what is printed. */
export const INK = rgb(0.12, 0.16, 0.17);
/** Colour of what is said beside it. */
export const GREY = rgb(0.36, 0.41, 0.39);
/** Colour of headings and of what is in order. */
export const FERN = rgb(0.11, 0.35, 0.22);
/** Colour of cautions. */
export const RED = rgb(0.55, 0.11, 0.09);
const PENS: Readonly<
  Record<Layer, { readonly width: number; readonly dash?: number[]; readonly colour: ReturnType<typeof rgb> }>
> = {
  outline: { width: 0.35, colour: INK },
  wire: { width: 0.2, colour: INK },
  hidden: { width: 0.18, dash: [1.2, 0.8], colour: INK },
  centre: { width: 0.13, dash: [4, 0.8, 0.8, 0.8], colour: GREY },
  dimension: { width: 0.13, colour: rgb(0.35, 0.26, 0) },
  text: { width: 0.13, colour: INK },
  mark: { width: 0.2, colour: RED },
};

/** Scales a sheet is drawn at, sheet over life, largest first. */
const SCALES = [3, 2, 1.5, 1, 0.75, 0.5, 0.25];

/** What a spec sheet is made from. */
export interface SpecSheet {
  readonly design: Design;
  readonly drawing: Drawing;
  readonly readings: Readings;
  readonly flags: readonly Flag[];
  readonly options: SheetOptions;
}

/**
 * A spec sheet, A4: name, dimensioned drawing at a whole scale, what to mind and cautions; on a second page
 * every reading.
 */
export async function writePdf({
  design,
  drawing,
  readings,
  flags,
  options,
}: SpecSheet): Promise<Uint8Array> {
  const PAGE = options.units === 'both' ? LYING : UPRIGHT;
  const texts = [design.name, design.head.metal, ...flags.map(({ text }) => text)];
  const { pdf, font, bold } = await beginPdf(design.name, texts);
  const page = pdf.addPage([PAGE.width * PT, PAGE.height * PT]);
  const units = options.units === 'both' ? 'metric' : options.units;
  const say = writer(page, font, bold);

  let y = PAGE.height - PAGE.margin - 6;
  say(PAGE.margin, y, design.name, 7, { strong: true, colour: FERN });
  y -= 7;
  const line = [
    design.head.metal,
    formatQuantity(readings['mass.metal']?.value ?? NaN, 'mass', 'imperial'),
    formatQuantity(readings['mass.metal']?.value ?? NaN, 'mass', 'metric'),
    `hook ${design.hook.size} ${design.hook.style ?? 'round bend'}`,
    `eye ${formatQuantity(design.eye.angle, 'angle', units)} ${design.eye.plane}`,
    `keeper ${keeperOf(design.keeper.kind).name}`,
    `guard ${guardOf(design.guard.kind).name}`,
  ].join('  ·  ');
  say(PAGE.margin, y, line, 3.2, { colour: GREY });
  y -= 5;

  const room = PAGE.drawing;
  const fits = SCALES.map((scale) => plateSheet(drawing, '', { ...options, scale }));
  const sheet =
    fits.find(({ width, height }) => width <= room.width && height <= room.height) ?? lastOf(fits);
  tagsOf(page).mark(
    page,
    'Figure',
    () => drawSheet(page, font, sheet, PAGE.margin + (room.width - sheet.width) / 2, y - sheet.height),
    `${design.name}: dimensioned drawing of the head`,
  );
  y -= sheet.height + 4;

  // Under the drawing what to mind; the readings have a page of their own.
  y -= 2;
  for (const { level, text } of flags.filter((flag) => flag.level !== 'note').slice(0, 4)) {
    for (const piece of wrapped(
      `${level === 'stop' ? 'STOP' : 'Care'}: ${inUnits(text, units)}`,
      font,
      2.8,
      room.width,
    )) {
      say(PAGE.margin, y, piece, 2.8, { colour: level === 'stop' ? RED : INK });
      y -= 3.8;
    }
  }
  y -= 2;
  const cautions = [
    ...flags.filter(({ level }) => level === 'note').map(({ text }) => inUnits(text, units)),
    'Molten metal and water explode; dust and fumes of lead poison; hooks pierce. Local rules ' +
      'and the makers’ instructions decide, and they change.',
  ];
  for (const text of cautions) {
    for (const piece of wrapped(text, font, 2.5, PAGE.width - 2 * PAGE.margin)) {
      if (y < PAGE.margin) break;
      say(PAGE.margin, y, piece, 2.5, { colour: GREY });
      y -= 3.4;
    }
  }
  writeReadings(pdf, PAGE, { name: design.name, readings, units }, font, bold);
  return pdf.save();
}

/** Every reading by its group, each with what it is based on and its span, in columns that fill a page. */
function writeReadings(
  pdf: PDFDocument,
  PAGE: typeof UPRIGHT,
  {
    name,
    readings,
    units,
  }: { readonly name: string; readonly readings: Readings; readonly units: UnitSystem },
  font: Typeface,
  bold: Typeface,
): void {
  const page = pdf.addPage([PAGE.width * PT, PAGE.height * PT]);
  const say = writer(page, font, bold);
  const top = PAGE.height - PAGE.margin - 6;
  say(PAGE.margin, top, `${name}: readings`, 4.5, { strong: true, colour: FERN });
  const rows = READING_GROUPS.flatMap((group) => {
    const ids = READING_IDS.filter((id) => READINGS[id].group === group && readings[id]);
    return ids.length === 0 ? [] : [{ group }, ...ids.map((id) => ({ id }))];
  });
  const columns = 2;
  const wide = (PAGE.width - 2 * PAGE.margin) / columns;
  const perColumn = Math.ceil(rows.length / columns);
  const step = Math.min(4.6, (top - PAGE.margin - 16) / perColumn);
  rows.forEach((row, i) => {
    const x = PAGE.margin + Math.floor(i / perColumn) * wide;
    const at = top - 9 - (i % perColumn) * step;
    if ('group' in row) {
      say(x, at, row.group, 2.7, { strong: true, colour: FERN });
      return;
    }
    const reading = readings[row.id];
    if (!reading) return;
    const { name: title, quantity, decimals } = READINGS[row.id];
    const told = (value: number, isLast: boolean): string => {
      if (quantity !== 'number')
        return isLast ? formatQuantity(value, quantity, units) : formatFigure(value, quantity, units);
      const figure = decimals === undefined ? formatFigure(value, quantity, units) : value.toFixed(decimals);
      return isLast && reading.unit !== '1' ? `${figure} ${reading.unit}` : figure;
    };
    const span = reading.range ? `  ${told(reading.range[0], false)} to ${told(reading.range[1], true)}` : '';
    say(x, at, title, 2.5);
    say(x + wide * 0.42, at, reading.kind + span, 2, { colour: GREY });
    say(x + wide - 4, at, told(reading.value, true), 2.5, { strong: true, right: true });
  });
  say(
    PAGE.margin,
    PAGE.margin,
    'Readings: geometry follows from the shape, to about 0.1%; model is based on stated ' +
      'assumptions; index compares only; practice is a rule of the trade.',
    2.2,
    { colour: GREY },
  );
}

/** Least size of a strong line that is a page's title, mm. */
const TITLE = 4.5;

interface TextStyle {
  readonly strong?: boolean;
  readonly right?: boolean;
  readonly colour?: ReturnType<typeof rgb>;
}

/** Writes text on a page: x and y in mm from its lower left corner, size in mm. */
export function writer(page: PDFPage, font: Typeface, bold: Typeface) {
  return (
    x: number,
    y: number,
    text: string,
    size: number,
    { strong = false, right = false, colour = INK }: TextStyle = {},
  ) => {
    const used = strong ? bold : font;
    const back = right ? used.width(text, size * PT) / PT : 0;
    const role = strong && size >= TITLE ? 'H1' : strong && !right ? 'H2' : 'P';
    tagsOf(page).mark(page, role, () => {
      used.draw(page, text, { x: (x - back) * PT, y: y * PT, size: size * PT, color: colour });
    });
  };
}

/**
 * Returns a document begun under a title, with the plain and the bold typeface that hold every letter of
 * `texts`.
 */
export async function beginPdf(
  title: string,
  texts: readonly string[],
): Promise<{ readonly pdf: PDFDocument; readonly font: Typeface; readonly bold: Typeface }> {
  const pdf = await PDFDocument.create();
  pdf.setTitle(title, { showInWindowTitleBar: true });
  pdf.setCreator('Fern Anvil');
  pdf.setProducer('Fern Anvil');
  const [font, bold] = await Promise.all([typefaceFor(pdf, 400, texts), typefaceFor(pdf, 700, texts)]);
  return { pdf, font, bold };
}

/** A thin line between two parts of a page: from x, at y, so wide, mm. */
export function rule(page: PDFPage, x: number, y: number, width: number): void {
  tagsOf(page).artifact(page, () => {
    page.drawRectangle({
      x: x * PT,
      y: y * PT,
      width: width * PT,
      height: 0.25 * PT,
      color: rgb(0.6, 0.65, 0.62),
    });
  });
}

/** Text in lines no wider than the given mm. */
export function wrapped(text: string, font: Typeface, size: number, width: number): string[] {
  const lines: string[] = [];
  let line = '';
  for (const word of text.split(/\s+/)) {
    const longer = line ? `${line} ${word}` : word;
    if (font.width(longer, size * PT) / PT > width && line) {
      lines.push(line);
      line = word;
    } else line = longer;
  }
  return line ? [...lines, line] : lines;
}

function drawSheet(
  page: PDFPage,
  font: Typeface,
  { entities }: ReturnType<typeof plateSheet>,
  x0: number,
  y0: number,
): void {
  const at = ([u, v]: readonly [number, number]) => ({ x: (x0 + u) * PT, y: (y0 + v) * PT });
  for (const entity of entities) {
    const pen = PENS[entity.layer];
    if (entity.kind === 'text') {
      const width = font.width(entity.text, entity.height * PT);
      const back = { start: 0, middle: width / 2, end: width }[entity.anchor];
      const { x, y } = at(entity.at);
      font.draw(page, entity.text, {
        x: entity.turned ? x : x - back,
        y: entity.turned ? y - back : y,
        size: entity.height * PT,
        color: pen.colour,
        rotate: degrees(entity.turned ? 90 : 0),
      });
    } else if (entity.kind === 'circle') {
      page.drawCircle({
        ...at(entity.at),
        size: entity.radius * PT,
        borderWidth: pen.width * PT,
        borderColor: pen.colour,
      });
    } else {
      // The library's paths count y downward from where they stand.
      const d =
        entity.points
          .map(([u, v], i) => `${i === 0 ? 'M' : 'L'}${(x0 + u) * PT} ${-(y0 + v) * PT}`)
          .join(' ') + (entity.closed ? ' Z' : '');
      if (entity.width) {
        page.drawSvgPath(d, {
          x: 0,
          y: 0,
          borderWidth: entity.width * PT,
          borderColor: rgb(0.8, 0.82, 0.8),
          borderLineCap: LineCapStyle.Round,
        });
      }
      page.drawSvgPath(d, {
        x: 0,
        y: 0,
        borderWidth: pen.width * PT,
        borderColor: pen.colour,
        ...(pen.dash ? { borderDashArray: pen.dash.map((mm) => mm * PT) } : {}),
      });
    }
  }
}
