import { keeperInitial } from '../fitting/keepers/index.ts';
import { guardInitial } from '../fitting/guards/index.ts';
import { castSolid } from '../assembly/cast-solid.ts';
import DxfParser from 'dxf-parser';
import Papa from 'papaparse';
import { PDFDocument } from '@cantoo/pdf-lib';
import { describe, expect, it } from 'vitest';
import type { Design } from '../document/design.ts';
import { drawingOf } from '../plate/drawing.ts';
import { evaluate, PLAIN_WATER } from '../judge/evaluate.ts';
import { DRAWN_FAMILIES } from '../head/families/index.ts';
import { solids } from '../head/kernel.ts';
import { massProperties } from '../head/mesh.ts';
import { dimensionsOf, placeDimensions } from '../plate/dimensions.ts';
import { dimensionText, plateSheet } from '../plate/sheet.ts';
import { parseQuantity } from '../quantity/parse.ts';
import { AT_ONCE, sampleDesign } from '../test-kit/sample.test-kit.ts';
import { writeReadingsCsv } from './csv.ts';
import { writeDxf } from './dxf.ts';
import { cavityFactor } from '../make/mould-layout.ts';
import { exportDesign } from './export-design.ts';
import { EXPORTS } from './exports/index.ts';
import { readHooksCsv, writeHooksCsv } from './hooks-csv.ts';
import { readStl } from './stl.ts';
import { writeSvg } from './svg.ts';

function built(design: Design) {
  const result = evaluate(design, AT_ONCE);
  if (!result.ok) throw new Error(result.problems[0]?.message);
  return result;
}
const dart = () => built(sampleDesign('dart', { guard: guardInitial('y'), keeper: keeperInitial('screw') }));

describe('solids', () => {
  it('a text STL reads like a binary one', () => {
    const mesh = castSolid(solids(), built(sampleDesign('ball')).rig);
    const facets = Array.from({ length: mesh.triangles.length / 3 }, (_, i) => {
      const corners = [0, 1, 2].map((k) => {
        const at = 3 * (mesh.triangles[3 * i + k] ?? 0);
        return `vertex ${mesh.positions[at]} ${mesh.positions[at + 1]} ${mesh.positions[at + 2]}`;
      });
      return `facet normal 0 0 0\nouter loop\n${corners.join('\n')}\nendloop\nendfacet`;
    });
    const text = new TextEncoder().encode(`solid x\n${facets.join('\n')}\nendsolid x\n`);
    expect(massProperties(readStl(text)).volume / massProperties(mesh).volume).toBeCloseTo(1, 9);
    expect(() => readStl(new TextEncoder().encode('solid x\nfacet\nvertex 1 two 3\n'))).toThrow(
      /not a corner/,
    );
    expect(() =>
      readStl(new TextEncoder().encode('solid x\nfacet normal 0 0 0\nvertex 1 2 3\nendsolid')),
    ).toThrow(/threes/);
  });

  it('the mould is so much larger that the shrunk casting has the drawn size', () => {
    expect(cavityFactor(2) * 0.98).toBeCloseTo(1, 12);
  });
});

