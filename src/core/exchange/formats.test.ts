import { keeperInitial } from '../fitting/keepers/index.ts';
import { guardInitial } from '../fitting/guards/index.ts';
import { castSolid } from '../assembly/cast-solid.ts';
import { XMLValidator } from 'fast-xml-parser';
import DxfParser from 'dxf-parser';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import {
  decodePDFRawStream,
  PDFDict,
  PDFDocument,
  PDFName,
  PDFRawStream,
  rgb,
  StandardFonts,
} from '@cantoo/pdf-lib';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { BoxGeometry, Mesh as ThreeMesh } from 'three';
import { STLExporter } from 'three/examples/jsm/exporters/STLExporter.js';
import { STLLoader } from 'three/examples/jsm/loaders/STLLoader.js';
import { afterAll, describe, expect, it } from 'vitest';
import type { Design } from '../document/design.ts';
import { drawingOf } from '../plate/drawing.ts';
import { evaluate, PLAIN_WATER } from '../judge/evaluate.ts';
import { DRAWN_FAMILIES } from '../head/families/index.ts';
import { solids } from '../head/kernel.ts';
import type { Mesh } from '../head/mesh.ts';
import { massProperties, openEdges } from '../head/mesh.ts';
import { plateSheet } from '../plate/sheet.ts';
import type { ReadingId } from '../behaviour/registry.ts';
import { READINGS } from '../behaviour/registry.ts';
import { readPdf, readTags } from '../test-kit/pdf.test-kit.ts';
import { writeWallPlan } from './wall-plan.ts';
import { exportCounterCard } from './counter.ts';
import { REFERENCE_RULES } from '../match/practice/reference-rules.ts';
import { AT_ONCE, sampleDesign } from '../test-kit/sample.test-kit.ts';
import { writeReadingsCsv } from './csv.ts';
import { writeDxf } from './dxf.ts';
import { FILE_STATIONS } from './exports/kind.ts';
import { isPlain } from '../head/body.ts';
import type { Vec2 } from '../numeric/vec.ts';
import { writePdf } from './pdf.ts';
import { typefaceFile } from '../../disk/typefaces.ts';
import { giveTypefaces, typefaceFor } from './typeface.ts';
import { readStl, writeStl } from './stl.ts';
import { writeSvg } from './svg.ts';
import { readThreeMf, writeThreeMf } from './threemf.ts';
import { share } from '../test-kit/runs.ts';

const FAMILIES = DRAWN_FAMILIES.map(({ key }) => [key] as const);
/** A name that would break every format that does not guard against it. */
const NASTY = 'A <b> & "c" \u0007\n0\nEOF\n]]> ½″';

function built(design: Design, around = AT_ONCE) {
  const result = evaluate(design, around);
  if (!result.ok) throw new Error(result.problems[0]?.message);
  return result;
}
const full = (family: string) =>
  built(sampleDesign(family, { guard: guardInitial('fibre'), keeper: keeperInitial('wire') }), PLAIN_WATER);
const made = new Map<string, Mesh>();
const solidOf = (family: string): Mesh => {
  const mesh = made.get(family) ?? castSolid(solids(), built(sampleDesign(family)).rig);
  made.set(family, mesh);
  return mesh;
};

