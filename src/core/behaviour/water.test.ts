import { describe, expect, it } from 'vitest';
import { share } from '../test-kit/runs.ts';
import { withBait } from '../assembly/assemble.ts';
import type { Rig } from '../assembly/rig.ts';
import { castSolid } from '../assembly/cast-solid.ts';
import { submerged } from '../assembly/submerged.ts';
import { guardInitial } from '../fitting/guards/index.ts';
import { packSolid } from '../head/imported.ts';
import { DRAWN_FAMILIES, FAMILIES } from '../head/families/index.ts';
import { loadSolids, solids } from '../head/kernel.ts';
import type { Mesh } from '../head/mesh.ts';
import { massProperties } from '../head/mesh.ts';
import { meshOf, solidOf } from '../head/solid.ts';
import { evaluate, PLAIN_WATER } from '../judge/evaluate.ts';
import { waterDensity, waterViscosity } from '../material/water.ts';
import type { Vec2, Vec3 } from '../numeric/vec.ts';
import { degrees, norm, radians, sub } from '../numeric/vec.ts';
import type { Plastic } from '../plastic/schema.ts';
import { usualBait } from '../assembly/usual-bait.ts';
import type { SampleChange } from '../test-kit/sample.test-kit.ts';
import { sampleDesign } from '../test-kit/sample.test-kit.ts';
import type { Surroundings } from './behaviour.ts';
import { sphereDrag } from './drag.ts';
import { USUAL_FISHING } from './fishing.ts';
import { elastica } from './elastica.ts';
import { guardForce } from './guard-force.ts';
import type { ReadingId } from './registry.ts';
import { crackOf } from './crack.ts';
import { draggedOver, lineAngle } from './dragged.ts';
import { climbShare, frontOf, popFree, sheddingShare } from './front.ts';
import { restOf } from './rest.ts';
import { bottomSpeed, depthAt, leastSize, towOf } from './towed-depth.ts';
import { ballInertia } from './roll.ts';
import { ballStrength, echoOf, flatStrength, largestFlat } from './sonar.ts';
import { momentAbout } from './throw.ts';
import { WIRE_TANGENT } from './drag.ts';
import { dragAt, wetHead } from './wet-body.ts';
import { lineToRod } from './tow.ts';

const GRAVITY = 9.80665;
const BARE: SampleChange = { keeper: { kind: 'none' } as never };
function judged(
  family: string,
  change: SampleChange = {},
  around: Surroundings = PLAIN_WATER,
  plastic?: Plastic,
) {
  const result = evaluate(sampleDesign(family, change), around, plastic && { plastic, method: 'threaded' });
  if (!result.ok) throw new Error(result.problems[0]?.message);
  const value = (id: ReadingId) => result.readings[id]?.value ?? NaN;
  return { ...result, value };
}
const circle = (r: number, count = 720): Vec2[] =>
  Array.from({ length: count }, (_, i): Vec2 => {
    const turn = (2 * Math.PI * i) / count;
    return [r * Math.cos(turn), r * Math.sin(turn)];
  });
const floating: Plastic = {
  format: 'fern-anvil/plastic',
  version: 1,
  name: 'Float',
  kind: 'stick',
  length: 90,
  breadth: 10,
  height: 10,
  density: 0.85,
  toughness: 'stretchy',
};