describe('the plate at true scale', () => {
  const options = { arrangement: 'third', units: 'metric' } as const;
  const { rig, design, readings } = dart();
  const drawing = drawingOf(rig, 96);
  const value = (id: 'head.length' | 'head.breadth' | 'head.height' | 'hook.gap') =>
    readings[id]?.value ?? NaN;
  /** Sizes of a closed outline on a sheet. */
  const sizes = (points: readonly (readonly [number, number])[]) =>
    [0, 1].map(
      (axis) =>
        Math.max(...points.map((p) => p[axis as 0 | 1])) - Math.min(...points.map((p) => p[axis as 0 | 1])),
    );

  it('DXF, read by a general parser, is in mm, and its outlines measure what the model says', () => {
    const dxf = new DxfParser().parseSync(writeDxf(plateSheet(drawing, design.name, options)));
    expect(dxf?.header['$INSUNITS']).toBe(4);
    type Run = { fitPoints?: { x: number; y: number }[]; vertices?: { x: number; y: number }[] };
    const runs = (dxf?.entities ?? [])
      .filter(({ type, layer }) => layer === 'OUTLINE' && (type === 'SPLINE' || type === 'LINE'))
      .map((entity) => {
        const { fitPoints, vertices = [] } = entity as unknown as Run;
        return (fitPoints ?? vertices).map(({ x, y }) => [x, y] as const);
      });
    // Runs follow each other from corner to corner, back to where they began.
    const outlines: (readonly (readonly [number, number])[])[] = [];
    let open: (readonly [number, number])[] = [];
    for (const run of runs) {
      open.push(...run);
      const [[u, v], [p, q]] = [open[0] ?? [NaN, NaN], open.at(-1) ?? [NaN, NaN]];
      if (Math.hypot(u - p, v - q) < 1e-6) {
        outlines.push(open);
        open = [];
      }
    }
    const measured = outlines.map(sizes);
    const has = (a: number, b: number) =>
      measured.some(([x = 0, y = 0]) => Math.abs(x - a) < 0.01 && Math.abs(y - b) < 0.01);
    expect(has(value('head.length'), value('head.height'))).toBe(true);
    expect(has(value('head.length'), value('head.breadth'))).toBe(true);
    expect(has(value('head.breadth'), value('head.height'))).toBe(true);
    const texts = (dxf?.entities ?? [])
      .filter(({ type }) => type === 'DIMENSION')
      .map((entity) => (entity as unknown as { text: string }).text);
    for (const id of ['head.length', 'head.breadth', 'head.height', 'hook.gap'] as const)
      expect(texts).toContain(dimensionText(value(id), 'metric'));
  });

  it('SVG has its size in mm, and its outlines and figures are the model’s', () => {
    const sheet = plateSheet(drawing, 'A & <B>', options);
    const svg = writeSvg(sheet, 'A & <B>');
    expect(svg).toContain(`width="${Math.round(sheet.width * 1e4) / 1e4}mm"`);
    expect(svg).toContain('<title>A &amp; &lt;B&gt;</title>');
    const paths = [...svg.matchAll(/class="outline"[^>]* d="([^"]+)Z"/g)].map(([, d = '']) =>
      sizes([...d.matchAll(/[ML]([-\d.]+) ([-\d.]+)/g)].map(([, x, y]) => [Number(x), Number(y)] as const)),
    );
    expect(
      paths.some(
        ([x = 0, y = 0]) =>
          Math.abs(x - value('head.length')) < 0.01 && Math.abs(y - value('head.height')) < 0.01,
      ),
    ).toBe(true);
    expect(svg).toContain(`>${dimensionText(value('head.breadth'), 'metric')}<`);
  });

  it.each(DRAWN_FAMILIES.map(({ key }) => [key] as const))(
    '%s: every dimension is what it measures between, and none lies over another',
    (family) => {
      const { rig: head, readings: read } = built(sampleDesign(family));
      const shape = drawingOf(head);
      const dimensions = dimensionsOf(shape, true);
      const of = (id: string) => dimensions.find((dimension) => dimension.id === id)?.value;
      expect(of('length')).toBeCloseTo(read['head.length']?.value ?? NaN, 9);
      expect(of('breadth')).toBeCloseTo(read['head.breadth']?.value ?? NaN, 9);
      expect(of('height')).toBeCloseTo(read['head.height']?.value ?? NaN, 9);
      expect(of('gap')).toBeCloseTo(read['hook.gap']?.value ?? NaN, 6);
      expect(of('bite')).toBeCloseTo(Math.abs(read['hook.biteAboveEye']?.value ?? NaN), 6);
      const text = ({ value: length }: { value: number }) => dimensionText(length, 'both').length * 1.6;
      const placed = placeDimensions(dimensions, text);
      for (const one of placed) {
        for (const other of placed) {
          if (
            one === other ||
            one.view !== other.view ||
            one.stands !== other.stands ||
            one.lane !== other.lane
          )
            continue;
          const axis = one.upright ? 1 : 0;
          const ends = ({ from, to }: typeof one) =>
            [Math.min(from[axis], to[axis]), Math.max(from[axis], to[axis])] as const;
          const [[a, b], [c, d]] = [ends(one), ends(other)];
          expect(b <= c || d <= a).toBe(true);
        }
      }
    },
  );

  it('first angle turns the arrangement round, at any scale', () => {
    const third = plateSheet(drawing, '', options);
    const first = plateSheet(drawing, '', { ...options, arrangement: 'first', scale: 2 });
    expect(third.origins.top[1]).toBeGreaterThan(third.origins.side[1]);
    expect(first.origins.top[1]).toBeLessThan(first.origins.side[1]);
    expect(third.origins.front[0]).toBeGreaterThan(third.origins.side[0]);
    expect(first.origins.front[0]).toBeLessThan(first.origins.side[0]);
    for (const { entities, width, height } of [third, first]) {
      for (const entity of entities) {
        const points = entity.kind === 'line' ? entity.points : [entity.at];
        for (const [u, v] of points)
          expect(u >= -1 && u <= width + 1 && v >= -1 && v <= height + 1).toBe(true);
      }
    }
  });

  it('in both systems the two figures are one length', () => {
    const [inches = '', mm = ''] = dimensionText(12.7, 'both').split(/ \[|\]/);
    const read = (text: string) => parseQuantity(text, 'size', 'metric');
    expect(read(inches)).toEqual({ ok: true, value: 12.7 });
    expect(read(mm)).toEqual({ ok: true, value: 12.7 });
  });
});

