import { itemAt } from '../numeric/at.ts';
import type { Font } from 'fontkit';
import type { Color, PDFDocument, PDFFont, PDFPage, Rotation } from '@cantoo/pdf-lib';
import { StandardFonts } from '@cantoo/pdf-lib';

/**
 * Reads a file of the typefaces that are shipped, by its place below their packages, such as
 * `noto-sans/unicode.json`.
 */
export type TypefaceFiles = (place: string) => Promise<Uint8Array>;

let files: TypefaceFiles | undefined;

/**
 * Says where the shipped typefaces are read. Without it a file holds Western letters only, in the reader's
 * own font, and "?" for every other sign: the core knows no disk, so who runs it says.
 */
export function giveTypefaces(reader: TypefaceFiles | undefined): void {
  files = reader;
}

/** Packages asked for a letter, in this order. */
const PACKAGES = [
  'noto-sans',
  'noto-sans-hebrew',
  'noto-sans-arabic',
  'noto-sans-armenian',
  'noto-sans-georgian',
  'noto-sans-bengali',
  'noto-sans-tamil',
  'noto-sans-thai',
  'kosugi',
  'zcool-xiaowei',
  'nanum-gothic',
];

/** A part of a typeface in a file of its own, and the letters it holds. */
interface Slice {
  readonly file: string;
  readonly ranges: readonly (readonly [number, number])[];
}

let slices: Promise<readonly Slice[]> | undefined;

const readSlices = (read: TypefaceFiles): Promise<readonly Slice[]> =>
  (slices ??= Promise.all(
    PACKAGES.map(async (name) => {
      const table = JSON.parse(new TextDecoder().decode(await read(`${name}/unicode.json`))) as Record<
        string,
        string
      >;
      return Object.entries(table).map(([part, letters]): Slice => ({
        file: `${name}/files/${name}-${part.replace(/[[\]]/g, '')}-400-normal.woff`,
        ranges: letters.split(',').map((range) => {
          const [from = '', to = from] = range.trim().replace('U+', '').split('-');
          return [parseInt(from, 16), parseInt(to, 16)];
        }),
      }));
    }),
  ).then((all) => all.flat()));

/** Typographic signs that plain fonts lack, as the nearest ones they have. */
const near = (text: string): string =>
  text.replace(/−/g, '-').replace(/[‘’′]/g, "'").replace(/[“”″]/g, '"').replace(/…/g, '...');

/** Letters every reader's own fonts have. */
const isWestern = (letter: string): boolean => /[\n\x20-\x7e\xa0-\xff–—•]/.test(letter);

/** Text in one font, in the order it is drawn in. */
interface Piece {
  readonly font: PDFFont;
  readonly text: string;
}

/** Where a line of text stands on a page, how high its letters are, and how it is turned. */
export interface TextPlace {
  /** points from the lower left corner of the page */
  readonly x: number;
  readonly y: number;
  /** height of the letters, points */
  readonly size: number;
  readonly color: Color;
  /** a line that is turned is of Western letters alone */
  readonly rotate?: Rotation;
}

/** Weights that Western letters are written in: plain and bold. */
export type Weight = 400 | 700;

/** A typeface that can be measured and drawn. */
export interface Typeface {
  /** Width of a line in points, its letters `size` points high. */
  readonly width: (text: string, size: number) => number;
  readonly draw: (page: PDFPage, text: string, place: TextPlace) => void;
}

/**
 * A typeface for a document, all of it within the file: the shipped one of a weight for Western letters, and
 * for whatever else stands in `texts` the shipped ones that hold it, each letter from the first that does
 * (Unicode ranges of the packages). Lines that run from right to left are put in order by the Unicode
 * bidirectional algorithm (UAX 9), letters that join are joined by the font library. A letter that no font
 * holds is "?".
 */