describe('STL against a general library', () => {
  it.each(share(FAMILIES, 7))(
    '%s: facets of 50 bytes, unit normals that face outward, the same solid',
    (family) => {
      const mesh = solidOf(family);
      const bytes = writeStl(mesh, NASTY);
      // The published layout: 80 bytes, a count, 50 bytes a facet; and a header that no reader takes for the
      // text form.
      expect(bytes.length).toBe(84 + (50 * mesh.triangles.length) / 3);
      expect(strFromU8(bytes.subarray(0, 5))).not.toBe('solid');
      const read = new STLLoader().parse(bytes.buffer as ArrayBuffer);
      const [at, normal] = [read.getAttribute('position'), read.getAttribute('normal')];
      expect(at.count).toBe(mesh.triangles.length);
      let [volume, farthest, off] = [0, 0, 0];
      for (let i = 0; i < at.count; i += 3) {
        const [a, b, c] = [0, 1, 2].map((k) => [at.getX(i + k), at.getY(i + k), at.getZ(i + k)] as const) as [
          V,
          V,
          V,
        ];
        const [n, length] = areaOf(a, b, c);
        volume += (a[0] * n[0] + a[1] * n[1] + a[2] * n[2]) / 6;
        const said = [normal.getX(i), normal.getY(i), normal.getZ(i)] as const;
        farthest = Math.max(farthest, Math.abs(Math.hypot(...said) - 1));
        // Slivers have no direction to speak of in single precision.
        if (length > 1e-3)
          off = Math.max(off, 1 - (said[0] * n[0] + said[1] * n[1] + said[2] * n[2]) / length);
      }
      expect(farthest).toBeLessThan(1e-5);
      expect(off).toBeLessThan(0.01);
      expect(Math.abs(volume / massProperties(mesh).volume - 1)).toBeLessThan(1e-6);
    },
  );

  it.each([true, false])('reads what the library writes, binary %s', (binary) => {
    const block = new ThreeMesh(new BoxGeometry(3, 4, 5));
    const exporter = new STLExporter();
    const written: unknown = binary ? exporter.parse(block, { binary: true }) : exporter.parse(block);
    const bytes =
      written instanceof DataView ? new Uint8Array(written.buffer) : strToU8(String(written as string));
    const mesh = readStl(bytes);
    expect(mesh.triangles).toHaveLength(36);
    expect(mesh.positions).toHaveLength(24);
    expect(openEdges(mesh)).toBe(0);
    expect(massProperties(mesh).volume).toBeCloseTo(60, 9);
  });

  it('a binary file whose header begins with “solid” is still read as binary', () => {
    const bytes = writeStl(solidOf('ball'), 'x');
    bytes.set(strToU8('solid made elsewhere'));
    expect(readStl(bytes).triangles.length).toBeGreaterThan(100);
    expect(() => readStl(bytes.subarray(0, bytes.length - 7))).toThrow(/STL/);
  });
});

type V = readonly [number, number, number];
/** Twice the area of a triangle as a vector, and its length. */
function areaOf(a: V, b: V, c: V): readonly [V, number] {
  const [u, v] = [b, c].map((p) => [p[0] - a[0], p[1] - a[1], p[2] - a[2]] as const) as [V, V];
  const n = [u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]] as const;
  return [n, Math.hypot(...n)];
}