describe('dragged over a bottom', () => {
  it('sides of a front come from the bottom up, wherever an outline begins', () => {
    const round = circle(5, 60);
    for (const from of [0, 7, 30, 51]) {
      const sides = frontOf([...round.slice(from), ...round.slice(0, from)]);
      const heights = sides.map(({ ends }) => ends[0][1]);
      expect(heights).toEqual([...heights].sort((a, b) => a - b));
      // The lowest faces down and climbs, the highest faces up.
      expect(sides[0]?.down).toBeGreaterThan(80);
      expect(sides.at(-1)?.down).toBeLessThan(-80);
    }
  });

  const phi = degrees(Math.atan(0.4));

  it('the line stands at the angle whose sine is the height over the line', () => {
    expect(lineAngle(3, 1.5, 20)).toBeCloseTo(13.003, 3);
    expect(lineAngle(3, 2, 5)).toBeCloseTo(90, 9);
    expect(lineAngle(30, 2, 5)).toBeCloseTo(90, 9);
  });

  it('a round front climbs, pops free and sheds by closed forms', () => {
    // A circle's surface faces down by a at the height −r sin a: it climbs from a = φ − θ down, (1 − sin(φ −
    // θ))/2 of its height.
    expect(climbShare(circle(7), 13, phi)).toBeCloseTo((1 - Math.sin(radians(phi - 13))) / 2, 2);
    expect(climbShare(circle(7), 40, phi)).toBeCloseTo((1 + Math.sin(radians(40 - phi))) / 2, 2);
    // Four fifths of its height reach up to where it faces up by asin 0.6.
    expect(popFree(circle(7), phi)).toBeCloseTo(phi + degrees(Math.asin(0.6)), 0);
    // Its breadth sheds where it is swept back by more than φ: all but sin φ of it.
    expect(sheddingShare(circle(7), phi)).toBeCloseTo(1 - Math.sin(radians(phi)), 2);
    // A wedge of 30° either side sheds on all of it, a board on none.
    expect(
      sheddingShare(
        [
          [10, 0],
          [-7.3, 10],
          [-7.3, -10],
        ],
        phi,
      ),
    ).toBe(1);
    expect(
      sheddingShare(
        [
          [1, -9],
          [1, 9],
          [0, 9],
          [0, -9],
        ],
        phi,
      ),
    ).toBe(0);
    // What has no front at all is neither held nor free.
    expect(popFree([], phi)).toBeNaN();
    expect(climbShare([], 13, phi)).toBeNaN();
  });

  it('takes the pitch in which pull, weight, water, friction and support balance about where it touches, on its side where it rests so', () => {
    const speed = 0.2;
    for (const family of ['football', 'ball', 'standup', 'swimmer', 'stubby', 'pointed']) {
      const { rig: bare } = judged(family);
      const found = draggedOver(bare, PLAIN_WATER);
      const bait = usualBait(bare);
      const rig = bait ? withBait(bare, bait) : bare;
      const rest = restOf(rig, PLAIN_WATER);
      if (!found || !rest || !bait) throw new Error('it floats');
      // What points down when it rests, with nothing of it to the side: up is the other way, in the plane of
      // the shank.
      const [, dy, dz] = rest.usual.down;
      const off = Math.hypot(dy, dz);
      const height = ([, y, z]: Vec3) => -(y * dy + z * dz) / off;
      const turn = radians(found.pitch);
      const { eye } = rig.places;
      const over = (place: Vec3): Vec2 => {
        const [x, z] = [place[0] - eye[0], height(place) - height(eye)];
        return [x * Math.cos(turn) + z * Math.sin(turn), z * Math.cos(turn) - x * Math.sin(turn)];
      };
      const hull = rig.bodies[0].hull();
      const points = Array.from({ length: hull.length / 3 }, (_, i) =>
        over([hull[3 * i] as number, hull[3 * i + 1] as number, hull[3 * i + 2] as number]),
      );
      const floor = Math.min(...points.map(([, v]) => v));
      // The water, piece by piece of bait and wire and once for the head, as it goes by level at a slow pull.
      const rho = waterDensity(PLAIN_WATER.water);
      const push = 0.5 * rho * speed * speed * 1e-6;
      let [back, lift, about] = [0, 0, 0];
      for (const { middle, along, length, diameter } of rig.bodies[0].sticks()) {
        const way: Vec2 = [
          along[0] * Math.cos(turn) + height(along) * Math.sin(turn),
          height(along) * Math.cos(turn) - along[0] * Math.sin(turn),
        ];
        const across = Math.sqrt(Math.max(0, 1 - way[0] ** 2));
        const fx =
          -push *
          length *
          (1.15 * diameter * across * (1 - way[0] ** 2) +
            0.02 * Math.PI * diameter * way[0] * Math.abs(way[0]) * way[0]);
        const fz =
          push *
          length *
          (1.15 * diameter * across * way[0] * way[1] -
            0.02 * Math.PI * diameter * Math.abs(way[0]) * way[0] * way[1]);
        const [px, pz] = over(middle);
        [back, lift, about] = [back - fx, lift + fz, about + pz * fx - px * fz];
      }
      const head = { ...wetHead(rig), sticks: new Float64Array(), added: undefined };
      const own = dragAt(
        head,
        rig.body.centroid,
        turn + Math.PI / 2,
        speed,
        rho,
        waterViscosity(PLAIN_WATER.water),
      ).force;
      const [, middle] = over(rig.body.centroid);
      [back, about] = [back + own, about - own * middle];
      const [c, s] = [Math.cos(radians(found.line)), Math.sin(radians(found.line))];
      const force = (0.4 * Math.max(0, rest.weight - lift) + back) / (c + 0.4 * s);
      const [weightAt] = over(rest.centre);
      // Where it touches: everything within a hair of the floor carries. What a slender bait is turned by
      // besides stays small at that speed.
      const touching = points.filter(([, v]) => v < floor + 0.15).map(([u]) => u);
      const moments = touching.map(
        (at) =>
          rest.weight * (weightAt - at) + (force * c - back) * -floor - (force * s + lift) * -at + about,
      );
      expect(Math.min(...moments), family).toBeLessThan(rest.weight * 0.35);
      expect(Math.max(...moments), family).toBeGreaterThan(-rest.weight * 0.35);
    }
  });

  it('a bare ball is dragged on its side, and how far its nose is ahead hangs on its eye', () => {
    const ahead = (angle: number, keeper: object = { kind: 'none' }) => {
      const { rig, readings } = judged('ball', { keeper: keeper as never, eye: { angle } });
      return { rig, found: readings['pull.noseAhead'] };
    };
    const { rig } = ahead(60);
    const rest = restOf(rig, PLAIN_WATER);
    expect(Math.abs(rest?.usual.down[1] ?? 0)).toBeGreaterThan(0.7);
    const [low, high] = [ahead(30), ahead(90)].map(({ found }) => found?.value ?? NaN) as [number, number];
    expect(high).toBeGreaterThan(low + 0.5);
    for (const { found } of [ahead(30), ahead(60), ahead(90)])
      expect((found?.range?.[1] ?? NaN) - (found?.range?.[0] ?? NaN)).toBeGreaterThan(0.005);
  });

  it('no bait, heavy or nearly weightless, is flipped over its head by a slow pull', () => {
    for (const { key } of share(DRAWN_FAMILIES, 3)) {
      const { rig } = judged(key);
      const bait = usualBait(rig);
      if (!bait) continue;
      for (const density of [0.95, 1, 1.15, 1.3]) {
        const worn = withBait(rig, { ...bait, plastic: { ...bait.plastic, density } });
        const found = draggedOver(worn, PLAIN_WATER);
        if (!found) continue;
        expect(Math.abs(found.pitch), `${key} ${density}`).toBeLessThan(75);
      }
    }
  });

  it('a ball’s front is a round one to a part in two hundred, drawn by its family or brought in from outside', () => {
    const lent = solids().Manifold.sphere(6, 160).translate([6, 0, 0]);
    const brought = judged('imported', {
      ...BARE,
      head: { solid: packSolid('Lent', meshOf(lent)), dimensions: {} },
    });
    lent.delete();
    for (const { value } of [judged('ball', BARE), brought]) {
      const slope = radians(phi - value('pull.lineAngle'));
      expect(Math.abs(value('pull.climbShare') - (1 - Math.sin(slope)) / 2)).toBeLessThan(0.005);
      expect(Math.abs(value('pull.popFree') - phi - degrees(Math.asin(0.6)))).toBeLessThan(0.5);
      expect(Math.abs(value('pull.shedding') - 1 + Math.sin(radians(phi)))).toBeLessThan(0.005);
    }
  });

  it('a rocker rolls to where the moments about the foot of its arc’s middle balance, a soled head lies on its sole', () => {
    const [length, height, arc, deep] = [24, 10, 30, 5];
    const stations = Array.from({ length: 25 }, (_, i) => {
      const drop = Math.sqrt(arc ** 2 - (i - 12) ** 2) - (arc - deep);
      return { at: i / 24, breadth: 1, rise: 0.6, drop: (2 * drop) / height };
    });
    const { rig } = judged('own', {
      ...BARE,
      // So broad that it rests upright.
      head: { stations, dimensions: { length, breadth: 30, height } } as never,
    });
    expect(rig.profile.section(7).d).toBeCloseTo(Math.sqrt(arc ** 2 - 25) - (arc - deep), 2);
    for (const friction of [0.1, 0.25, 0.4]) {
      const around = { ...PLAIN_WATER, fishing: { friction } };
      const found = draggedOver(rig, around);
      const { centre, weight, usual } = restOf(rig, around) ?? {};
      if (!found || !centre || !weight || !usual) throw new Error('it floats');
      expect(usual.down[2]).toBeLessThan(-0.9);
      const [c, s] = [Math.cos(radians(found.pitch)), Math.sin(radians(found.pitch))];
      const line = radians(found.line);
      // From the foot of the arc's middle, turned nose down.
      const over = (at: Vec3): Vec2 => {
        const [x, z] = [at[0] - length / 2, at[2] - (arc - deep)];
        return [x * c + z * s, arc + z * c - x * s];
      };
      const [weightAt] = over(centre);
      const [eyeAt, eyeUp] = over(rig.places.eye);
      // What the water does at a slow pull, about the eye.
      const past = dragAt(
        wetHead(rig),
        rig.places.eye,
        radians(found.pitch) + Math.PI / 2,
        0.2,
        waterDensity(PLAIN_WATER.water),
        waterViscosity(PLAIN_WATER.water),
      );
      const force =
        (friction * (weight - past.lift) + past.force) / (Math.cos(line) + friction * Math.sin(line));
      const [down, back] = [
        weight * weightAt,
        (force * Math.cos(line) - past.force) * eyeUp -
          (force * Math.sin(line) + past.lift) * eyeAt +
          past.moment,
      ];
      expect(Math.abs(back)).toBeGreaterThan(weight * 0.2);
      // A degree of its roll moves the foot by two hundredths of the arc, which its curve through stations
      // follows to half of that.
      expect(Math.abs(down + back)).toBeLessThan(weight * arc * 0.02);
    }
    for (const tilt of [6, 12, 18]) {
      // So slippery that the pull at its eye does not tip it over the sole’s edge.
      const soled = judged(
        'football',
        { ...BARE, head: { features: { sole: { cut: 0.5, tilt } } } },
        { ...PLAIN_WATER, fishing: { friction: 0.15 } },
      );
      expect(soled.value('pull.pitch')).toBeCloseTo(tilt, 1);
    }
  });

  it('a sole makes a head lower in a crack, as far as it takes off at the place', () => {
    const { rig } = judged('ball', { ...BARE, head: { features: { sole: { cut: 0.4, tilt: 0 } } } });
    const radius = rig.profile.length / 2;
    // A quarter of its length behind its nose it is √3 r broad; so high above, and 0.6 r below.
    expect(crackOf(rig).width).toBeCloseTo((Math.sqrt(3) / 2 + 0.6) * radius, 1);
    expect(crackOf(rig, 1.61 * radius).angle).toBe(180);
    expect(crackOf(rig, 1.58 * radius).angle).toBeLessThan(30);
  });

  it('what a cut leaves nothing of is no front: a ball cut aslant ends where the plane leaves it', () => {
    const { rig } = judged('ball', {
      ...BARE,
      head: { features: { sole: { cut: 0.52, tilt: 30 } }, dimensions: { breadth: 30 } },
    });
    const found = draggedOver(rig, PLAIN_WATER);
    // z = level + tan 30° (x − r) on the circle: the plane leaves the ball a little below its nose, which is
    // gone.
    const radius = rig.profile.length / 2;
    const slope = Math.tan(radians(30));
    const level = -0.48 * radius;
    const [a, b, c] = [1 + slope ** 2, 2 * slope * level, level ** 2 - radius ** 2];
    const leaves = radius + (-b + Math.sqrt(b * b - 4 * a * c)) / (2 * a);
    expect(Math.max(...(found?.above ?? []).map(([x]) => x))).toBeCloseTo(leaves, 2);
  });

  it('a ball enters a crack of √3 of its radius with a quarter of its length, where its sides close at 60°', () => {
    const { rig, value } = judged('ball', BARE);
    const radius = rig.profile.length / 2;
    expect(crackOf(rig).width).toBeCloseTo(Math.sqrt(3) * radius, 1);
    expect(Math.abs(crackOf(rig).angle - 60)).toBeLessThan(2);
    expect(value('pull.jams')).toBe(0);
    // A crack as wide as all of it lets it through; between, the sides close less the farther back.
    expect(crackOf(rig, 2.01 * radius).angle).toBe(180);
    expect(crackOf(rig, 1.98 * radius).angle).toBeLessThan(30);
    // A pointed head's sides close at less than twice the angle of friction (common practice: pointed heads
    // jam, no source).
    expect(judged('pointed').value('pull.jams')).toBe(1);
  });

  it('on a line straight down what stands ahead of the eye stands ahead of the line', () => {
    const around = { ...PLAIN_WATER, fishing: { lineOut: 4.5 } };
    const { rig, value } = judged('football', {}, around);
    const found = draggedOver(rig, around);
    expect(value('pull.noseAhead')).toBeCloseTo(Math.max(...(found?.outline ?? []).map(([x]) => x)), 6);
    expect(value('pull.lineAngle')).toBeCloseTo(90, 6);
  });
});