export async function typefaceFor(
  pdf: PDFDocument,
  weight: Weight,
  texts: readonly string[],
): Promise<Typeface> {
  if (!files) {
    const own = await pdf.embedFont(weight === 700 ? StandardFonts.HelveticaBold : StandardFonts.Helvetica);
    return drawn((text) => [{ font: own, text: shown(text) }]);
  }
  const read = files;
  const letters = new Set(near(texts.join('')));
  const foreign = [...letters].filter((letter) => !isWestern(letter));
  const [all, fontkit, { default: bidiFactory }] = await Promise.all([
    readSlices(read),
    import('fontkit'),
    import('bidi-js'),
  ]);
  pdf.registerFontkit(fontkit);
  const western = await pdf.embedFont(await read(`noto-sans/files/noto-sans-latin-${weight}-normal.woff`), {
    subset: true,
    customName: `noto-sans-latin-${weight}`,
    // Two letters drawn as one are one to whoever searches or hears the page.
    features: { liga: false },
  });
  const opened = new Map<string, Promise<{ readonly font: Font; readonly bytes: Uint8Array }>>();
  const open = (file: string) => {
    const one = opened.get(file) ?? read(file).then((bytes) => ({ font: fontkit.create(bytes), bytes }));
    opened.set(file, one);
    return one;
  };
  const embedded = new Map<string, PDFFont>();
  const fonts = new Map<string, PDFFont>();
  for (const letter of foreign) {
    const code = letter.codePointAt(0) ?? 0;
    for (const { file, ranges } of all) {
      if (!ranges.some(([from, to]) => from <= code && code <= to)) continue;
      // A table names ranges wider than what its font holds.
      const { font, bytes } = await open(file);
      if (!font.hasGlyphForCodePoint(code)) continue;
      // Parts of one typeface have one name in their files; a reader that goes by names would take them for
      // one font.
      const customName = file.replace(/^.*\/|-400.*$/g, '');
      const given = embedded.get(file) ?? (await pdf.embedFont(bytes, { subset: true, customName }));
      embedded.set(file, given);
      fonts.set(letter, given);
      break;
    }
  }
  const bidi = bidiFactory();
  return drawn((text) => {
    const line = near(text);
    const { levels } = bidi.getEmbeddingLevels(line);
    const runs: { font: PDFFont; level: number; text: string }[] = [];
    let at = 0;
    for (const letter of line) {
      const level = levels[at] ?? 0;
      at += letter.length;
      const font = fonts.get(letter) ?? western;
      const sign = fonts.has(letter) ? letter : shown(letter);
      const last = runs.at(-1);
      if (last?.font === font && last.level === level) last.text += sign;
      else runs.push({ font, level, text: sign });
    }
    // From the deepest level up, whatever lies at it or deeper is turned round (rule L2).
    for (let level = Math.max(0, ...runs.map((run) => run.level)); level > 0; level--) {
      for (let from = 0; from < runs.length; from++) {
        let to = from;
        while (to < runs.length && itemAt(runs, to).level >= level) to++;
        runs.splice(from, to - from, ...runs.slice(from, to).reverse());
        from = Math.max(from, to - 1);
      }
    }
    return runs.map(({ font, level, text: run }) => ({
      font,
      // Letters of a script that runs leftward are turned by the font library; Western signs among them here.
      text:
        level % 2 === 1 && font === western
          ? [...run]
              .reverse()
              .map((sign) => bidi.getMirroredCharacter(sign) ?? sign)
              .join('')
          : run,
    }));
  });
}

/** What the plain fonts can show of a text. */
const shown = (text: string): string => [...near(text)].map((c) => (isWestern(c) ? c : '?')).join('');

function drawn(pieces: (text: string) => readonly Piece[]): Typeface {
  return {
    width: (text, size) =>
      pieces(text).reduce((sum, { font, text: piece }) => sum + font.widthOfTextAtSize(piece, size), 0),
    draw: (page, text, { x, ...rest }) => {
      let at = x;
      for (const { font, text: piece } of pieces(text)) {
        page.drawText(piece, { x: at, font, ...rest });
        at += font.widthOfTextAtSize(piece, rest.size);
      }
    },
  };
}