describe('3MF, against the core specification 1.3', () => {
  const RELATIONS =
    '<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="r" Target="/PARTS/it.model" Type="http://schemas.microsoft.com/3dmanufacturing/2013/01/3dmodel"/></Relationships>';
  const pack = (model: string, relations = RELATIONS, name = 'PARTS/it.model') =>
    zipSync({ '_rels/.rels': strToU8(relations), [name]: strToU8(model), 'Thumbnails/t.png': strToU8('x') });
  /** A tetrahedron of volume 1/6, its attributes in no usual order and its elements with a prefix. */
  const TETRA =
    '<c:mesh><c:vertices><c:vertex z="0" y="0" x="0"/><c:vertex z="0" x="1" y="0" ></c:vertex><c:vertex x="0" y="1.0e0" z="0"/><c:vertex x="0" y="0" z="1"/></c:vertices><c:triangles><c:triangle v3="1" v1="0" v2="2" p1="0"/><c:triangle v1="0" v2="1" v3="3"/><c:triangle v1="0" v2="3" v3="2"/><c:triangle v1="1" v2="2" v3="3"/></c:triangles></c:mesh>';
  const model = (unit: string, objects: string, items: string) =>
    `<?xml version="1.0"?><!-- a comment --><c:model ${unit} xmlns:c="http://schemas.microsoft.com/3dmanufacturing/core/2015/02"><c:resources><c:object id="7" type="model">${TETRA}</c:object>${objects}</c:resources><c:build>${items}</c:build></c:model>`;
  const volume = (bytes: Uint8Array) => massProperties(readThreeMf(bytes)).volume;

  it.each(['dart', 'tube'])('%s goes out as a package whose parts, types and indices hold', (family) => {
    const mesh = solidOf(family);
    const parts = unzipSync(writeThreeMf(mesh, NASTY));
    expect(Object.keys(parts).sort()).toEqual(['3D/3dmodel.model', '[Content_Types].xml', '_rels/.rels']);
    for (const part of Object.values(parts)) expect(XMLValidator.validate(strFromU8(part))).toBe(true);
    const text = strFromU8(parts['3D/3dmodel.model'] ?? new Uint8Array());
    expect(text).toMatch(
      /<model unit="millimeter"[^>]* xmlns="http:\/\/schemas\.microsoft\.com\/3dmanufacturing\/core\/2015\/02"/,
    );
    // Extensions of every part are declared, and the model is what the root relationship names.
    const types = strFromU8(parts['[Content_Types].xml'] ?? new Uint8Array());
    for (const extension of ['rels', 'model']) expect(types).toContain(`Extension="${extension}"`);
    expect(strFromU8(parts['_rels/.rels'] ?? new Uint8Array())).toContain('Target="/3D/3dmodel.model"');
    const corners = text.match(/<vertex /g)?.length ?? 0;
    const named = [...text.matchAll(/<triangle v1="(\d+)" v2="(\d+)" v3="(\d+)"/g)];
    expect(corners).toBe(mesh.positions.length / 3);
    expect(named).toHaveLength(mesh.triangles.length / 3);
    // No corner twice (section 4.1.4), none that is not there.
    const wrong = named.filter(
      ([, ...three]) => new Set(three).size < 3 || three.some((index) => Number(index) >= corners),
    );
    expect(wrong).toEqual([]);
  });

  it.each([
    ['', 1],
    ['unit="millimeter"', 1],
    ['unit="micron"', 1e-3],
    ['unit="centimeter"', 10],
    ['unit="inch"', 25.4],
    ['unit="foot"', 304.8],
    ['unit="meter"', 1000],
  ])('a file from elsewhere with %s comes in in millimetres', (unit, mm) => {
    expect(volume(pack(model(unit, '', '<c:item objectid="7"/>'))) / (mm ** 3 / 6)).toBeCloseTo(1, 12);
  });

  it('items and objects made of objects stand where their transforms put them', () => {
    const twice =
      '<c:object id="9"><c:components><c:component objectid="7" transform="2 0 0 0 2 0 0 0 2 0 0 0"/><c:component objectid="7" transform="1 0 0 0 1 0 0 0 1 10 0 0"/></c:components></c:object>';
    // A quarter turn about z takes x to y: rows are where the axes go.
    const mesh = readThreeMf(
      pack(model('', twice, '<c:item objectid="9" transform="0 1 0 -1 0 0 0 0 1 0 0 5"/>')),
    );
    expect(massProperties(mesh).volume).toBeCloseTo((8 + 1) / 6, 12);
    const corners = Array.from({ length: 8 }, (_, i) => [...mesh.positions.slice(3 * i, 3 * i + 3)]);
    expect(corners).toEqual([
      [0, 0, 5],
      [0, 2, 5],
      [-2, 0, 5],
      [0, 0, 7],
      [0, 10, 5],
      [0, 11, 5],
      [-1, 10, 5],
      [0, 10, 6],
    ]);
  });

  const build = (corners: number, facets: number, items = 1) =>
    pack(
      model(
        '',
        `<c:object id="9"><c:mesh><c:vertices>${'<c:vertex x="0" y="0" z="0"/>'.repeat(corners)}</c:vertices><c:triangles>${'<c:triangle v1="0" v2="1" v3="2"/>'.repeat(facets)}</c:triangles></c:mesh></c:object>`,
        '<c:item objectid="9"/>'.repeat(items),
      ),
    );
  it('of a 3MF all facets of all items count together: up to the bound it is read, over it refused in words', () => {
    expect(readThreeMf(build(3, 30_000, 4)).triangles).toHaveLength(3 * 120_000);
    expect(() => readThreeMf(build(3, 30_001, 4))).toThrow(/builds over 120000 facets/);
    expect(() => readThreeMf(build(3, 60_000, 2))).not.toThrow();
  });
  it('of a 3MF so do corners, three for a facet, also where nothing uses them', () => {
    expect(readThreeMf(build(90_000, 1, 4)).positions).toHaveLength(3 * 360_000);
    expect(() => readThreeMf(build(90_001, 1, 4))).toThrow(/builds over/);
  });
  it('a part of a 3MF that unpacks to over 24 MB is refused before it is unpacked, one of just that is unpacked', () => {
    const room = model('', '', '<c:item objectid="7"/>');
    const padded = (bytes: number) => pack(room.replace('</', `${' '.repeat(bytes - room.length)}</`));
    expect(() => readThreeMf(padded(24e6 + 1))).toThrow(/over 24 MB unpacked/);
    expect(() => readThreeMf(padded(24e6))).toThrow(/padded with blanks/);
  });

  it('a mirrored object is not inside out', () => {
    expect(
      volume(pack(model('', '', '<c:item objectid="7" transform="-1 0 0 0 1 0 0 0 1 0 0 0"/>'))),
    ).toBeCloseTo(1 / 6, 12);
  });

  it.each([
    [/does not unpack/, new Uint8Array([0x50, 0x4b, 3, 4, 0, 0])],
    [/no model in it/, pack('<a/>', RELATIONS, 'elsewhere.model')],
    [/no sound XML/, pack('<model><resources></model>')],
    // The validator lets this pass, the parser does not.
    [/no sound XML/, pack('<?xml version="1.0" encoding="UTF-8{?>\n<model/>')],
    [/“furlong”, which is no unit/, pack(model('unit="furlong"', '', '<c:item objectid="7"/>'))],
    [/builds nothing/, pack(model('', '', ''))],
    [/twelve numbers/, pack(model('', '', '<c:item objectid="7" transform="1 0 0"/>'))],
    [/object 8 in another part/, pack(model('', '', '<c:item objectid="8"/>'))],
    [/object 7 in another part/, pack(model('', '', '<c:item objectid="7" c:path="/3D/other.model"/>'))],
    [
      /names a corner that is not there/,
      pack(model('', '', '<c:item objectid="7"/>').replace('v3="1"', 'v3="4"')),
    ],
    [
      /made of itself/,
      pack(
        model(
          '',
          '<c:object id="9"><c:components><c:component objectid="9"/></c:components></c:object>',
          '<c:item objectid="9"/>',
        ),
      ),
    ],
  ])('%s is said of a package that cannot be taken', (reason, bytes) => {
    expect(() => readThreeMf(bytes)).toThrow(reason);
  });
});

