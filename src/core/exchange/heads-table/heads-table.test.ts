import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { checkDesignDocument } from '../../../contract/collections/designs.ts';
import { headMass, metalPart } from '../../assembly/rig.ts';
import { articleProblems, eanCheckDigit, eanProblem } from '../../document/article.ts';
import { starterDesign } from '../../document/starter.ts';
import { DRAWN_FAMILIES } from '../../head/families/index.ts';
import { evaluate } from '../../judge/evaluate.ts';
import { GRAMS_PER_OUNCE } from '../../quantity/units.ts';
import { barsOf } from '../wall-plan.ts';
import {
  buildHead,
  doubleFinder,
  guessColumns,
  HEAD_FIELD_KEYS,
  knownHeads,
  readHeads,
  tableCells,
  writeHeadsCsv,
} from './index.ts';

const heads = (text: string) => {
  const { heading, rows } = tableCells(text);
  return readHeads(guessColumns(heading), rows).map((row) => buildHead(row));
};
const grams = (design: Parameters<typeof evaluate>[0]) => {
  const result = evaluate(design);
  if (!result.ok) throw new Error(result.problems[0]?.message);
  return { metal: metalPart(result.rig).mass, all: headMass(result.rig), result };
};

describe('an EAN-13', () => {
  it('ends in the check digit of the standard', () => {
    // GS1 General Specifications, 7.9, worked example of a check digit: 629104150021 → 3. (From memory.)
    expect(eanCheckDigit('629104150021')).toBe(3);
    expect(eanProblem('6291041500213')).toBeUndefined();
    expect(articleProblems({ ean: '6291041500214' })).toEqual([
      { path: '/article/ean', message: expect.stringContaining('is 3, not 4') as string },
    ]);
  });

  it('with one digit wrong, or two neighbours changed that do not differ by five, is found out', () => {
    fc.assert(
      fc.property(
        fc.stringMatching(/^\d{12}$/),
        fc.nat(12),
        fc.integer({ min: 1, max: 9 }),
        (twelve, at, by) => {
          const right = `${twelve}${eanCheckDigit(twelve)}`;
          expect(eanProblem(right)).toBeUndefined();
          const digit = (Number(right[at]) + by) % 10;
          expect(eanProblem(right.slice(0, at) + String(digit) + right.slice(at + 1))).toBeDefined();
          const [a, b] = [Number(right[at % 12]), Number(right[(at % 12) + 1])];
          if (a === b || Math.abs(a - b) === 5) return;
          const turned = right.slice(0, at % 12) + String(b) + String(a) + right.slice((at % 12) + 2);
          expect(eanProblem(turned)).toBeDefined();
        },
      ),
    );
  });

  it('is drawn as the standard draws it: 95 modules between guards of 101, 01010 and 101', () => {
    // ISO/IEC 15420: three modules at either end, five in the middle, seven for each of twelve digits.
    const bars = barsOf('6291041500213');
    expect(bars.reduce((sum, width) => sum + width, 0)).toBe(95);
    expect(bars.slice(0, 3)).toEqual([1, 1, 1]);
    expect(bars.slice(-3)).toEqual([1, 1, 1]);
    // The last digit, 3, on the right is 1000010: bar 1, gap 4, bar 1, gap 1.
    expect(bars.slice(-7, -3)).toEqual([1, 4, 1, 1]);
  });

  it('of a document is refused with its field where its check digit is wrong', () => {
    const design = starterDesign(DRAWN_FAMILIES[0] as (typeof DRAWN_FAMILIES)[number], 'Ball');
    expect(checkDesignDocument({ ...design, article: { ean: '6291041500213' } }).ok).toBe(true);
    const refused = checkDesignDocument({ ...design, article: { ean: '6291041500219' } });
    expect(refused.ok ? [] : refused.problems.map(({ path }) => path)).toEqual(['/article/ean']);
  });
});

describe('columns of a table of heads', () => {
  it('are known by the headings price lists have, each thing once, the best named first', () => {
    const columns = guessColumns([
      'SKU',
      'Product',
      'Wt. (oz)',
      'Weight',
      'Hook',
      'Colour',
      'RRP',
      'On hand',
    ]);
    expect(columns.map(({ field }) => field)).toEqual([
      'number',
      'name',
      undefined,
      'weight',
      'hook',
      undefined,
      'price',
      'stock',
    ]);
  });

  it('every heading the table itself writes is read as what it is', () => {
    const { heading } = tableCells(`${writeHeadsCsv([])}a,b`);
    expect(guessColumns(heading).map(({ field }) => field)).toEqual([...HEAD_FIELD_KEYS]);
  });

  it('a unit is heeded, and one that is not known is asked about and not guessed', () => {
    expect(guessColumns(['Name', 'Weight (oz)'])[1]).toMatchObject({ field: 'weight', unit: 'oz' });
    expect(guessColumns(['Name', 'Weight (stone)'])[1]?.problem).toContain(
      '“stone” is not a unit for weight',
    );
  });
});

