import type { KeeperSpec } from './keepers/index.ts';
import type { GuardSpec } from './guards/index.ts';
import { describe, expect, it } from 'vitest';
import { assemble } from '../assembly/assemble.ts';
import { drawingOf } from '../plate/drawing.ts';
import { evaluate } from '../judge/evaluate.ts';
import { completeDimensions } from '../head/family.ts';
import { ball } from '../head/families/ball.ts';
import { pointed } from '../head/families/pointed.ts';
import { FIBRE_DENSITY, STEEL_DENSITY } from '../material/densities.ts';
import { AT_ONCE, sampleDesign } from '../test-kit/sample.test-kit.ts';
import { collarBulk } from '../head/quadrature.ts';
import { sectionHolds } from '../head/profile.ts';
import { pathLength } from '../hook/polyline.ts';
import type { Profile } from '../head/profile.ts';
import type { GuardBody, GuardGround } from './guards/guard.ts';
import { guardBody, guardInitial, GUARDS } from './guards/index.ts';
import { HOLD_REFERENCE, keeperBody, keeperInitial, KEEPERS } from './keepers/index.ts';
import { wireKeeperPath } from './keepers/wire.ts';

const fibre: Extract<GuardSpec, { kind: 'fibre' }> = {
  kind: 'fibre',
  count: 16,
  fibre: 0.4,
  length: 60,
  lean: 45,
  setback: 0.5,
  fan: 20,
  trimmed: true,
};
const collarSpec: Extract<KeeperSpec, { kind: 'collar' }> = {
  kind: 'collar',
  length: 7,
  diameter: 2.8,
  barb: 0.6,
  barbs: 2,
};
const profile = ball.profile(completeDimensions(ball, { breadth: 12 }));

const tip = [-10, 0, 16] as const;
const on = (profile: Profile): GuardGround => ({
  length: profile.length,
  crown: (x) => profile.section(x).t,
  tip,
  holds: (x, y, z) => x >= 0 && sectionHolds(profile.section(x), y, z),
});
/** A guard on the ball of this file. */
function guarded(spec: GuardSpec, ground = on(profile)): GuardBody {
  const built = guardBody(spec, ground);
  if (!built) throw new Error('there is no guard');
  return built;
}

describe('fibre guard', () => {
  it('stands on the crown and leans back to the point', () => {
    const { base, along, end } = guarded(fibre);
    expect(base).toEqual([6, 0, 6]);
    expect(along[0]).toBeLessThan(0);
    expect(along[2]).toBeGreaterThan(0);
    expect(Math.hypot(...along)).toBeCloseTo(1, 12);
    expect(end[0]).toBeLessThan(base[0]);
  });

  it('trimmed, its ends lie level with the point; as bought they do not', () => {
    const trimmed = guarded(fibre);
    expect(trimmed.overPoint).toBeCloseTo(0, 9);
    // From a crown at 6 to a point at 16 at 45°: 10·√2 of fibre.
    expect(trimmed.free).toBeCloseTo(10 * Math.SQRT2, 9);
    const bought = guarded({ ...fibre, trimmed: false });
    expect(bought.free).toBe(60);
    expect(bought.overPoint).toBeCloseTo(60 / Math.SQRT2 - 10, 9);
  });

  it('cannot be trimmed longer than it was bought', () => {
    const short = guarded({ ...fibre, length: 5 });
    expect(short.free).toBe(5);
    expect(short.overPoint).toBeLessThan(0);
  });

  it('says where it passes the point: at 45° it meets the height of the point 10 mm behind its base', () => {
    expect(guarded(fibre).pastPoint).toBeCloseTo(-10 - (6 - 10), 9);
    // Leaning it up more carries it past the point further forward.
    expect(guarded({ ...fibre, lean: 60 }).pastPoint).toBeLessThan(guarded(fibre).pastPoint);
  });

  it('weighs its nylon, free and glued', () => {
    const design = sampleDesign('ball', { guard: fibre });
    const { guard, parts } = assemble(design);
    if (!guard) throw new Error('there is no guard');
    const volume = 16 * Math.PI * 0.2 ** 2 * (guard.free + guard.depth);
    expect(parts.find(({ name }) => name === 'guard')?.mass).toBeCloseTo(
      (FIBRE_DENSITY.nylon * volume) / 1000,
      9,
    );
  });

  it('its hole never reaches the shank', () => {
    for (const breadth of [5, 8, 12, 20]) {
      const { bore } = guarded(fibre, on(ball.profile({ breadth })));
      expect(bore[0]?.[2]).toBeGreaterThan(0);
    }
  });

  it('too short a guard is told, a trimmed one that reaches is not', () => {
    const flags = (guard: Extract<GuardSpec, { kind: 'fibre' }>) => {
      const result = evaluate(sampleDesign('pointed', { guard }), AT_ONCE);
      return result.ok ? result.flags.map(({ path }) => path) : [];
    };
    expect(flags({ ...fibre, length: 4 })).toContain('/guard/length');
    expect(flags({ ...fibre, lean: 30, setback: 0.55 })).not.toContain('/guard/length');
  });
});