describe('on the retrieve', () => {
  const { rig, value } = judged('ball', BARE);
  const tow = towOf(rig, PLAIN_WATER);
  if (!tow) throw new Error('it floats');
  const rho = waterDensity(PLAIN_WATER.water);

  it('hangs as on a still line when it hardly moves, and trails as it is wound', () => {
    expect(tow.at(0.002).pitch).toBeCloseTo(value('hang.attitude'), 0);
    expect(Math.abs(tow.at(3).pitch - value('hang.attitude'))).toBeGreaterThan(10);
    expect(tow.weight).toBeCloseTo((value('mass.submerged') / 1000) * GRAVITY, 9);
  });

  it('a ball with its hook drags more than the ball alone and less than the ball and all of the wire broadside', () => {
    const speed = 1.2;
    const radius = rig.profile.length / 2 / 1000;
    const ball =
      0.5 *
      rho *
      speed ** 2 *
      Math.PI *
      radius ** 2 *
      sphereDrag((2 * radius * speed * rho) / waterViscosity(PLAIN_WATER.water));
    const wire = (0.5 * rho * speed ** 2 * 1.15 * 1.1 * rig.hook.length * rig.hook.wire) / 1e6;
    expect(tow.at(speed).drag).toBeGreaterThan(ball);
    expect(tow.at(speed).drag).toBeLessThan(ball + wire);
  });

  it('keeps the bottom up to the speed at which its depth is the bottom’s, and not beyond', () => {
    const limit = bottomSpeed(tow, 3, rho, USUAL_FISHING) ?? NaN;
    expect(depthAt(tow, limit, rho, USUAL_FISHING)).toBeCloseTo(3, 2);
    expect(value('retrieve.maxBottomSpeed')).toBeCloseTo(limit, 6);
    // A current against it is taken off the speed over ground.
    const current = judged('ball', BARE, { ...PLAIN_WATER, fishing: { current: 0.2 } });
    expect(current.value('retrieve.maxBottomSpeed')).toBeCloseTo(limit - 0.2, 3);
    expect(bottomSpeed(tow, 3, rho, { ...USUAL_FISHING, lineOut: 3 })).toBeUndefined();
  });

  it('its least size reaches the depth with weight by the cube and drag by the square', () => {
    const k = leastSize(tow, 0.5, 3, rho, USUAL_FISHING) ?? NaN;
    const { drag, lift } = tow.at(0.5);
    const pull = { weight: tow.weight * k ** 3 - lift * k ** 2, drag: drag * k ** 2 };
    expect(lineToRod(pull, 0.5, rho, USUAL_FISHING).depth).toBeCloseTo(3, 2);
    expect(value('retrieve.leastWeight')).toBeCloseTo(value('mass.total') * k ** 3, 6);
    // With more drag, and a line that hums, more weight: the same by those.
    const dragging = { factor: 1.27, normal: 1.4 };
    const most = leastSize(tow, 0.5, 3, rho, USUAL_FISHING, dragging) ?? NaN;
    const dragged = { weight: tow.weight * most ** 3 - lift * most ** 2, drag: 1.27 * drag * most ** 2 };
    expect(lineToRod(dragged, 0.5, rho, USUAL_FISHING, 1.4).depth).toBeCloseTo(3, 2);
    expect(most).toBeGreaterThan(k);
    expect(leastSize(tow, 5, 60, rho, USUAL_FISHING)).toBeUndefined();
  });

  it('spans are what 27% more and less of its drag, and a line that hums or lies still, make of it', () => {
    const range = judged('ball', BARE).readings['retrieve.depth']?.range ?? [NaN, NaN];
    expect(range[0]).toBeCloseTo(depthAt(tow, 0.5, rho, USUAL_FISHING, { factor: 1.27, normal: 1.4 }), 6);
    expect(range[1]).toBeCloseTo(depthAt(tow, 0.5, rho, USUAL_FISHING, { factor: 0.73, normal: 1 }), 6);
  });

  it('a tenth of a gram, the handle, the snap and the hidden bite by hand', () => {
    const { drag, lift } = tow.at(0.5);
    const weight = tow.weight - lift;
    const { depth } = lineToRod({ weight, drag }, 0.5, rho, USUAL_FISHING);
    const more = lineToRod({ weight: weight + 0.98066e-3, drag }, 0.5, rho, USUAL_FISHING);
    expect(value('retrieve.perGram')).toBeCloseTo(more.depth - depth, 4);
    expect(value('retrieve.perGram')).toBeGreaterThan(0.005);
    expect(value('retrieve.handle')).toBeCloseTo(0.5 / 0.66, 9);
    expect(value('retrieve.snapRise')).toBeCloseTo(0.4 * (4.5 / 20), 9);
    // From rest it falls back by that much: s = v²/a ln cosh(a t/v) is less than v·t and more than half of it
    // at such times.
    const pause = value('retrieve.snapPause');
    expect(value('fall.speed') * pause).toBeGreaterThan(0.09);
    expect(value('fall.speed') * pause).toBeLessThan(0.27);
    // Fluorocarbon 1.5% of 20 m, drawn out by the weight over a hundredth of 5.4 kg (common practice, no
    // source).
    expect(value('line.hiddenBite')).toBeCloseTo(300 * (1 - tow.weight / (0.01 * 5.4 * GRAVITY)), 6);
    expect(value('retrieve.glide')).toBeCloseTo(1, 2);
    expect(judged('glider').value('retrieve.glide')).toBeGreaterThan(1.3);
  });

  it.each(share(['glider', 'dart', 'football'], 3))(
    'a %s glides the farther the larger its fins, by what its solid shows',
    (key) => {
      const glides = [0.2, 0.6, 1, 2].map((span) => {
        const fins = { span, length: 0.5, thickness: 1, at: 0.5 };
        const { value, rig } = judged(key, { ...BARE, head: { features: { fins } } as never });
        // Its exported solid from above and from the front: half of what its facets show.
        const { positions: p, triangles } = meshOf(solidOf(solids(), castSolid(solids(), rig)));
        const shown = [0, 0];
        for (let i = 0; i < triangles.length; i += 3) {
          const [a, b, c] = [0, 1, 2].map((k) => 3 * (triangles[i + k] as number)) as [
            number,
            number,
            number,
          ];
          const edge = (from: number, to: number, axis: number) =>
            (p[to + axis] as number) - (p[from + axis] as number);
          shown[0] =
            (shown[0] ?? 0) + Math.abs(edge(a, b, 0) * edge(a, c, 1) - edge(a, b, 1) * edge(a, c, 0)) / 4;
          shown[1] =
            (shown[1] ?? 0) + Math.abs(edge(a, b, 1) * edge(a, c, 2) - edge(a, b, 2) * edge(a, c, 1)) / 4;
        }
        return { told: value('retrieve.glide'), solid: Math.sqrt((shown[0] ?? 0) / (shown[1] ?? 1)) };
      });
      glides.slice(1).forEach(({ told, solid }, i) => {
        const before = glides[i];
        expect(told).toBeGreaterThan((before?.told ?? 0) + 0.02);
        expect(solid).toBeGreaterThan(before?.solid ?? 0);
      });
      // The solid has a hole for its wire, which the water's surface has not.
      for (const { told, solid } of glides) expect(Math.abs(told / solid - 1)).toBeLessThan(0.12);
    },
  );
});