describe('a head of a table', () => {
  it('weighs what its row says, of every shape and in every unit', () => {
    const rows = DRAWN_FAMILIES.map(({ name }) => `${name} one,${name},3/8,tungsten`).join('\n');
    for (const { name, design, problem, guessed } of heads(`name,shape,weight (oz),metal\n${rows}`)) {
      expect(problem, name).toBeUndefined();
      expect(
        guessed.some((text) => text.startsWith('shape')),
        name,
      ).toBe(false);
      expect(design && grams(design).metal, name).toBeCloseTo((3 / 8) * GRAMS_PER_OUNCE, 2);
    }
  });

  it('with sizes is built to them, and a metal they deny is told', () => {
    // A sphere of 10 mm is π/6·10³ = 523.6 mm³ less its hook: 5.9 g of lead, 9.5 g of tungsten.
    const [lead, wrong] = heads(
      'name,shape,weight,metal,keeper,diameter\nA,ball,5.8 g,lead,none,10\nB,ball,5.8 g,tungsten,none,10',
    );
    expect(lead?.design?.head.dimensions['diameter'] ?? lead?.design?.head.dimensions['breadth']).toBeCloseTo(
      10,
      1,
    );
    expect(lead?.odd).toEqual([]);
    expect(wrong?.odd.length).toBe(1);
  });

  it('says what was assumed, what is odd, and what keeps it from being made', () => {
    const [bare, strange, none] = heads(
      'name,weight,hook,shape,EAN\nMarsh cone 3/0,3/8,,,\nB,500,99,blob,123\nC,,,ball,',
    );
    expect(bare?.guessed.join()).toContain('shape Pointed cone, from the name');
    expect(bare?.design?.hook.size).toBe('3/0');
    expect(bare?.grams).toBeCloseTo((3 / 8) * GRAMS_PER_OUNCE, 6);
    expect(strange?.odd.join(' ')).toMatch(/strange weight.*“blob”|“blob”.*strange weight/s);
    expect(strange?.odd.join(' ')).toContain('EAN 123');
    expect(strange?.design?.article).toBeUndefined();
    expect(none?.design).toBeUndefined();
    expect(none?.problem).toContain('Weight: enter one');
  });

  it('that is there already, by EAN, number or name, or stands in the table twice, is told as a double', () => {
    const doubleOf = doubleFinder(
      knownHeads([{ name: 'Ledge Ball 1/4', number: 'LB-14', ean: '6291041500213' }]),
    );
    const rows = heads(
      'name,weight,sku,ean\nledge ball 1/4,1/4,,\nOther,1/4,lb 14,\nThird,1/4,,6291041500213\nNew,1/4,,\nnew,1/4,,',
    );
    expect(rows.map((row) => doubleOf(row))).toEqual([
      'Ledge Ball 1/4',
      'Ledge Ball 1/4',
      'Ledge Ball 1/4',
      undefined,
      'line 5',
    ]);
  });

  it('written out and read again is the head it was, with its article', () => {
    const designs = DRAWN_FAMILIES.map((family, i) => ({
      ...starterDesign(family, `Head ${i}`),
      article: {
        number: `A-${i}`,
        ean: '6291041500213',
        price: 2.5,
        pack: 3,
        supplier: 'Skarn, “x”',
        stock: i,
      },
      notes: '=1+1',
    }));
    const built = designs.map((design) => ({ design, ...grams(design) }));
    const read = heads(
      writeHeadsCsv(built.map(({ result, metal }) => ({ design: result.design, grams: metal }))),
    );
    for (const [i, { design, metal }] of built.entries()) {
      const [row, back] = [read[i], read[i]?.design];
      expect(row?.problem, design.head.family).toBeUndefined();
      expect(back, design.head.family).toMatchObject({
        name: design.name,
        article: design.article,
        notes: design.notes,
        hook: { size: design.hook.size, grade: design.hook.grade },
        keeper: { kind: design.keeper.kind },
        guard: { kind: design.guard.kind },
        head: { family: design.head.family, metal: design.head.metal },
      });
      expect(back && grams(back).metal / metal, design.head.family).toBeCloseTo(1, 2);
    }
  });

  it('never throws, whatever stands in the cells', () => {
    const cell = fc.oneof(
      fc.string({ maxLength: 20 }),
      fc.constantFrom('1/4', '3/0', '1e9', '-1', '0', '½', '1,000', '='),
    );
    fc.assert(
      fc.property(
        fc.array(fc.array(cell, { minLength: 20, maxLength: 20 }), { minLength: 1, maxLength: 3 }),
        (rows) => {
          const columns = HEAD_FIELD_KEYS.map((field) => ({ heading: field, field, unit: undefined }));
          for (const row of readHeads(columns, rows).map((one) => buildHead(one)))
            if (row.design) expect(checkDesignDocument(row.design)).toMatchObject({ ok: true });
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('a spreadsheet’s cells', () => {
  it('are found under a title, with dates taken back to the weights they were typed as', () => {
    const { heading, rows } = tableCells([
      ['Price list', null],
      [null, null],
      ['Name', 'Weight'],
      ['Ball', new Date(Date.UTC(2026, 2, 8))],
      ['Cone', 0.1 + 0.2],
    ]);
    expect(heading).toEqual(['Name', 'Weight']);
    expect(rows).toEqual([
      ['Ball', '3/8'],
      ['Cone', '0.3'],
    ]);
    expect(() => tableCells('only one')).toThrow(/no rows under a heading/);
  });
});