describe('wire keeper', () => {
  const keeper = { kind: 'wire', length: 9, wire: 0.6, flare: 15 } as const;

  it('starts in the metal, leaves by the rear face beside the shank and flares away from it', () => {
    const path = wireKeeperPath(keeper, 1.1);
    expect(path[0]?.[0]).toBeGreaterThan(0);
    const end = path.at(-2);
    expect(end?.[0]).toBeCloseTo(-9 * Math.cos((15 * Math.PI) / 180), 9);
    expect(end?.[2]).toBeLessThan(path[0]?.[2] ?? 0);
    // Wire and hook do not run into each other.
    for (const [, , z] of path) expect(Math.abs(z)).toBeGreaterThan((1.1 + 0.6) / 2);
  });

  it('ends in a hook that points back to the head', () => {
    const path = wireKeeperPath(keeper, 1.1);
    expect(path.at(-1)?.[0]).toBeGreaterThan(path.at(-2)?.[0] ?? 0);
  });

  it('weighs its steel, and its anchor takes the place of metal', () => {
    const withKeeper = assemble(sampleDesign('ball', { keeper }));
    const without = assemble(sampleDesign('ball', { keeper: { kind: 'none' } }));
    const section = Math.PI * 0.3 ** 2;
    const part = withKeeper.parts.find(({ name }) => name === 'keeper');
    expect(part?.mass).toBeCloseTo((STEEL_DENSITY * (part?.volume ?? 0)) / 1000, 12);
    const gone = (without.parts[0]?.volume ?? 0) - (withKeeper.parts[0]?.volume ?? 0);
    expect(gone).toBeGreaterThan(section * 2);
    expect(gone).toBeLessThan(section * 3.2);
  });
});

describe('the drawing', () => {
  it.each(['ball', 'football', 'pointed'])('of a %s is the rig’s own geometry', (family) => {
    const design = sampleDesign(family, { guard: guardInitial('fibre'), keeper: keeperInitial('wire') });
    const result = evaluate(design, AT_ONCE);
    if (!result.ok) throw new Error(result.problems[0]?.message);
    const { rig, readings } = result;
    const drawing = drawingOf(rig, 16);
    expect(drawing.length).toBe(readings['head.length']?.value);
    expect(drawing.breadth).toBe(readings['head.breadth']?.value);
    expect(drawing.height).toBe(readings['head.height']?.value);
    expect(drawing.tip[1] - drawing.eye.top).toBeCloseTo(readings['hook.biteAboveEye']?.value ?? NaN, 9);
    expect(drawing.tip[1] - drawing.wire).toBeCloseTo(readings['hook.gap']?.value ?? NaN, 9);
    expect(drawing.centre[0]).toBeCloseTo(readings['mass.centreX']?.value ?? NaN, 9);
    expect(drawing.keeper[0]?.wire).toBeCloseTo(0.6, 2);
    expect(drawing.guard?.fan).toBe(16);
    // The handle of the breadth sits where the head is widest.
    expect(2 * rig.profile.section(drawing.fullest).b).toBeCloseTo(drawing.breadth, 3);
  });

  it('crosses to the interface as plain data', () => {
    const drawing = drawingOf(assemble(sampleDesign('pointed', { guard: guardInitial('fibre') })), 20);
    expect(structuredClone(drawing)).toEqual(drawing);
    expect(JSON.stringify(drawing).length).toBeLessThan(20_000);
  });

  it('a pointed head is widest at its shoulder', () => {
    const design = sampleDesign('pointed', {
      head: { dimensions: { ...completeDimensions(pointed, {}), shoulder: 0.4, length: 20 } },
    });
    expect(drawingOf(assemble(design)).fullest).toBeCloseTo(8, 1);
  });
});