describe('at rest', () => {
  it('a ball comes to lie on its side and a football stands (common practice, no source)', () => {
    expect(judged('ball').value('rest.onSide')).toBeGreaterThan(0.9);
    const football = judged('football');
    expect(football.value('rest.hookUp')).toBeGreaterThan(0.5);
    const all = (['rest.hookUp', 'rest.onSide', 'rest.pointDown'] as const).map(football.value);
    expect(all.reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 6);
  });

  it('the knock is the weight times what the centre must rise, and the tail’s angle that of the pose', () => {
    const { rig, value } = judged('football');
    const rest = restOf(rig, PLAIN_WATER);
    if (!rest) throw new Error('it floats');
    const newtons = (submerged(rig, waterDensity(PLAIN_WATER.water)).weight / 1000) * GRAVITY;
    expect(rest.weight).toBeCloseTo(newtons, 9);
    expect(value('rest.knock')).toBeCloseTo(newtons * (rest.usual.saddle - rest.usual.height), 9);
    expect(value('rest.tailUp')).toBeCloseTo(degrees(Math.asin(rest.usual.down[0])), 6);
  });

  it('a floating bait rises behind a heavy hinged head, a heavy one lies down (common practice, no source)', () => {
    const change: SampleChange = { ...BARE, hook: { joint: { kind: 'open loop', size: 4 } } };
    const up = judged('ball', change, PLAIN_WATER, floating);
    expect(up.value('rest.tailUp')).toBeGreaterThan(45);
    expect(up.value('rest.tailUp')).toBeLessThanOrEqual(110);
    expect(judged('ball', change).value('rest.tailUp')).toBeLessThanOrEqual(0);
  });

  it('towed, a free hook hangs when slow, trails when fast, and a floating bait carries it up (common practice, no source)', () => {
    const change: SampleChange = { ...BARE, hook: { joint: { kind: 'open loop', size: 4 } } };
    const tow = (plastic?: Plastic) => {
      const { rig } = judged('ball', change, PLAIN_WATER, plastic);
      const found = towOf(rig, PLAIN_WATER);
      if (!found) throw new Error('it floats');
      return { rig, ...found };
    };
    const bare = tow();
    // At a crawl head and hook hang as they do on a still line: the hook with its bend straight down, nose up
    // by a quarter turn.
    const slow = bare.at(0.002);
    const hung = judged('ball', change).value('hang.attitude');
    expect(slow.pitch).toBeCloseTo(hung, 0);
    expect(slow.hookPitch).toBeLessThan(-75);
    expect(Math.abs(bare.at(6).hookPitch ?? NaN)).toBeLessThan(15);
    expect(bare.at(1).hookPitch).toBeGreaterThan(bare.at(0.3).hookPitch ?? NaN);
    expect(tow(floating).at(0.3).hookPitch).toBeGreaterThan(0);
    // A fixed hook has no pitch of its own.
    expect(judged('ball', BARE).readings['retrieve.hookPitch']).toBeUndefined();
    expect(judged('ball', change).value('retrieve.hookPitch')).toBeCloseTo(bare.at(0.5).hookPitch ?? NaN, 6);
  });

  it('a wire met at an angle is pushed square to itself: drag and lift are the parts of that force', () => {
    // Hoerner’s cross-flow: N = ½ρ·1.15·d·L·(v sin α)², T = ½ρ·0.02·πdL·(v cos α)²; D = N sin α + T cos α, L
    // = N cos α − T sin α.
    const [d, length, v, rho] = [2, 40, 0.8, 1000];
    for (const degree of [10, 25, 60]) {
      const a = radians(degree);
      const across = 1.15 * d * length;
      const along = WIRE_TANGENT * Math.PI * d * length;
      const sticks = Float64Array.from([0, 0, 0, Math.cos(a), 0, Math.sin(a), across, along, 0]);
      const stick = {
        surface: undefined,
        centroid: [0, 0, 0] as Vec3,
        added: undefined,
        sticks,
        roundness: 0,
        size: 0,
        factor: 1,
      };
      // Moving level, forward along x: its front end stands up, so the water lifts it.
      const { force, lift } = dragAt(stick, [0, 0, 0], Math.PI / 2, v, rho, 1e-3);
      const push = 0.5 * rho * v * v * 1e-6;
      const [n, t] = [push * across * Math.sin(a) ** 2, push * along * Math.cos(a) ** 2];
      expect(force).toBeCloseTo(n * Math.sin(a) + t * Math.cos(a), 9);
      expect(lift).toBeCloseTo(n * Math.cos(a) - t * Math.sin(a), 9);
    }
  });

  it('hangs still with the centre of what hangs straight under the eye, wherever the eye stands', () => {
    for (const eye of [
      { angle: 60, setback: 0.2 },
      { angle: 90, setback: 0.5 },
      { angle: 30, setback: 0.1 },
    ]) {
      const { rig: own } = judged('wedge', { eye: { plane: 'in line', ...eye } });
      const at = towOf(own, PLAIN_WATER);
      const { centre } = submerged(own, waterDensity(PLAIN_WATER.water));
      const pitch = radians(at?.at(0.001).pitch ?? NaN);
      // Turned nose down by its pitch, the centre is no further ahead than the eye.
      const [dx, dz] = [centre[0] - own.places.eye[0], centre[2] - own.places.eye[2]];
      const off = dx * Math.cos(pitch) + dz * Math.sin(pitch);
      expect(Math.abs(off) / Math.hypot(dx, dz), `${eye.angle}°`).toBeLessThan(0.02);
      expect(dz * Math.cos(pitch) - dx * Math.sin(pitch), `${eye.angle}°`).toBeLessThan(0);
    }
  });

  it('what floats neither falls, rests nor goes on a line, and says so', () => {
    const light = judged('ball', { ...BARE, head: { density: 0.5, dimensions: { breadth: 22 } } as never });
    expect(light.flags.filter(({ code }) => code === 'floats')).toMatchObject([
      { level: 'stop', path: '/head' },
    ]);
    expect(judged('ball', BARE).flags.map(({ code }) => code)).not.toContain('floats');
    for (const id of ['rest.hookUp', 'pull.pitch', 'retrieve.depth', 'hang.attitude'] as const)
      expect(light.readings[id]).toBeUndefined();
  });
});

