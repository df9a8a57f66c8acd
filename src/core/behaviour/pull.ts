import { degrees, radians } from '../numeric/vec.ts';
import { about, behaviour } from './behaviour.ts';
import { crackOf } from './crack.ts';
import type { Dragged } from './dragged.ts';
import { draggedOver, draggings } from './dragged.ts';
import { fishingOf } from './fishing.ts';
import { climbShare, popFree, sheddingShare } from './front.ts';
import type { Flat } from './outline.ts';
import { turned } from './outline.ts';
import { LEVEL_TO } from './rest.ts';

/**
 * Share by which friction on the bottom may be off either way: wet stone, weed and slime differ by more than
 * that (working value, no source).
 */
const SLIPPERY = 0.25;
/** The same of how deep a nose must go into a crack to be held (working value, no source). */
const DEEPER = 0.2;

/**
 * How far an outline stands out in front of a line that rises from its origin by an angle, degrees, or of the
 * origin below it.
 */
function aheadOf(outline: Flat, line: number): number {
  const slope = Math.tan(radians(line));
  return Math.max(...outline.map(([x, z]) => (z > 0 ? (slope > 1e-9 ? x - z / slope : -Infinity) : x)));
}

/** What happens as it is dragged over, into and out of things. */
export const pull = behaviour({
  key: 'pull',
  needs: 'a moment later',
  readings: {
    'pull.lineAngle': {
      name: 'Line at the head',
      quantity: 'angle',
      unit: '°',
      kind: 'geometry',
      group: 'On the line',
      formula: 'asin((depth + rod height) / line out)',
      note: 'Elevation of a straight line from head to rod.',
    },
    'pull.pitch': {
      name: 'Nose down when dragged',
      quantity: 'angle',
      unit: '°',
      kind: 'model',
      group: 'On the bottom',
      formula: 'ψ where pull, weight and support balance',
      note:
        'Dragged slowly ({0.2 m/s}, common practice) over a level bottom: T = (μ (W − L) + D)/(cos ' +
        'θ + μ sin θ) at the eye, D and L what the water does to head and bait. It lies in the ' +
        'pose most landings end in, on its side where it falls over, its shank behind the line, ' +
        'and turns on from there, pulled, until all balance. A head that is made to hold a ' +
        'plastic and bears none is told with what it is usually fished with: a stick as long as ' +
        'its hook asks for, or a tube over a head that lies inside (common practice). The span is ' +
        'friction a quarter less or more, ground that is level to 5°, and other poses that a ' +
        'fifth of the landings end in (working values).',
    },
    'pull.noseAhead': {
      name: 'Nose ahead of the line',
      quantity: 'size',
      unit: 'mm',
      kind: 'model',
      group: 'On the bottom',
      formula: 'max (x − max(0, z)/tan θ)',
      note:
        'How far metal stands out in front of the taut line, or of the eye below it, as it is ' +
        'dragged: what meets an edge before the line has lifted the head. Below zero the line ' +
        'meets it first. As it lies when it is dragged, with its usual bait, and the same span.',
      compared: true,
    },
    'pull.climbShare': {
      name: 'Share of the face that rides up',
      quantity: 'share',
      unit: '1',
      kind: 'model',
      group: 'On the bottom',
      formula: 'heights with θ + β ≥ atan μ',
      note:
        'Of the front’s height, the part on which an edge makes the head ride up: line angle and ' +
        'how far the surface faces down beat the angle of friction. The convex outline in the ' +
        'attitude of drag, and its span.',
      compared: true,
    },
    'pull.crackWidth': {
      name: 'Narrowest crack entered',
      quantity: 'size',
      unit: 'mm',
      kind: 'model',
      group: 'On the bottom',
      formula: 'min(breadth, height) a quarter behind the nose',
      note:
        'Width a quarter of its length behind the nose, the lesser of breadth and height, since ' +
        'it can roll: a narrower crack does not hold it (working value). The span is a fifth less ' +
        'or more of that quarter.',
      compared: true,
    },
    'pull.jams': {
      name: 'Jams in it',
      quantity: 'number',
      unit: '1',
      decimals: 0,
      kind: 'model',
      group: 'On the bottom',
      formula: 'closing angle < 2 atan μ',
      note:
        '1 where the sides of the nose close at less than twice the angle of friction in the ' +
        'crack, or in the narrowest it enters if that is wider: a self-locking wedge (statics of ' +
        'the wedge). Else 0. The span is friction a quarter less or more (working value).',
    },
    'pull.shedding': {
      name: 'Sheds stems',
      quantity: 'share',
      unit: '1',
      kind: 'model',
      group: 'On the bottom',
      formula: 'breadths swept back by more than atan μ',
      note:
        'Share of the frontal breadth, seen from above, whose sweep lets an upright stem slide ' +
        'off to the side. The convex outline. The span is friction a quarter less or more ' +
        '(working value).',
      compared: true,
    },
    'pull.climbsBar': {
      name: 'Climbs a bar',
      quantity: 'number',
      unit: '1',
      decimals: 0,
      kind: 'practice',
      group: 'On the bottom',
      formula: 'eye crosswise',
      note:
        '1: over a bar or branch a crosswise eye lets the head climb nose up. 0: an in-line eye ' +
        'rolls it aside. Practitioners differ on which is better in wood (common practice, no ' +
        'source).',
    },
    'pull.popFree': {
      name: 'Line angle that frees it',
      quantity: 'angle',
      unit: '°',
      kind: 'model',
      group: 'On the bottom',
      formula: 'θ where 80% of the front slides',
      note:
        'Least angle of the line at which four fifths of the front’s height slides up off what ' +
        'holds it (working share): the less, the sooner it pops free. The span is that of the ' +
        'attitude of drag.',
      compared: true,
    },
  },
  read(rig, around) {
    const fishing = fishingOf(around);
    const { angle: closes } = crackOf(rig, fishing.crack);
    const found = (friction: number, { outline, above, line, pitch }: Dragged) => {
      const phi = degrees(Math.atan(friction));
      return {
        line,
        pitch,
        ahead: aheadOf(outline, line),
        climbs: climbShare(outline, line, phi),
        sheds: sheddingShare(above, phi),
        free: popFree(outline, phi),
        jams: closes < 2 * phi ? 1 : 0,
      };
    };
    const { friction } = fishing;
    const [lies, ...others] = draggings(rig, around, friction);
    if (!lies) return {};
    const usual = found(friction, lies);
    const ends = [
      ...[1 - SLIPPERY, 1 + SLIPPERY].flatMap((share) => {
        const dragged = draggedOver(rig, around, share * friction);
        return dragged ? [found(share * friction, dragged)] : [];
      }),
      ...others.map((dragged) => found(friction, dragged)),
      // On ground that falls or rises a little it lies nose down by as much more or less.
      ...[-LEVEL_TO, LEVEL_TO].map((by) =>
        found(friction, {
          ...lies,
          pitch: lies.pitch + by,
          outline: lies.outline.map((point) => turned(radians(by), point)),
        }),
      ),
    ];
    const spanned = (of: keyof typeof usual) =>
      about(
        usual[of],
        ends.map((end) => end[of]),
      );
    return {
      'pull.lineAngle': usual.line,
      'pull.pitch': spanned('pitch'),
      'pull.noseAhead': spanned('ahead'),
      'pull.climbShare': spanned('climbs'),
      'pull.crackWidth': about(
        crackOf(rig).width,
        [1 - DEEPER, 1 + DEEPER].map((share) => crackOf(rig, 0, share).width),
      ),
      'pull.jams': spanned('jams'),
      'pull.shedding': spanned('sheds'),
      'pull.popFree': spanned('free'),
      'pull.climbsBar': rig.hook.eye.plane === 'crosswise' ? 1 : 0,
    };
  },
});
