import type { FeatureSpec } from '../head/features/index.ts';
import { describe, expect, it } from 'vitest';
import { evaluate } from '../judge/evaluate.ts';
import { surface } from './surface.ts';
import { SINTERED_WALL, undercuts, wireWall } from './making.ts';
import { metalTable } from '../series/metal-table.ts';
import { METALS } from '../material/metals/index.ts';
import { PLAIN_WATER } from '../judge/evaluate.ts';
import { AT_ONCE, sampleDesign } from '../test-kit/sample.test-kit.ts';
import type { SampleChange } from '../test-kit/sample.test-kit.ts';

function built(family: string, change: SampleChange = {}) {
  const result = evaluate(sampleDesign(family, change), AT_ONCE);
  if (!result.ok) throw new Error(result.problems[0]?.message);
  return result;
}
const withFeatures = (features: FeatureSpec) =>
  built('ball', { head: { dimensions: { breadth: 14 }, features } });
const flags = (result: ReturnType<typeof built>, level: string) =>
  result.flags
    .filter((flag) => flag.level === level)
    .map(({ text }) => text)
    .join(' ');

describe('wall around the wire', () => {
  it('in a ball is the least of the rays: its section’s radius less the wire’s', () => {
    const { rig } = built('ball', { head: { dimensions: { breadth: 12 } }, keeper: { kind: 'none' } });
    // A quarter of the way in the section of a sphere of radius 6 has radius √(36 − 9).
    expect(wireWall(rig)).toBeCloseTo(Math.sqrt(27) - rig.hook.wire / 2, 2);
  });

  it('is less over a channel, and a slot does not count as missing wall', () => {
    const plain = wireWall(withFeatures({}).rig);
    expect(wireWall(withFeatures({ channel: { width: 0.4, depth: 0.8 } }).rig)).toBeLessThan(plain - 1);
    expect(wireWall(withFeatures({ slot: { open: 'below', width: 1.4 } }).rig)).toBeGreaterThan(2);
  });

  it('below 0.6 mm stops a sintered head (common practice, no source)', () => {
    const thin = built('oval', {
      head: { metal: 'tungsten', dimensions: { length: 12, breadth: 2.3, height: 2.6 } },
      keeper: { kind: 'none' },
    });
    expect(wireWall(thin.rig)).toBeLessThan(SINTERED_WALL);
    expect(flags(thin, 'stop')).toMatch(/stands around the bore/);
  });
});

describe('undercuts against a mould that parts on the plane of the hook', () => {
  it.each([
    ['a plain ball', {}, false],
    ['a sole', { sole: { cut: 0.3, tilt: 10 } }, false],
    ['top flats', { flats: { cut: 0.3, slope: 20 } }, false],
    ['hollow cheeks', { cheeks: { depth: 0.3, length: 0.6, at: 0.5 } }, false],
    ['fins', { fins: { span: 0.5, length: 0.5, thickness: 1.2, at: 0.5 } }, false],
    ['a channel', { channel: { width: 0.4, depth: 0.4 } }, true],
    ['a slot', { slot: { open: 'below', width: 1.6 } }, true],
  ] as const)('%s', (_, features, isCaught) => {
    const { rig, flags } = withFeatures(features);
    const found = undercuts(rig);
    expect(found.length > 0).toBe(isCaught);
    if (isCaught) expect(found[0]?.shape?.of).toBe(Object.keys(features)[0]);
    // It is told where it is typed.
    expect(flags.filter(({ code }) => code === 'making.undercut').map(({ path }) => path)).toEqual(
      isCaught ? [`/head/features/${Object.keys(features)[0]}`] : [],
    );
  });
});

describe('surface and sphericity', () => {
  // A closed cylinder as long as it is thick: S = 3/2 π D², V = π D³/4, Ψ = π^⅓ (6V)^⅔ / S = (2/3)^⅓ = 0.8736
  // (Wadell 1935).
  it('of a short cylinder are those of the closed form', () => {
    const stations = [0, 0.5, 1].map((at) => ({ at, rise: 1, drop: 1, breadth: 1 }));
    const { rig } = built('own', {
      keeper: { kind: 'none' },
      head: { stations, symmetric: true, dimensions: { length: 12, breadth: 12, height: 12 } } as never,
    });
    const found = surface.read(rig, PLAIN_WATER);
    expect(found['head.sphericity']).toBeCloseTo(Math.cbrt(2 / 3), 2);
    expect(Number(found['head.surface']) / (1.5 * Math.PI * 144)).toBeCloseTo(1, 2);
  });
});

describe('what a metal asks for', () => {
  it.each(['collar', 'barrel'] as const)('tungsten cannot carry a cast %s', (kind) => {
    const keeper =
      kind === 'collar'
        ? ({ kind, length: 6, diameter: 2.8, barb: 0.5, barbs: 2 } as const)
        : ({ kind, length: 6, diameter: 3.6, taper: 0.2 } as const);
    expect(flags(built('ball', { head: { metal: 'tungsten' }, keeper }), 'stop')).toMatch(
      new RegExp(`cannot carry a cast ${kind}`),
    );
  });

  it('tells of bore or slot, and of two glued pieces', () => {
    const head = { metal: 'tungsten', dimensions: { breadth: 12 } };
    expect(flags(built('ball', { head, keeper: { kind: 'none' } }), 'note')).toMatch(/bore/);
    expect(
      flags(
        built('ball', {
          head: { ...head, features: { slot: { open: 'below', width: 1.4 } } },
          keeper: { kind: 'none' },
        }),
        'note',
      ),
    ).toMatch(/slot/);
    expect(flags(built('ball', { head: { ...head, pieces: 2 }, keeper: { kind: 'none' } }), 'care')).toMatch(
      /check the joint/,
    );
  });

  it('warns of details a mould may not fill', () => {
    expect(
      flags(withFeatures({ fins: { span: 0.5, length: 0.5, thickness: 0.35, at: 0.5 } }), 'care'),
    ).toMatch(/The fins measure/);
  });

  it('paint adds its layer: surface × thickness × density', () => {
    const paint = { thickness: 0.15, density: 1.4 };
    const { readings } = built('ball', {
      head: { dimensions: { breadth: 12 }, paint },
      keeper: { kind: 'none' },
    });
    expect(readings['mass.paint']?.value).toBeCloseTo((4 * Math.PI * 36 * 0.15 * 1.4) / 1000, 2);
  });
});

describe('every metal at once', () => {
  it('same weight scales by the cube root of the densities, same size by their ratio, and cost follows the price', () => {
    const { design } = built('swimmer', {
      keeper: { kind: 'none' },
      head: { target: { grams: 14, of: 'metal' } },
    });
    const rows = metalTable(
      design,
      PLAIN_WATER,
      METALS.map(({ key }) => key),
    );
    expect(rows).toHaveLength(METALS.length);
    const lead = rows.find(({ metal }) => metal.key === 'lead');
    for (const { metal, density, sameSize, sameWeight } of rows) {
      if (!sameSize.ok || !sameWeight.ok || !lead?.sameSize.ok)
        throw new Error(`${metal.key} cannot be made`);
      expect(sameSize.metal / lead.sameSize.metal).toBeCloseTo(density / 11.34, 9);
      expect(sameWeight.metal).toBeCloseTo(14, 4);
      expect(sameWeight.cost).toBeCloseTo((14 / 1000) * metal.price, 6);
      // The wire inside does not shrink with the head, so the cube root is met closely, not exactly.
      expect(sameWeight.scale / Math.cbrt(11.34 / density)).toBeCloseTo(1, 1);
    }
  });
});