describe('a head’s own figures, bait or none', () => {
  const bait = { ...floating, kind: 'stick' as const };
  it('its balance and its weight are the head’s, what is on the hook left out', () => {
    const [bare, baited] = [judged('ball'), judged('ball', {}, PLAIN_WATER, bait)];
    for (const id of ['mass.centreX', 'mass.centreZ', 'mass.total'] as const)
      expect(baited.value(id)).toBeCloseTo(bare.value(id), 9);
    // Σ m x / Σ m over the parts as they are given.
    const sum = (axis: 0 | 2) =>
      bare.rig.parts.reduce((all, { mass, centroid }) => all + mass * centroid[axis], 0);
    const mass = bare.rig.parts.reduce((all, part) => all + part.mass, 0);
    expect(bare.value('mass.centreX')).toBeCloseTo(sum(0) / mass, 9);
    expect(bare.value('mass.centreZ')).toBeCloseTo(sum(2) / mass, 9);
  });

  it('bait lasts by its toughness, less where its seat strains it, and where the point tears out (index, working values)', () => {
    for (const [toughness, fish, easy] of [
      ['soft', 2, 0.55],
      ['standard', 4, 0.65],
      ['stretchy', 12, 0.85],
    ] as const)
      for (const breadth of [7, 12, 20]) {
        const seated = { ...bait, breadth, height: breadth, toughness };
        const { value } = judged('ball', {}, PLAIN_WATER, seated);
        const seat = value('rig.seat');
        expect(seat).toBeGreaterThan(0);
        expect(value('rig.lasts')).toBeCloseTo(fish * Math.min(1, easy / seat), 6);
      }
  });
});

