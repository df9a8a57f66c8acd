import { describe, expect, it } from 'vitest';
import { buildHead, guessColumns, readHeads, tableCells } from './heads-table/index.ts';
import { readHooksCsv } from './hooks-csv.ts';
import { readPlasticsCsv } from './plastics-csv.ts';
import { readTable } from './table-in.ts';
import { TEMPLATE_KEYS, tableTemplate } from './templates.ts';
import { readTrialsCsv } from './trials-csv.ts';
import { readWeighingsCsv } from './weighings-csv.ts';

// Factors of the international yard and pound agreement of 1959: 1 oz = 28.349523125 g, 1 in = 25.4 mm, 1 ft
// = 0.3048 m.

describe('a unit in a heading', () => {
  it('is that of the bare numbers under it; one that stands with a number goes before', () => {
    const rows = readWeighingsCsv('cavity,weight (oz)\n1,0.39\n1,11.1 g\n2,3/8', 4);
    expect(rows.map(({ weighing }) => weighing?.grams)).toEqual([
      0.39 * 28.349523125,
      11.1,
      0.375 * 28.349523125,
    ]);
  });

  it('counts in every table, in brackets of either kind and however it is written', () => {
    const [hook] = readHooksCsv('Name,Size,Gap (inch),Shank [in.],Wire (mm)\nA,3/0,0.5,1.25,1.1');
    expect(hook?.hook).toMatchObject({ gap: 12.7, shank: 31.75, wire: 1.1 });
    const [plastic] = readPlasticsCsv(
      'name,kind,length (in),breadth (cm),height,weighed (oz)\nS,stick,5,1.2,11,0.25',
    );
    expect(plastic?.plastic).toMatchObject({
      length: 127,
      breadth: 12,
      height: 11,
      weighed: 0.25 * 28.349523125,
    });
    const [day] = readTrialsCsv('day,head,casts,depth (ft),weight (oz)\n2026-05-30,Ball,12,10,0.5');
    expect(day?.document?.places[0]?.depth).toBeCloseTo(3.048, 12);
    expect(day?.document?.rigs[0]?.grams).toBeCloseTo(14.1747615625, 12);
  });

  it('that is not known is refused by its name, with those that are: no figure is taken for another', () => {
    expect(() => readWeighingsCsv('cavity,weight (stone)\n1,0.39', 4)).toThrow(
      'Heading: “stone” is not a unit for weight. Use oz, g, lb, kg, as in “weight (oz)”.',
    );
    expect(() => readHooksCsv('name,size,gap (g),shank,wire\nA,3/0,13,31,1')).toThrow(
      /“g” is not a unit for gap/,
    );
    // Grains or grams: asked, not guessed.
    expect(() => readWeighingsCsv('cavity,weight (gr)\n1,0.39', 4)).toThrow(/“gr” is not a unit/);
    expect(readWeighingsCsv('cavity,weight\n1,6 gr', 4)[0]?.problems[0]?.message).toMatch(/grams or grains/);
  });

  it('is left aside over words, and where it is empty', () => {
    const { rows } = readTable('note (private),size ()\nx,2', ['note', 'size'], {
      note: 'text',
      size: 'size',
    });
    expect([rows[0]?.cell('note'), rows[0]?.quantity('size')]).toEqual(['x', { ok: true, value: 2 }]);
  });
});

it('semicolons go with decimal commas, as spreadsheets of half the world write them', () => {
  const rows = readWeighingsCsv('cavity;weight (g)\r\n1;11,25\r\n2;0,97\r\n', 4);
  expect(rows.map(({ weighing }) => weighing?.grams)).toEqual([11.25, 0.97]);
});

it('a day whose depth or weight cannot be read is told by its column', () => {
  const [row] = readTrialsCsv('day,head,casts,depth,weight\n2026-05-30,Ball,12,deep,-1');
  expect(row?.problems.map(({ path }) => path)).toEqual(['/depth', '/weight']);
});

describe('a template', () => {
  const read = {
    hooks: readHooksCsv,
    plastics: readPlasticsCsv,
    trials: readTrialsCsv,
    weighings: (text: string) => readWeighingsCsv(text, 2),
    heads: (text: string) => {
      if (!text.trim().includes('\n')) return [];
      const { heading, rows } = tableCells(text);
      return readHeads(guessColumns(heading), rows)
        .map((row) => buildHead(row))
        .map(({ problem, odd, guessed }) => ({
          // Its own table leaves nothing to guess.
          problems: [...(problem === undefined ? [] : [problem]), ...odd, ...guessed].map((message) => ({
            path: '',
            message,
          })),
        }));
    },
  };

  it.each(TEMPLATE_KEYS)(
    'of %s is read as it stands: no row without examples, sound ones with them',
    (key) => {
      expect(read[key](tableTemplate(key, false))).toEqual([]);
      const rows = read[key](tableTemplate(key, true));
      expect(rows.length).toBeGreaterThan(0);
      expect(rows.flatMap(({ problems }) => problems)).toEqual([]);
    },
  );
});