describe('sheets and tables', () => {
  it('the spec sheet is two pages A4, the second of readings, that names the design and its maker program', async () => {
    const { rig, design, readings, flags } = dart();
    const { writePdf } = await import('./pdf.ts');
    const bytes = await writePdf({
      design: { ...design, name: 'Świt – „3/8”' },
      drawing: drawingOf(rig),
      readings,
      flags,
      options: { arrangement: 'third', units: 'both' },
    });
    const pdf = await PDFDocument.load(bytes);
    expect(pdf.getPageCount()).toBe(2);
    // Both unit systems want the page lying.
    expect(pdf.getPage(0).getWidth()).toBeCloseTo((297 * 72) / 25.4, 1);
    expect(pdf.getTitle()).toContain('wit');
  });

  it('readings as CSV come back through a general parser, with names that could be formulas made harmless', () => {
    const { design, readings } = dart();
    const csv = writeReadingsCsv([{ design: { ...design, name: '=1+1, "x"\nmore' }, readings }]);
    const { data, errors } = Papa.parse<Record<string, string>>(csv, { header: true, skipEmptyLines: true });
    expect(errors).toEqual([]);
    expect(data).toHaveLength(1);
    expect(data[0]?.['name']).toBe('\'=1+1, "x"\nmore');
    expect(Number(data[0]?.['mass.total (g)'])).toBe(readings['mass.total']?.value);
  });

  it.each(EXPORTS.map(({ key }) => key))(
    'a design that cannot be built is refused as %s with its reason, but for its own document',
    async (type) => {
      const broken = sampleDesign('ball', { head: { dimensions: { breadth: 900 } } });
      const made = await exportDesign(broken, type, PLAIN_WATER, {
        shrink: 0,
        arrangement: 'third',
        units: 'metric',
      });
      expect(made.ok).toBe(type === 'json');
      if (type === 'json' && made.ok)
        expect(JSON.parse(String(made.data))).toEqual(JSON.parse(JSON.stringify(broken)));
    },
  );
});

describe('hooks as a table', () => {
  const text =
    'Name,Size,Style,Gap (mm),Shank (mm),Wire (mm)\nOne,3/0,round bend,13,31,1.08\nTwo,#2,,0.33 in,"20,5",.8\n';

  it('is read in any order, unit and separator, and goes out and in the same', () => {
    const hooks = readHooksCsv(text).map(({ hook }) => hook);
    expect(hooks[0]).toMatchObject({
      name: 'One',
      size: '3/0',
      style: 'round bend',
      gap: 13,
      shank: 31,
      wire: 1.08,
    });
    expect(hooks[1]).toMatchObject({ size: '#2', style: 'round bend', shank: 20.5, wire: 0.8 });
    expect(hooks[1]?.gap).toBeCloseTo(8.382, 9);
    const all = hooks.flatMap((hook) => hook ?? []);
    expect(readHooksCsv(writeHooksCsv(all)).map(({ hook }) => hook)).toEqual(all);
    expect(readHooksCsv(text.replaceAll(',', '\t').replace('20\t5', '20.5'))).toHaveLength(2);
  });

  it('tells every wrong cell with its line, and a heading that lacks a column', () => {
    const rows = readHooksCsv('name,size,gap,shank,wire\n,3/0,13,31,1\nB,99,13,31,1\nC,3/0,wide,31,9\n');
    expect(rows.map(({ line, problems }) => [line, problems.map(({ path }) => path)])).toEqual([
      [2, ['/name']],
      [3, ['/size']],
      [4, ['/gap', '/wire']],
    ]);
    expect(() => readHooksCsv('name,size\nA,3/0')).toThrow(/gap, shank, wire are missing/);
  });
});