/**
 * Middles of the pieces of a cubic spline whose inner knots are double: of each the two ends are the middles
 * of neighbouring control points.
 */
function middles(control: readonly { readonly x: number; readonly y: number }[]): Vec2[] {
  const at = (i: number): Vec2 => [control[i]?.x ?? NaN, control[i]?.y ?? NaN];
  // From Bézier's four points of a piece; its ends lie between the control points to either side, nearer to
  // that of the shorter piece.
  const inner = (control.length - 2) / 2;
  const hands = Array.from({ length: inner }, (_, i) => [at(1 + 2 * i), at(2 + 2 * i)] as const);
  const long = hands.map(([a, b]) => Math.hypot(b[0] - a[0], b[1] - a[1]));
  const joint = (i: number): Vec2 => {
    const [a, b] = [hands[i - 1]?.[1] ?? at(0), hands[i]?.[0] ?? at(control.length - 1)];
    if (i === 0) return at(0);
    if (i === inner) return at(control.length - 1);
    const share = (long[i - 1] ?? NaN) / ((long[i - 1] ?? NaN) + (long[i] ?? NaN));
    return [a[0] + share * (b[0] - a[0]), a[1] + share * (b[1] - a[1])];
  };
  return hands.map(([p, q], i): Vec2 => {
    const [a, b] = [joint(i), joint(i + 1)];
    return [(a[0] + 3 * p[0] + 3 * q[0] + b[0]) / 8, (a[1] + 3 * p[1] + 3 * q[1] + b[1]) / 8];
  });
}

/** Distance of a point from the nearest of some lines, mm. */
function nearest([u, v]: Vec2, all: readonly (readonly Vec2[])[]): number {
  let best = Infinity;
  for (const points of all)
    for (let i = 0; i < points.length; i++) {
      const [a, b] = [points[i], points[(i + 1) % points.length]] as [Vec2, Vec2];
      const [x, y] = [b[0] - a[0], b[1] - a[1]];
      const share = Math.min(1, Math.max(0, ((u - a[0]) * x + (v - a[1]) * y) / (x * x + y * y || 1)));
      best = Math.min(best, Math.hypot(a[0] + share * x - u, a[1] + share * y - v));
    }
  return best;
}

