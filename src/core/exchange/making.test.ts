import { beforeAll, describe, expect, it } from 'vitest';
import { starterDesign } from '../document/starter.ts';
import { newMould, newTrial } from '../document/begun.ts';
import { photoPlacement } from '../document/photo.ts';
import { freshRig } from '../document/trial.ts';
import type { Trial } from '../document/trial.ts';
import { football } from '../head/families/football.ts';
import { loadSolids } from '../head/kernel.ts';
import { massProperties, openEdges } from '../head/mesh.ts';
import { exportMould } from './mould-files.ts';
import { readStl } from './stl.ts';
import { readThreeMf } from './threemf.ts';
import { readTrialsCsv, writeTrialsCsv } from './trials-csv.ts';
import { barsOf, codeText, writeWallPlan } from './wall-plan.ts';
import { readWeighingsCsv, writeWeighingsCsv } from './weighings-csv.ts';

beforeAll(() => loadSolids());

describe('files of a mould', () => {
  const design = starterDesign(football, 'Football');
  const mould = newMould(design, 'football', 'pour');
  it('are closed halves in both formats, of one volume', async () => {
    const [stl, packed] = await Promise.all([exportMould(mould, 'left.stl'), exportMould(mould, 'left.3mf')]);
    if (!stl.ok || !packed.ok) throw new Error('not written');
    const [one, other] = [readStl(stl.data as Uint8Array), readThreeMf(packed.data as Uint8Array)];
    expect(openEdges(one)).toBe(0);
    expect(openEdges(other)).toBe(0);
    expect(massProperties(one).volume / massProperties(other).volume).toBeCloseTo(1, 5);
    const told = await exportMould(mould, 'volumes.json');
    const volumes = JSON.parse(told.ok ? String(told.data) : '{}') as { left: number };
    expect(massProperties(one).volume / volumes.left).toBeCloseTo(1, 5);
  });
  it('have a drawing at true scale with the block’s sizes in the reader’s units', async () => {
    const [metric, imperial] = await Promise.all([
      exportMould(mould, 'drawing.svg'),
      exportMould(mould, 'drawing.svg', undefined, 'imperial'),
    ]);
    expect(metric.ok && metric.data).toMatch(/[\d.]+ mm<\/text>/);
    expect(imperial.ok && imperial.data).toMatch(/[\d.]+ in<\/text>/);
    const dxf = await exportMould(mould, 'drawing.dxf');
    expect(dxf.ok && String(dxf.data)).toContain('LWPOLYLINE');
  });
  it('are refused in words where a cavity cannot be built', async () => {
    const wrong = await exportMould(
      { ...mould, cavities: [{ design: { ...design, hook: { ...design.hook, size: '#99' } }, cuts: [] }] },
      'left.stl',
    );
    expect(wrong).toMatchObject({ ok: false });
    expect(!wrong.ok && wrong.problems[0]?.path).toMatch(/^\/cavities\/0\/design\/hook/);
  });
});

describe('weights as a table', () => {
  it('come back as they went out, repeats and all', () => {
    const weighings = [
      { cavity: 1, piece: 1, grams: 1.94, by: 'scale' as const },
      { cavity: 1, piece: 1, grams: 1.95, by: 'typed' as const },
      { cavity: 2, piece: 1, grams: 1.9, by: 'scale' as const },
    ];
    const rows = readWeighingsCsv(writeWeighingsCsv(weighings), 2);
    expect(rows.map(({ weighing }) => weighing)).toEqual(weighings.map((one) => ({ ...one, by: 'file' })));
  });
  it('count pieces where none are named, take units, and tell each wrong row', () => {
    const rows = readWeighingsCsv('weight;cavity\n1/16 oz;1\n1,9 g;1\n-3;1\n2;7\nheavy;2', 2);
    expect(rows.map(({ weighing }) => weighing?.piece)).toEqual([1, 2, undefined, undefined, undefined]);
    expect(rows[0]?.weighing?.grams).toBeCloseTo(1.7718, 4);
    expect(rows.slice(2).every(({ problems }) => problems.length > 0)).toBe(true);
    expect(() => readWeighingsCsv('grams\n1', 2)).toThrow(/cavity, weight/);
  });
});