describe('levers, roll and echo', () => {
  it('a ball rolls as 2/5 m r² says', () => {
    // 10 g of lead: r = (3·10/11.34·1000/4π)^⅓ = 5.948 mm; 0.4·10·5.949² = 141.55 g·mm².
    expect(ballInertia(10, 11.34)).toBeCloseTo(141.55, 1);
    expect(Math.abs(judged('ball', BARE).value('roll.factor') - 1)).toBeLessThan(0.06);
    expect(judged('football').value('roll.factor')).toBeGreaterThan(1.1);
  });

  it('a weight levers by its distance squared, through a hinge by the hook’s alone', () => {
    const { rig, value } = judged('ball');
    const hook = rig.parts.filter(({ name }) => name === 'hook');
    expect(value('throw.hinged')).toBeCloseTo(momentAbout(rig, hook, rig.places.point), 9);
    expect(value('throw.fixed')).toBeCloseTo(momentAbout(rig, rig.parts, rig.places.point), 9);
    expect(value('throw.fixed')).toBeGreaterThan(3 * value('throw.hinged'));
    // Steiner: about a point 3, 5 and 7 mm off a part's centre, its own spread and 83 times its mass.
    const [part] = hook;
    if (!part) throw new Error('there is no hook');
    const [x, y, z] = part.centroid;
    expect(
      momentAbout(rig, [part], [x + 3, y + 5, z + 7]) - momentAbout(rig, [part], part.centroid),
    ).toBeCloseTo(83 * part.mass, 9);
  });

  it.each(
    share(
      FAMILIES.filter(({ key }) => key !== 'imported').map(({ key }) => key),
      3,
    ),
  )(
    'the metal of a %s levers as the inertia of its exported solid, and its hook as its wire summed bit by bit',
    async (key) => {
      const kernel = await loadSolids();
      const { rig } = judged(key, BARE);
      const { point } = rig.places;
      // Facets by Mirtich (Journal of Graphics Tools 1 (1996) 31): half the sum of the three moments is ∫ r²
      // dV about the centre.
      const { volume, centroid, inertia } = massProperties(castSolid(kernel, rig));
      const metal = rig.parts.filter(({ name }) => name === 'metal');
      const off = norm(sub(centroid, point)) ** 2;
      const solid = (rig.density / 1000) * ((inertia[0] + inertia[1] + inertia[2]) / 2 + volume * off);
      expect(Math.abs(momentAbout(rig, metal, point) / solid - 1)).toBeLessThan(0.01);
      const { centre, wire } = rig.hook;
      let bits = 0;
      for (let i = 1; i < centre.length; i++) {
        const [a, b] = [centre[i - 1] as Vec3, centre[i] as Vec3];
        for (let k = 0; k < 20; k++) {
          const t = (k + 0.5) / 20;
          const at: Vec3 = [a[0] + t * (b[0] - a[0]), 0, a[2] + t * (b[2] - a[2])];
          bits += (norm(sub(b, a)) / 20) * norm(sub(at, point)) ** 2;
        }
      }
      const hook = rig.parts.filter(({ name }) => name === 'hook');
      const steel = ((7.85 / 1000) * Math.PI * wire ** 2) / 4;
      // But for its eye, its section and the taper of its tip, which are a few hundredths of it.
      expect(momentAbout(rig, hook, point) / (steel * bits)).toBeGreaterThan(1);
      expect(momentAbout(rig, hook, point) / (steel * bits)).toBeLessThan(1.45);
    },
  );

  it('a flat echoes by 20 log A/λ and a ball by 20 log a/2 (Urick 1983)', () => {
    // 100 mm² at 7.4 mm: 20 log(1e-4/7.4e-3) = −37.38 dB; a ball of 12 mm: 20 log(0.003) = −50.46 dB.
    expect(flatStrength(100)).toBeCloseTo(-37.38, 2);
    expect(ballStrength(12)).toBeCloseTo(-50.46, 2);
    const mesh = (of: { getMesh(): { vertProperties: Float32Array; triVerts: Uint32Array } }): Mesh => {
      const { vertProperties, triVerts } = of.getMesh();
      return { positions: Float64Array.from(vertProperties), triangles: triVerts };
    };
    const { Manifold } = solids();
    expect(largestFlat(mesh(Manifold.cube([6, 8, 10])))).toBeCloseTo(80, 9);
    // Of a fine ball only a cap of 4° looks one way: 2π r² (1 − cos 4°).
    expect(largestFlat(mesh(Manifold.sphere(10, 256)))).toBeLessThan(
      4 * 2 * Math.PI * 100 * (1 - Math.cos(radians(4))),
    );
    expect(judged('ball', BARE).value('sonar.index')).toBe(0);
    // A ball of radius 5 cut flat 2 mm deep: a circle of π(25 − 9) mm² against a ball of what the cap,
    // π·2²·(15 − 2)/3, leaves.
    const sphere = { breadth: 10, length: 10, height: 10, ends: 2, belly: 0.5 };
    const cut = judged('football', {
      ...BARE,
      head: { dimensions: sphere, features: { sole: { cut: 0.4, tilt: 0 } } },
    });
    const flat = Math.PI * (25 - 9);
    const left = (4 / 3) * Math.PI * 125 - (Math.PI * 4 * (15 - 2)) / 3;
    const diameter = Math.cbrt((6 * left) / Math.PI);
    const wave = 7.4; // mm, 200 kHz in fresh water
    const wanted = 20 * Math.log10(flat / wave / (diameter / 4));
    expect(Math.abs(cut.value('sonar.index') - wanted)).toBeLessThan(0.3);
    expect(judged('swimmer').value('sonar.index')).toBeGreaterThanOrEqual(0);
  });

  it('a plate shows less the further off square a beam meets it, and nothing at its first null', () => {
    // A square plate sends back A/λ · |sin β/β| · cos θ with β = k a sin θ (Urick 1983, table 9.1); of 30 mm
    // at λ = 7.4 mm its first null is at sin θ = 7.4/60.
    const box = solids().Manifold.cube([30, 30, 0.02], true);
    const plate = meshOf(box);
    box.delete();
    const seen = (off: number) => echoOf(plate, [Math.sin(off), 0, Math.cos(off)]);
    expect(seen(0) / (900 / 7.4)).toBeCloseTo(1, 3);
    expect(20 * Math.log10(seen(0) / 1000)).toBeCloseTo(flatStrength(900), 2);
    for (const share of [0.25, 0.5, 0.75, 1.5]) {
      const off = Math.asin((share * 7.4) / 60);
      const beta = share * Math.PI;
      const expected = ((900 / 7.4) * Math.abs(Math.sin(beta)) * Math.cos(off)) / beta;
      expect(seen(off) / expected, `${share}`).toBeCloseTo(1, 1.5);
    }
    expect(seen(Math.asin(7.4 / 60)) / seen(0)).toBeLessThan(0.01);
  });

  it('a ball sends back half of its radius, more or less by the edge of its shadow', () => {
    // Kirchhoff's own edge adds a twofold of 1/(2 k a) at most: ∫ over the lit half is (a/2)|1 + (1 −
    // e^(2ika)) / (2ika)|.
    for (const a of [4, 6, 10, 16]) {
      const of = solids().Manifold.sphere(a, 200);
      const ball = meshOf(of);
      of.delete();
      const ka = (2 * Math.PI * a) / 7.4;
      const seen = echoOf(ball, [0, 0, 1]) / (a / 2);
      expect(Math.abs(seen - 1), `${a} mm`).toBeLessThan(1.1 / ka);
    }
  });

  it('a head shows as it hangs: a flat of a glider that lies level echoes, one of a drop that hangs on edge does not', () => {
    const told = DRAWN_FAMILIES.map(({ key }) => judged(key).value('sonar.hanging'));
    for (const value of told) expect(Number.isFinite(value)).toBe(true);
    // It tells them apart.
    expect(Math.max(...told) - Math.min(...told)).toBeGreaterThan(6);
    expect(Math.abs(judged('ball', BARE).value('sonar.hanging'))).toBeLessThan(3);
  });

  it('a knot turns a head by the eye’s radius seen from its centre', () => {
    const { rig, value } = judged('ball', { eye: { plane: 'in line' } });
    const { centre } = submerged(rig, waterDensity(PLAIN_WATER.water));
    const arm = Math.hypot(centre[0] - rig.places.eye[0], centre[2] - rig.places.eye[2]);
    expect(value('hang.knot')).toBeCloseTo(degrees(Math.asin(rig.hook.eye.radius / arm)), 9);
    expect(judged('ball', { eye: { plane: 'crosswise' } }).value('hang.knot')).toBeLessThan(
      value('hang.knot'),
    );
  });
});