describe('drawings of every head', () => {
  it.each(share(FAMILIES, 7))(
    '%s: DXF is sound, its layers and line types are declared, and nothing lies off the sheet',
    (family) => {
      const { rig } = full(family);
      for (const arrangement of ['first', 'third'] as const) {
        const options = { arrangement, units: 'both' } as const;
        const sheet = plateSheet(drawingOf(rig, FILE_STATIONS), NASTY, options);
        const dxf = new DxfParser().parseSync(writeDxf(sheet));
        // Every dimension of the sheet is one, with its figure, its size and the block that shows it.
        const dimensions = (dxf?.entities ?? []).filter(({ type }) => type === 'DIMENSION') as unknown as {
          text: string;
          actualMeasurement: number;
          block: string;
        }[];
        expect(dimensions.map(({ text }) => text)).toEqual(sheet.dimensions.map(({ text }) => text));
        for (const { text, actualMeasurement, block } of dimensions) {
          const [, mm] = /\[([\d.]+) mm\]$/.exec(text) ?? [];
          expect(Math.abs(actualMeasurement - Number(mm)), text).toBeLessThan(0.0501);
          expect(dxf?.blocks[block]?.entities).toHaveLength(6);
        }
        // What is drawn as a spline lies on the outline of ten times as many stations.
        const fine = plateSheet(drawingOf(rig, 960), NASTY, options).entities.flatMap((entity) =>
          entity.kind === 'line' && entity.points.length > 8 ? [entity.points] : [],
        );
        const splines = (dxf?.entities ?? []).filter(({ type }) => type === 'SPLINE') as unknown as {
          controlPoints: { x: number; y: number }[];
        }[];
        expect(splines.length).toBeGreaterThan(0);
        const off = splines.flatMap(({ controlPoints }) =>
          middles(controlPoints).map((at) => nearest(at, fine)),
        );
        // Where shapes meet, both outlines go from place to place beside the meeting.
        expect(Math.max(...off)).toBeLessThan(isPlain(rig.head) ? 0.01 : 0.06);
        const { layers } = dxf?.tables['layer'] as unknown as { layers: Record<string, unknown> };
        const lineTypes = Object.keys(
          (dxf?.tables['lineType'] as unknown as { lineTypes: Record<string, unknown> }).lineTypes,
        );
        for (const { layer } of dxf?.entities ?? []) expect(Object.keys(layers)).toContain(layer);
        expect(lineTypes).toEqual(expect.arrayContaining(['HIDDEN', 'CENTRE']));
        for (const entity of dxf?.entities ?? []) {
          const { vertices = [] } = entity as unknown as { vertices?: { x: number; y: number }[] };
          for (const { x, y } of vertices) {
            expect(x > -1 && x < sheet.width + 1 && y > -1 && y < sheet.height + 1).toBe(true);
          }
        }
      }
    },
  );

  it.each(share(FAMILIES, 7))(
    '%s: SVG is sound XML at true scale with every figure within its sheet',
    (family) => {
      const sheet = plateSheet(drawingOf(full(family).rig, 96), NASTY, {
        arrangement: 'third',
        units: 'metric',
      });
      const svg = writeSvg(sheet, NASTY);
      expect(XMLValidator.validate(svg)).toBe(true);
      // XML 1.0 section 2.2: no control characters but tab and line ends.
      // eslint-disable-next-line no-control-regex
      expect(svg).not.toMatch(/[\u0000-\u0008\u000b\u000c\u000e-\u001f]/);
      const [, width, height, w, h] =
        /width="([\d.]+)mm" height="([\d.]+)mm" viewBox="0 0 ([\d.]+) ([\d.]+)"/.exec(svg) ?? [];
      expect([width, height]).toEqual([w, h]);
      const texts = [...svg.matchAll(/<text [^>]* x="([-\d.]+)" y="([-\d.]+)"/g)];
      expect(texts.length).toBeGreaterThan(6);
      for (const [, x, y] of texts)
        expect(Number(x) >= 0 && Number(x) <= Number(w) && Number(y) >= 0 && Number(y) <= Number(h)).toBe(
          true,
        );
      expect(svg).not.toMatch(/NaN|Infinity|undefined/);
    },
  );
});

interface PageText {
  readonly text: string;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly size: number;
}

/** What a page of a PDF is drawn by: its operators as text. */
const codeOf = (pdf: PDFDocument, number: number): string =>
  (pdf.getPage(number).node.normalizedEntries().Contents?.asArray() ?? [])
    .map((ref) => pdf.context.lookup(ref))
    .flatMap((object) => (object instanceof PDFRawStream ? [object] : []))
    .map((stream) => Buffer.from(decodePDFRawStream(stream).decode()).toString('latin1'))
    .join('\n');

/** Every level piece of text on a page of a PDF, with where it stands, in points. */
async function textsOf(bytes: Uint8Array, number: number) {
  const pdf = await PDFDocument.load(bytes);
  const page = pdf.getPage(number);
  const font = await pdf.embedFont(StandardFonts.Helvetica);
  const code = codeOf(pdf, number);
  const texts = [
    ...code.matchAll(/ ([\d.]+) Tf[^<]*?\n1 0 0 1 ([-\d.]+) ([-\d.]+) Tm\s+<([0-9A-F]*)> Tj/g),
  ].map(([, size, x, y, hex = '']): PageText => {
    const text = new TextDecoder('windows-1252').decode(Buffer.from(hex, 'hex'));
    return {
      text,
      x: Number(x),
      y: Number(y),
      size: Number(size),
      width: font.widthOfTextAtSize(text, Number(size)),
    };
  });
  return { width: page.getWidth(), height: page.getHeight(), texts };
}