describe('days as a table', () => {
  const day: Trial = {
    ...newTrial('Off the staithe', '2026-05-30'),
    places: [{ name: 'Reef', depth: 6, bottom: 'rock', cover: 'kelp' }, { name: 'Sand' }],
    rigs: [
      {
        ...freshRig('Ball', 0),
        casts: 20,
        hangUps: 3,
        freed: 2,
        lost: 1,
        hours: 1.5,
        grams: 7.1,
        method: 'threaded',
      },
      { ...freshRig('=Oval', 1), casts: 5, touches: 2, hookUps: 1, landed: 1, plastic: 'Grub' },
    ],
  };
  it('come back as they went out', () => {
    expect(readTrialsCsv(writeTrialsCsv([day])).map(({ document }) => document)).toEqual([day]);
    // What a spreadsheet would reckon is kept from it.
    expect(writeTrialsCsv([day])).toContain("'=Oval");
  });
  it('tell each wrong row and keep days apart', () => {
    const rows = readTrialsCsv(
      'day,head,casts,method\n2026-02-01,A,3,\n2026-02-02,A,x,\n2026-02-01,B,1,flung\n,C,1,',
    );
    expect(rows.filter(({ document }) => document)).toHaveLength(1);
    expect(rows.filter(({ problems }) => problems.length > 0).map(({ line }) => line)).toEqual([3, 4, 5]);
  });
});

describe('a wall plan', () => {
  it('codes are Code 128: eleven modules a sign, thirteen for the stop, and the check sign of the standard', () => {
    // ISO/IEC 15417: start, each sign, check and stop; of “AB12”-like text in one set: (1 + n + 1) · 11 + 13
    // modules.
    const bars = barsOf('PIP-A');
    expect(bars.reduce((sum, width) => sum + width, 0)).toBe((1 + 5 + 1) * 11 + 13);
    // Start B is 211214, and the stop 2331112.
    expect(bars.slice(0, 6)).toEqual([2, 1, 1, 2, 1, 4]);
    expect(bars.slice(-7)).toEqual([2, 3, 3, 1, 1, 1, 2]);
    // The check: (104 + Σ i · value) mod 103, P I P - A = 48 41 48 13 33.
    const check = (104 + 48 + 2 * 41 + 3 * 48 + 4 * 13 + 5 * 33) % 103;
    expect(check).toBe(80);
    // The sign of that value is the letter p, which stands at 32 + 80 of the ASCII table.
    expect(bars.slice(-13, -7)).toEqual(barsOf('p').slice(6, 12));
    expect(codeText('größe-✓')).toBe('gre-');
    expect(codeText('✓')).toBe('');
  });
  it('has a label for every peg', async () => {
    const pegs = Array.from({ length: 20 }, (_, i) => ({
      name: `Head ${i}`,
      what: '10 g, lead, hook 3/0',
      code: `head-${i}`,
      price: '1.20',
      serves: ['Reeds'],
    }));
    const pdf = Buffer.from(await writeWallPlan('Wall', pegs)).toString('latin1');
    expect(pdf.startsWith('%PDF-')).toBe(true);
    expect(pdf.match(/\/Type\s*\/Page\b/g)?.length ?? 0).toBeLessThanOrEqual(2);
  });
});

describe('a photograph under the plate', () => {
  it('lies with its marks on rear and nose, to scale, whichever way it was held', () => {
    const at = (m: NonNullable<ReturnType<typeof photoPlacement>>, u: number, v: number) =>
      [m[0] * u + m[2] * v + m[4], m[1] * u + m[3] * v + m[5]] as const;
    for (const [rear, nose] of [
      [
        [100, 200],
        [300, 200],
      ],
      [
        [300, 180],
        [120, 260],
      ],
      [
        [50, 10],
        [50, 400],
      ],
    ] as const) {
      const placed = photoPlacement({ rear, nose, length: 12 });
      if (!placed) throw new Error('not placed');
      expect(at(placed, rear[0], rear[1])[0]).toBeCloseTo(0, 9);
      expect(at(placed, rear[0], rear[1])[1]).toBeCloseTo(0, 9);
      expect(at(placed, nose[0], nose[1])[0]).toBeCloseTo(12, 9);
      expect(at(placed, nose[0], nose[1])[1]).toBeCloseTo(0, 9);
      const flipped = photoPlacement({ rear, nose, length: 12, flipped: true });
      expect(flipped && at(flipped, 0, 0)[1]).toBeCloseTo(-at(placed, 0, 0)[1], 9);
    }
    // Held level with the nose to the right, what is higher in the picture is higher on the plate.
    const level = photoPlacement({ rear: [0, 100], nose: [100, 100], length: 10 });
    expect(level && at(level, 0, 50)[1]).toBeCloseTo(5, 9);
    expect(photoPlacement({ rear: [1, 1], nose: [1, 1], length: 10 })).toBeUndefined();
  });
});