describe('hook and guard', () => {
  /** A guard of so many strands, standing 6° (or as told) over where it must come down to. */
  const stood = (count: number, diameter: number, spread = 0, over = 6): Pick<Rig, 'guard' | 'hook'> => {
    const [px, pz] = [20, 12];
    const gap = 10;
    // The strand is laid down to a quarter of the gap under the point.
    const standing = Math.atan2(pz - gap / 4, px) + radians(over);
    const along: Vec3 = [-Math.cos(standing), 0, Math.sin(standing)];
    return {
      guard: {
        base: [0, 0, 0],
        along,
        free: 40,
        bundleRadius: 1,
        spread,
        material: 'nylon',
        strand: diameter,
        count,
        parting: 0,
        asOneRod: 1,
      },
      hook: { tip: [-px, 0, pz], shankLevel: 1, wire: 1 },
    } as unknown as Pick<Rig, 'guard' | 'hook'>;
  };

  it('a little bent guard takes 3 E I δ/L³ of each strand, E 2.8 GPa for nylon (from memory)', () => {
    const reach = Math.hypot(20, 12 - 2.5);
    const inertia = (Math.PI / 64) * 0.4 ** 4;
    const expected = (16 * 3 * 2800 * inertia * reach * Math.sin(radians(6))) / reach ** 3;
    const laid = guardForce(stood(16, 0.4));
    expect((laid?.force ?? 0) / expected).toBeCloseTo(1, 1);
    expect(laid?.turn).toBeCloseTo(6, 6);
    expect((laid?.forces[0] ?? 0) / (laid?.force ?? 1)).toBeCloseTo(2000 / 2800, 9);
    expect((laid?.forces[1] ?? 0) / (laid?.force ?? 1)).toBeCloseTo(4000 / 2800, 9);
    expect((guardForce(stood(16, 0.8))?.force ?? 0) / (laid?.force ?? 1)).toBeCloseTo(16, 6);
    expect((guardForce(stood(8, 0.4))?.force ?? 0) / (laid?.force ?? 1)).toBeCloseTo(0.5, 9);
  });

  it('one that stands square to where it must go is bent until its end is 0.95 of the way: the load of that, and no more', () => {
    const reach = Math.hypot(20, 12 - 2.5);
    const bend = (2800 * 16 * (Math.PI / 64) * 0.4 ** 4) / reach ** 2;
    // By the elastica itself: the load whose drop is 0.95.
    let [low, high] = [0, 400];
    for (let i = 0; i < 60; i++) {
      const middle = (low + high) / 2;
      if (elastica(middle).drop < 0.95) low = middle;
      else high = middle;
    }
    for (const over of [75, 90, 120])
      expect((guardForce(stood(16, 0.4, 0, over))?.force ?? NaN) / (bend * low)).toBeCloseTo(1, 4);
    expect(guardForce(stood(16, 0.4, 0, 70))?.force).toBeLessThan(bend * low);
  });

  it('of a real head has as many strands as were asked for: fibres by their number, two wires, two legs of a loop', () => {
    const forced = (guard: object) => {
      const laid = guardForce(judged('football', { guard } as never).rig);
      if (!laid || laid.force === 0) throw new Error('nothing is laid down');
      return laid.force;
    };
    const fibres = (count: number, more: object = {}) => ({
      ...guardInitial('fibre'),
      fan: 0,
      count,
      ...more,
    });
    const one = forced(fibres(1));
    // Rubbing on each other they are half way, in ratio, from so many strands to one rod of what they fill of
    // its circle, (R/r)⁴ · 0.75 / n.
    for (const count of [2, 8, 16, 30, 60])
      expect(forced(fibres(count)) / one / (count * Math.sqrt(count / 0.75))).toBeCloseTo(1, 6);
    // By its own moment of inertia.
    expect(forced(fibres(16, { fibre: 0.5 })) / forced(fibres(16, { fibre: 0.4 }))).toBeCloseTo(1.25 ** 4, 6);
    // A loop as long as two wires is as stiff; nylon to steel as 2.8 to 193 GPa.
    const size = { wire: 0.4, length: 26, lean: 38, setback: 0.6 };
    const twin = forced({ ...guardInitial('twin wire'), ...size, spread: 0 });
    expect(forced({ ...guardInitial('wire loop'), ...size, width: 4 }) / twin).toBeCloseTo(1, 6);
    const pair = forced(fibres(2, { fibre: 0.4, length: 26, lean: 38, setback: 0.6, trimmed: false }));
    expect((twin / pair) * Math.sqrt(2 / 0.75)).toBeCloseTo(193 / 2.8, 3);
  });

  it('forked it is as stiff as its stem and its two arms in a row: ∫ (L − x)²/EI dx of a load at L', () => {
    const size = { wire: 0.6, length: 60, lean: 38, setback: 0.6, spread: 0 };
    const laidBy = (fork: number) => {
      const { rig } = judged('football', { guard: { ...guardInitial('y'), ...size, fork } } as never);
      const { guard, hook } = rig;
      if (!guard) throw new Error('there is no guard');
      const gap = hook.tip[2] - hook.shankLevel - hook.wire;
      const reach = Math.hypot(guard.base[0] - hook.tip[0], hook.tip[2] - gap / 4 - guard.base[2]);
      return { force: guardForce(rig)?.force ?? NaN, reach };
    };
    const softest = 0.9 * 60;
    const [whole, half] = [laidBy(0.9), laidBy(0.2)];
    // Pressed before it forks it is one strand.
    expect(whole.reach).toBeLessThan(softest);
    let [compliance, stem] = [0, 0];
    const steps = 4000;
    for (let i = 0; i < steps; i++) {
      const x = ((i + 0.5) * half.reach) / steps;
      const part = ((half.reach - x) ** 2 * half.reach) / steps;
      stem += part;
      compliance += part / (x < 0.2 * 60 ? 1 : 2);
    }
    expect(half.force / whole.force).toBeCloseTo(stem / compliance, 4);
  });

  it('its span reaches from fibres that slide freely to one rod, whose moment of inertia is that of a lattice of them', () => {
    // Bundles close packed: n π r⁴/4 + π r² Σ d² about the middle, here of a hexagon of 37.
    const places: Vec2[] = [];
    for (let i = -3; i <= 3; i++)
      for (let j = -3; j <= 3; j++)
        if (Math.abs(i + j) <= 3)
          places.push([i + j / 2, (j * Math.sqrt(3)) / 2].map((at) => 2 * at) as [number, number]);
    expect(places).toHaveLength(37);
    const second = places.reduce((sum, [, z]) => sum + Math.PI / 4 + Math.PI * z * z, 0);
    const ratio = second / ((37 * Math.PI) / 4);
    const free = stood(37, 0.4).guard;
    const held = guardForce({ ...stood(37, 0.4), guard: { ...free, asOneRod: 37 / 0.75 } as never });
    const loose = guardForce(stood(37, 0.4));
    // As drawn the bundle is a little looser than the closest there is, and so a little stiffer as one rod.
    expect(37 / 0.75 / ratio).toBeGreaterThan(0.9);
    expect(37 / 0.75 / ratio).toBeLessThan(1.4);
    expect((held?.force ?? 0) / (loose?.force ?? 1)).toBeCloseTo(Math.sqrt(37 / 0.75), 6);
    expect((held?.forces[0] ?? 0) / (loose?.forces[0] ?? 1)).toBeCloseTo(1, 9);
    expect((held?.forces[1] ?? 0) / (loose?.forces[1] ?? 1)).toBeCloseTo(37 / 0.75, 6);
  });

  it('one so stiff that it takes most of the hook-set is flagged, and an everyday one is not', () => {
    const codes = (guard: object, size: string) =>
      judged('football', { guard, hook: { size } } as never).flags.map(({ code }) => code);
    expect(codes({ ...guardInitial('wire loop'), wire: 1.5, length: 26 }, '#4')).toContain('guard.stiff');
    expect(codes(guardInitial('fibre'), '3/0')).not.toContain('guard.stiff');
  });

  it('fanned wider than a jaw it is softer by the strands that stand beside it', () => {
    const reach = Math.hypot(20, 12 - 2.5);
    const width = 2 * (1 + reach * Math.sin(radians(60 / 2)));
    expect(guardForce(stood(16, 0.4, 60))?.pressed).toBeCloseTo(10 / width, 9);
    expect(guardForce(stood(16, 0.4, 60))?.force).toBeLessThan(guardForce(stood(16, 0.4))?.force ?? 0);
  });

  it('takes its share of the hook-set, and what is left drives the point by the wire’s section', () => {
    const { value, rig } = judged('stubby', { guard: guardInitial('fibre') as never });
    expect(value('guard.share')).toBeCloseTo(Math.min(1, value('guard.force') / value('hook.setPull')), 9);
    const section = (Math.PI / 4) * rig.measures.wire ** 2;
    expect(value('hook.penetration')).toBeCloseTo(
      Math.max(0, value('hook.setPull') - value('guard.force')) / (section * 3),
      9,
    );
    expect(value('hook.openingShare')).toBeCloseTo(value('hook.openingLoad') / (5.4 * GRAVITY), 9);
    expect(value('hook.brakeShare')).toBeCloseTo(value('hook.openingLoad') / (0.3 * 5.4 * GRAVITY), 9);
    const end = rig.guard?.end ?? [NaN, NaN, NaN];
    expect(value('guard.opening')).toBeCloseTo(
      Math.hypot(end[0] - rig.places.point[0], end[2] - rig.places.point[2]),
      9,
    );
  });
});