/** Whether two pieces of text lie over each other: capitals of Helvetica are 0.72 of their size high. */
const isOver = (a: PageText, b: PageText) =>
  a.x < b.x + b.width - 0.5 &&
  b.x < a.x + a.width - 0.5 &&
  a.y < b.y + 0.7 * b.size &&
  b.y < a.y + 0.7 * a.size;

/** Pairs of texts on a page that lie over each other. */
const overlapping = (texts: readonly PageText[]) =>
  texts.flatMap((one, i) =>
    texts
      .slice(i + 1)
      .filter((other) => isOver(one, other))
      .map((other) => [one.text, other.text]),
  );

/** The spec sheet of a shape's usual head, and its readings. */
async function sheetOf(
  family: string,
  units: 'metric' | 'imperial' | 'both' = 'metric',
  name = 'Sable Pike',
) {
  const { rig, design, readings, flags } = full(family);
  const bytes = await writePdf({
    design: { ...design, name },
    drawing: drawingOf(rig),
    readings,
    flags,
    options: { arrangement: 'third', units },
  });
  return { bytes, readings };
}

describe('the spec sheet of every head', () => {
  it.each(share(FAMILIES, 7))(
    '%s: every reading and caution stands on the page, none over another',
    async (family) => {
      for (const units of ['metric', 'imperial', 'both'] as const) {
        const { bytes, readings } = await sheetOf(family, units);
        const pages = await Promise.all([0, 1].map((number) => textsOf(bytes, number)));
        expect(pages[0]?.texts[0]?.text).toBe('Sable Pike');
        const said = pages.flatMap(({ texts }) => texts.map(({ text }) => text));
        for (const { width, height, texts } of pages) {
          for (const { x, y, width: long } of texts)
            expect(x >= 20 && x + long <= width - 15 && y >= 20 && y <= height - 20).toBe(true);
          expect(overlapping(texts), units).toEqual([]);
        }
        for (const id of Object.keys(readings) as ReadingId[])
          expect(said).toContain(READINGS[id].name.replace(/’/g, "'"));
        const whole = said.join(' ');
        for (const needed of [
          'Molten metal and water explode',
          'they change.',
          'practice is a rule of the trade.',
        ])
          expect(whole).toContain(needed);
      }
    },
  );
});

describe('what is said under the drawing', () => {
  it('the four first things to mind, stops as stops; notes stand with the cautions', async () => {
    const { rig, design, readings } = full('ball');
    const flag = (level: 'stop' | 'care' | 'note', n: number) => ({
      level,
      code: 'x',
      path: '',
      text: `Thing ${n}.`,
    });
    const bytes = await writePdf({
      design,
      drawing: drawingOf(rig),
      readings,
      flags: [
        flag('note', 1),
        flag('care', 2),
        flag('stop', 3),
        flag('care', 4),
        flag('care', 5),
        flag('care', 6),
      ],
      options: { arrangement: 'third', units: 'metric' },
    });
    const first = (await textsOf(bytes, 0)).texts.map(({ text }) => text);
    expect(first.filter((text) => text.includes('Thing') && !text.includes('Thing 1'))).toEqual([
      'Care: Thing 2.',
      'STOP: Thing 3.',
      'Care: Thing 4.',
      'Care: Thing 5.',
    ]);
    expect(first.some((text) => text === 'Thing 1.' || text.startsWith('Thing 1.'))).toBe(true);
    // Top down, each line under the last.
    const { texts } = await textsOf(bytes, 0);
    const heights = texts.filter(({ text }) => /^(Care|STOP): Thing/.test(text)).map(({ y }) => y);
    expect(heights).toEqual([...heights].sort((a, b) => b - a));
    expect(new Set(heights).size).toBe(4);
  });
});

