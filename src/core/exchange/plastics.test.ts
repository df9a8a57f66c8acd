import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { readPdf } from '../test-kit/pdf.test-kit.ts';
import { describe, expect, it } from 'vitest';
import { starterDesign } from '../document/starter.ts';
import { familyOf } from '../head/families/index.ts';
import { PLAIN_WATER } from '../judge/evaluate.ts';
import { PLASTIC_KINDS } from '../plastic/kinds/index.ts';
import type { Plastic } from '../plastic/schema.ts';
import { METHODS } from '../rigging/methods/index.ts';
import { exportCard } from './card.ts';
import { readPlasticsCsv, writePlasticsCsv } from './plastics-csv.ts';

const stick: Plastic = {
  format: 'fern-anvil/plastic',
  version: 1,
  name: 'Withy, "salted" 5',
  kind: 'stick',
  length: 127,
  breadth: 9.5,
  height: 9.5,
  density: 1.18,
  toughness: 'soft',
  weighed: 9.4,
  colour: '=peat',
  colourClass: 'dark',
  notes: 'two\nlines',
};

describe('a table of plastics', () => {
  it('comes back as it went out, every kind', () => {
    const all = PLASTIC_KINDS.map(({ key, make }) => ({
      ...stick,
      kind: key,
      ...(make === 'tube' || make === 'hollow' ? { wall: 1.5 } : {}),
    }));
    const rows = readPlasticsCsv(writePlasticsCsv(all));
    expect(rows.map(({ plastic }) => plastic)).toEqual(all);
    // What a spreadsheet would take for a formula goes out harmless.
    expect(writePlasticsCsv([stick])).toContain("'=peat");
  });

  it('reads semicolons, units, empty cells and names of kinds as menus call them', () => {
    const text =
      'Name;Kind;Length;Breadth;Height\nA;claw;3.5 in;17 mm;0.5"\nB;Single curl-tail grub;76;10;10';
    const [a, b] = readPlasticsCsv(text).map(({ plastic }) => plastic);
    expect(a).toMatchObject({
      name: 'A',
      kind: 'claw',
      length: expect.closeTo(88.9, 9) as number,
      breadth: 17,
      height: 12.7,
      toughness: 'standard',
    });
    expect(b).toMatchObject({ kind: 'curl-tail', density: 1.04 });
  });

  it.each([
    ['name,length\nA,1', /Heading: kind, breadth, height are missing/],
    ['', /Heading/],
    [`name,kind,length,breadth,height\n${'A,claw,80,10,10\n'.repeat(2001)}`, /at most 2000/],
  ])('a table that cannot be read is refused in a sentence', (text, message) => {
    expect(() => readPlasticsCsv(text)).toThrow(message);
  });

  it.each([
    [',claw,80,10,10', '/name'],
    ['A,sausage,80,10,10', '/kind'],
    ['A,claw,8000,10,10', '/length'],
    ['A,claw,80,x,10', '/breadth'],
    ['A,claw,80,10,', '/height'],
  ])('each wrong cell is told: %s', (row, path) => {
    const [first] = readPlasticsCsv(`name,kind,length,breadth,height\n${row}`);
    expect(first?.plastic).toBeUndefined();
    expect(first?.line).toBe(2);
    expect(first?.problems.map((problem) => problem.path)).toEqual([path]);
  });
  it('and a word that is none of those offered', () => {
    const [row] = readPlasticsCsv(
      'name,kind,length,breadth,height,toughness,class\nA,claw,80,10,10,hard,loud',
    );
    expect(row?.problems.map(({ path }) => path)).toEqual(['/toughness', '/class']);
  });
});

describe('a rigging card', () => {
  const design = (key: string) => {
    const family = familyOf(key);
    if (!family) throw new Error(key);
    return { ...starterDesign(family, 'Ålder wedge'), name: 'Ålder wedge' };
  };
  async function textOf(bytes: string | Uint8Array): Promise<string> {
    if (typeof bytes === 'string') throw new Error('not a PDF');
    const { pages, pieces } = await readPdf(bytes);
    expect(pages).toBe(1);
    return pieces.join(' ');
  }

  it.each(METHODS.map(({ key }) => key))('%s: one page with its steps, lengths and name', async (method) => {
    const made = await exportCard(
      design('wedge'),
      { plastic: { ...stick, weighed: undefined }, method },
      PLAIN_WATER,
      'metric',
    );
    if (!made.ok) throw new Error(made.problems[0]?.message);
    const text = await textOf(made.data);
    expect(text).toContain('on Ålder wedge');
    expect(text).toMatch(/1\. \w/);
    expect(text).toMatch(/\d mm/);
    expect(text).toContain('True scale when printed at 100%');
    expect(text).toContain('Hooks pierce');
    expect(text).not.toMatch(/NaN|undefined/);
  });

  it('follows the spec sheet where asked, with every reading as rigged', async () => {
    const made = await exportCard(
      design('wedge'),
      { plastic: { ...stick, weighed: undefined }, method: 'threaded' },
      PLAIN_WATER,
      'metric',
      true,
    );
    if (!made.ok || typeof made.data === 'string') throw new Error('no sheet');
    const document = await getDocument({ data: made.data.slice(), verbosity: 0 }).promise;
    expect(document.numPages).toBe(3);
    const text = async (page: number) =>
      (await (await document.getPage(page)).getTextContent()).items
        .map((item) => ('str' in item ? item.str : ''))
        .join(' ');
    expect(await text(2)).toContain('Head and plastic');
    expect(await text(3)).toContain('True scale');
  });

  it('a bait longer than the paper is drawn smaller, and says so; in inches where asked', async () => {
    const long = { ...stick, length: 390, breadth: 14, height: 14 };
    const made = await exportCard(
      design('wedge'),
      { plastic: long, method: 'threaded' },
      PLAIN_WATER,
      'imperial',
    );
    if (!made.ok) throw new Error(made.problems[0]?.message);
    const text = await textOf(made.data);
    expect(text).toContain('1:2');
    expect(text).toMatch(/\d in\b/);
  });

  it('the drawing is at true scale: the ruler’s ticks stand 5 mm apart on the paper', async () => {
    const made = await exportCard(
      design('wedge'),
      { plastic: { ...stick, weighed: undefined }, method: 'threaded' },
      PLAIN_WATER,
      'metric',
    );
    if (!made.ok || typeof made.data === 'string') throw new Error('no card');
    const document = await getDocument({ data: made.data.slice(), verbosity: 0 }).promise;
    const items = (await (await document.getPage(1)).getTextContent()).items;
    const at = (label: string) => {
      const item = items.find((one) => 'str' in one && one.str === label);
      if (!item || !('transform' in item)) throw new Error(`no tick ${label}`);
      return (item.transform as number[])[4] ?? NaN;
    };
    // From the tick of 20 to that of 100: 80 mm at 72 points to the inch.
    expect(Math.abs(at('20') - at('100'))).toBeCloseTo((80 * 72) / 25.4, 1);
  });

  it('a design that cannot be built is told in words', async () => {
    const ball = design('ball');
    const made = await exportCard(
      { ...ball, head: { ...ball.head, metal: 'cheese' } },
      { plastic: stick, method: 'threaded' },
      PLAIN_WATER,
      'metric',
    );
    expect(made.ok).toBe(false);
  });
});