describe('keepers', () => {
  const ground = { profile: ball.profile({ breadth: 14 }), wire: 1 };
  const built = (kind: KeeperSpec['kind']) => {
    const body = keeperBody(keeperInitial(kind), ground);
    if (!body) throw new Error('the head does not take it');
    return body;
  };

  it.each(KEEPERS.map(({ key }) => [key as KeeperSpec['kind']] as const))(
    '%s: what goes into the plastic is what its metal and wire reach back',
    (kind) => {
      const { cast, wires, insertion } = built(kind);
      const reach = Math.max(0, cast ? -cast.from : 0, ...wires.flatMap(({ path }) => path.map(([x]) => -x)));
      expect(insertion).toBeCloseTo(reach, 9);
    },
  );

  it('a screw is a helix: as long as turns of √((2πR)² + pitch²)', () => {
    const spec = keeperInitial('screw');
    if (spec.kind !== 'screw') throw new Error();
    const [wire] = built('screw').wires;
    const radius = (spec.diameter - spec.wire) / 2;
    const turn = Math.hypot(2 * Math.PI * radius, spec.length / spec.turns);
    // Anchor of 3 mm and the stand-off run straight.
    expect(pathLength(wire?.path ?? [])).toBeCloseTo(spec.turns * turn + 3 + spec.standoff, 0);
  });

  it('the everyday barbed collar holds as much as itself, more barbs more, none at all little', () => {
    expect(built('collar').holdArea / HOLD_REFERENCE).toBeCloseTo(1, 9);
    const hold = (barbs: number) => keeperBody({ ...collarSpec, barbs }, ground)?.holdArea ?? NaN;
    expect(hold(3)).toBeGreaterThan(hold(2));
    expect(hold(0)).toBeLessThan(0.4 * hold(2));
    expect(built('none').holdArea).toBe(0);
  });

  it('a barrel is two frustums and a neck', () => {
    const cast = keeperBody({ kind: 'barrel', length: 10, diameter: 4, taper: 0.5 }, ground)?.cast;
    if (!cast) throw new Error();
    // Radius 1 at the rear, 2 at the bulge 3.8 mm behind the face, 1.64 at the face (frustum: π·h/3·(R² + R·r
    // + r²)).
    const frustum = (h: number, a: number, b: number) => (Math.PI * h * (a * a + a * b + b * b)) / 3;
    // On a face broader than itself nothing of it stands out of the head in front.
    const block: Profile = {
      length: 10,
      breaks: [0, 10],
      section: () => ({ b: 10, t: 10, d: 10, nt: 2, nb: 2 }),
    };
    expect(collarBulk(block, cast).volume).toBeCloseTo(frustum(6.2, 1, 2) + frustum(3.8, 2, 1.64), 6);
  });
});

describe('guards of every kind', () => {
  it.each(GUARDS.filter(({ isBare }) => !isBare).map(({ key }) => [key] as const))(
    '%s stands on the crown, leans back and weighs what its strands do',
    (kind) => {
      const guard = guarded(guardInitial(kind));
      const spec = guardInitial(kind);
      if (spec.kind === 'none') throw new Error();
      expect(guard.base[0]).toBeCloseTo(12 * (1 - spec.setback), 9);
      expect(guard.end[0]).toBeLessThan(guard.base[0]);
      expect(guard.volume).toBeGreaterThan(0);
      const free = guard.strands.reduce(
        (sum, { path, diameter }) => sum + pathLength(path) * (Math.PI / 4) * diameter ** 2,
        0,
      );
      // What is set in the head comes on top; a brush shows three of its fibres.
      if (kind !== 'fibre') {
        expect(guard.volume).toBeGreaterThan(free);
        expect(guard.volume).toBeLessThan(free * 1.6);
      }
    },
  );

  it('lighter fibres make a lighter guard', () => {
    expect(guarded({ ...fibre, material: 'polypropylene' }).density).toBeLessThan(guarded(fibre).density);
    expect(guarded({ ...fibre, material: 'fluorocarbon' }).density).toBeGreaterThan(guarded(fibre).density);
  });

  it('a trim line over the point is met', () => {
    expect(guarded({ ...fibre, over: 3 }).overPoint).toBeCloseTo(3, 9);
    expect(guarded({ ...fibre, over: -2 }).overPoint).toBeCloseTo(-2, 9);
  });

  it('a twin wire is two cylinders: free length and what is set in', () => {
    const spec = { kind: 'twin wire', wire: 0.4, length: 20, spread: 0, lean: 45, setback: 0.5 } as const;
    const guard = guarded(spec);
    expect(guard.volume).toBeCloseTo(2 * (Math.PI / 4) * 0.16 * (20 + guard.depth), 6);
  });
});