describe('a name in any script', () => {
  afterAll(() => giveTypefaces(undefined));

  it.each([
    ['Cyrillic', 'Щука 3/8', ['Щука', '3/8']],
    ['Greek', 'Λούτσος', ['Λούτσος']],
    ['Devanagari', 'मछली', ['मछली']],
    ['Han', '河鲈 Perch 鱸', ['河鲈', 'Perch', '鱸']],
    ['Kana', 'スズキ', ['スズキ']],
    ['Hangul', '농어 붕어', ['농어', '붕어']],
    ['Thai', 'ปลา', ['ปลา']],
    ['Hebrew', 'דג (3) ים', ['דג', '3', 'ים']],
    ['Arabic', 'سمك', ['سمك']],
    ['Western', 'Größe Łódź', ['Größe']],
  ])('%s is drawn with a font that holds it, and read back by a general reader', async (_, name, words) => {
    giveTypefaces(typefaceFile);
    const { bytes } = await sheetOf('ball', 'metric', name);
    const whole = (await readPdf(bytes)).pieces.join('').normalize('NFKC');
    for (const word of words) expect(whole).toContain(word);
    expect(whole).not.toContain('?');
    expect((await PDFDocument.load(bytes)).getTitle()).toBe(name);
  });

  it.each(share(FAMILIES, 11))(
    '%s: in the shipped typeface, which is within the file, nothing lies over another or off the page',
    async (family) => {
      giveTypefaces(typefaceFile);
      for (const units of ['metric', 'imperial', 'both'] as const) {
        const { bytes } = await sheetOf(family, units);
        const pdf = await PDFDocument.load(bytes);
        const dicts = pdf.context
          .enumerateIndirectObjects()
          .flatMap(([, object]) => (object instanceof PDFDict ? [object] : []));
        const ofType = (type: string) =>
          dicts.filter((dict) => dict.get(PDFName.of('Type')) === PDFName.of(type));
        // Each font that letters are drawn with is described, and each description holds its file.
        const fonts = ofType('Font').map((dict) => dict.get(PDFName.of('Subtype')));
        expect(new Set(fonts)).toEqual(new Set([PDFName.of('Type0'), PDFName.of('CIDFontType2')]));
        const described = ofType('FontDescriptor');
        expect(described).toHaveLength(2);
        expect(described.every((dict) => dict.has(PDFName.of('FontFile2')))).toBe(true);
        const read = await getDocument({ data: bytes, verbosity: 0 }).promise;
        for (let number = 1; number <= read.numPages; number++) {
          const page = await read.getPage(number);
          const [, , width = 0] = page.view;
          const { items } = await page.getTextContent();
          const texts = items.flatMap((item): PageText[] => {
            if (!('str' in item) || item.str.trim() === '' || item.transform[1] !== 0) return [];
            const [size = 0, , , , x = 0, y = 0] = item.transform as number[];
            return [{ text: item.str, x, y, size, width: item.width }];
          });
          expect(texts.length).toBeGreaterThan(8);
          for (const { text, x, width: long } of texts)
            expect([text, x >= 20 && x + long <= width - 15]).toEqual([text, true]);
          expect(overlapping(texts), units).toEqual([]);
        }
      }
    },
  );

  it('puts the words of a line that runs leftward in their order on the page', async () => {
    giveTypefaces(typefaceFile);
    const pdf = await PDFDocument.create();
    const page = pdf.addPage();
    const name = 'אבג (7) דהו ab';
    const typeface = await typefaceFor(pdf, 400, [name]);
    typeface.draw(page, name, { x: 50, y: 50, size: 12, color: rgb(0, 0, 0) });
    const document = await getDocument({ data: await pdf.save(), verbosity: 0 }).promise;
    const { items } = await (await document.getPage(1)).getTextContent();
    const places = new Map(
      items.flatMap((item): [string, number][] =>
        'str' in item ? [[item.str, item.transform[4] as number]] : [],
      ),
    );
    const at = (text: string) => [...places].find(([run]) => run.includes(text))?.[1] ?? NaN;
    // A paragraph that begins leftward: its last word stands farthest left.
    expect(at('ab')).toBeLessThan(at('דהו'));
    expect(at('דהו')).toBeLessThan(at('7'));
    expect(at('7')).toBeLessThan(at('אבג'));
  });

  it('says "?" for what no font holds, and knows Western letters alone without the shipped ones', async () => {
    giveTypefaces(undefined);
    const { bytes } = await sheetOf('ball', 'metric', 'Щ 1');
    expect((await readPdf(bytes)).pieces[0]).toBe('? 1');
  });
});

describe('a PDF is tagged, as ISO 32000-1, 14.8 has it, to a general reader', () => {
  it.each(['ball', 'glider', 'standup'])(
    'the spec sheet of a %s: title, drawing in words, lines',
    async (family) => {
      const { bytes } = await sheetOf(family);
      const first = await readTags(bytes);
      expect(first.things[0]).toEqual({ role: 'H1', text: 'Sable Pike', alt: undefined });
      const figures = first.things.filter(({ role }) => role === 'Figure');
      expect(figures.map(({ alt }) => alt)).toEqual(['Sable Pike: dimensioned drawing of the head']);
      // The numbers on a drawing are the drawing's.
      expect(figures[0]?.text).toMatch(/\d/);
      const second = await readTags(bytes, 2);
      expect(second.things[0]).toMatchObject({ role: 'H1', text: 'Sable Pike: readings' });
      expect(second.things.filter(({ role }) => role === 'H2').map(({ text }) => text)).toContain('Weight');
      for (const { things, untagged } of [first, second]) {
        expect(untagged).toBe('');
        expect(things.every(({ role, text }) => role === 'Figure' || text !== '')).toBe(true);
      }
    },
  );

  it('a counter card of a bare head: weight, uses and drawing, and no path without points', async () => {
    const made = await exportCounterCard(sampleDesign('ball'), REFERENCE_RULES, [], 'metric');
    if (!made.ok) throw new Error(JSON.stringify(made.problems));
    const bytes = made.data as Uint8Array;
    const { things, untagged } = await readTags(bytes);
    expect(untagged).toBe('');
    expect(things.map(({ role, text }) => `${role} ${text}`)).toContain('H2 For');
    expect(things.find(({ role }) => role === 'Figure')?.alt).toMatch(/from the side$/);
    // A path is closed where one was begun (ISO 32000-1, 8.5.2.1).
    expect(codeOf(await PDFDocument.load(bytes), 0)).not.toMatch(/(?<! [lcmvy])\s+h\s/);
  });

  it('says its language and its title, and that it is tagged', async () => {
    const pdf = await PDFDocument.load((await sheetOf('ball')).bytes);
    const entry = (name: string) => String(pdf.catalog.lookup(PDFName.of(name)));
    expect(entry('Lang')).toBe('(en)');
    expect(entry('MarkInfo')).toContain('/Marked true');
    expect(entry('ViewerPreferences')).toContain('/DisplayDocTitle true');
  });

  it('the pegs of a wall: names as headings, bars as pictures that say their code', async () => {
    const peg = {
      name: 'Sable Pike',
      what: '1/2 oz',
      price: '3.20',
      serves: ['ledges'],
      code: '4006381333931',
    };
    const { things, untagged } = await readTags(await writeWallPlan('Skarnholm wall', [peg]));
    expect(things[0]).toMatchObject({ role: 'H1', text: 'Skarnholm wall' });
    expect(things).toContainEqual({ role: 'H2', text: 'Sable Pike', alt: undefined });
    expect(things).toContainEqual({ role: 'Figure', text: '', alt: 'Bar code of 4006381333931' });
    expect(untagged).toBe('');
  });
});

describe('tables for a spreadsheet', () => {
  const { design, readings } = built(sampleDesign('ball'));
  it('lines end as RFC 4180 wants, and every row has as many cells', () => {
    const csv = writeReadingsCsv([
      { design, readings },
      { design: { ...design, name: 'Two, "quoted"' }, readings },
    ]);
    expect(csv.endsWith('\r\n')).toBe(true);
    expect(csv.replaceAll('\r\n', '')).not.toMatch(/[\r\n]/);
    const [heading = '', ...rows] = csv.trimEnd().split('\r\n');
    for (const row of rows)
      expect(row.replace(/"(?:[^"]|"")*"/g, '').split(',')).toHaveLength(heading.split(',').length);
    expect(rows[1]).toMatch(/^"Two, ""quoted""",/);
  });

  it.each(['=1', '+1', '-1', '@x', '\t=1'])('a name that begins %j is no formula', (name) => {
    const [, row = ''] = writeReadingsCsv([{ design: { ...design, name }, readings }]).split('\r\n');
    expect(row.replace(/^"/, '')[0]).toBe("'");
  });
});

describe('round trips', () => {
  const isSame = (mesh: Mesh, back: Mesh) => {
    expect(openEdges(back)).toBe(0);
    expect(Math.abs(massProperties(back).volume / massProperties(mesh).volume - 1)).toBeLessThan(1e-6);
    return back;
  };
  it.each(share(FAMILIES, 7))(
    '%s: STL gives the solid back, and the same bytes when written again',
    (family) => {
      const mesh = solidOf(family);
      const bytes = writeStl(mesh, 'x');
      expect(Buffer.compare(writeStl(isSame(mesh, readStl(bytes)), 'x'), bytes)).toBe(0);
    },
  );

  it.each(share(['dart', 'hidden', 'tube', 'glider', 'drop'], 5))('%s: so does 3MF', (family) => {
    const mesh = solidOf(family);
    const bytes = writeThreeMf(mesh, 'x');
    expect(Buffer.compare(writeThreeMf(isSame(mesh, readThreeMf(bytes)), 'x'), bytes)).toBe(0);
  });
});
