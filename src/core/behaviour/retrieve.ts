import { numberAt } from '../numeric/at.ts';
import type { Rig } from '../assembly/rig.ts';
import { totalMass } from '../assembly/rig.ts';
import { shadowOf } from '../head/mesh.ts';
import { sightOf } from '../head/surface.ts';
import { GRAVITY, waterDensity } from '../material/water.ts';
import { MUNK_SHARE } from './added-mass.ts';
import type { Flag } from './behaviour.ts';
import { about, behaviour } from './behaviour.ts';
import { fallen } from './fall.ts';
import { fishingOf, lineFacts } from './fishing.ts';
import { lineAngle } from './dragged.ts';
import type { Tow } from './tow.ts';
import { radians } from '../numeric/vec.ts';
import type { Dragging } from './towed-depth.ts';
import { USUAL, draggings, SLOWEST, depthAt, bottomSpeed, leastSize, towOf } from './towed-depth.ts';

/** Share of a snap that the line's bow and stretch may keep from the head (working value, no source). */
const BOWED = 0.2;

/** How it goes on the retrieve. */
export const retrieve = behaviour({
  key: 'retrieve',
  needs: 'a moment later',
  readings: {
    'retrieve.depth': {
      name: 'Depth it keeps',
      quantity: 'depth',
      unit: 'm',
      kind: 'model',
      group: 'On the line',
      formula: 'towed line, marched from the head',
      note:
        'At the speed over ground and the current against it, with that line out. Weight and drag ' +
        'of the head in its towed pitch, the lift of hook and bait met at an angle, weight and ' +
        'drag of the line (Hoerner 1965, cross-flow); straight through the air to the rod. The ' +
        'span takes the head’s drag 27% less and more and the line’s coefficient from 1.0 to 1.4. ' +
        'Deeper than the bottom means that it stays on it.',
      compared: true,
    },
    'retrieve.maxBottomSpeed': {
      name: 'Fastest on the bottom',
      quantity: 'speed',
      unit: 'm/s',
      kind: 'model',
      group: 'On the line',
      formula: 'V where depth(V) = depth',
      note:
        'Greatest speed over ground at which it still keeps the bottom with that line out, the ' +
        'current against it taken off. Absent where the line out is too short.',
      compared: true,
      decides: true,
    },
    'retrieve.leastWeight': {
      name: 'Least weight that keeps it',
      quantity: 'mass',
      unit: 'g',
      kind: 'model',
      group: 'On the line',
      formula: 'm k³ where depth(k) = depth',
      note:
        'This head made smaller or larger, hook, bait and all, until it just keeps the bottom at ' +
        'that speed: its weight on the scale.',
      compared: true,
    },
    'retrieve.pitch': {
      name: 'Nose down on the retrieve',
      quantity: 'angle',
      unit: '°',
      kind: 'model',
      group: 'On the line',
      formula: 'ψ where M(ψ) = 0 about the eye',
      note:
        'Pitch in which weight and drag balance about the eye at that speed. A free hook pulls at ' +
        'its hinge. The span is that of the drag.',
    },
    'retrieve.hookPitch': {
      name: 'Free hook on the retrieve',
      quantity: 'angle',
      unit: '°',
      kind: 'model',
      group: 'On the line',
      formula: 'ψ₂ where M₂(ψ₂) = 0 about the hinge',
      note:
        'Nose-down pitch of a free hook’s shank at that speed, with the bait on it: 0 trails ' +
        'straight, more carries the bend above the hinge, as a bait that floats does, less lets ' +
        'it hang. The span is that of the drag, and of the moment that turns a body broadside.',
    },
    'retrieve.dragArea': {
      name: 'Drag area',
      quantity: 'area',
      unit: 'mm²',
      kind: 'model',
      group: 'On the line',
      formula: 'F / (½ ρ V²)',
      note:
        'Of head, hook and bait in the pitch they take at that speed: what they pull with, ' +
        'whatever the speed. The match reckons from it which weight keeps the bottom. The span is ' +
        '27% either way, as of the fall.',
    },
    'retrieve.perGram': {
      name: 'Depth for a tenth of a gram',
      quantity: 'depth',
      unit: 'm',
      kind: 'model',
      group: 'On the line',
      formula: 'Δdepth for 0.1 g of submerged weight',
      note:
        'How much deeper it goes at that speed for a tenth of a gram more weight in water, its ' +
        'size unchanged: what the hundredths matter on a slow troll. The span is that of the ' +
        'depth.',
    },
    'retrieve.handle': {
      name: 'Turns of the handle',
      quantity: 'number',
      unit: '1/s',
      decimals: 2,
      kind: 'geometry',
      group: 'On the line',
      formula: 'V / line per turn',
      note: 'Speed over ground as turns of the reel’s handle each second.',
    },
    'retrieve.snapRise': {
      name: 'Rise in a snap',
      quantity: 'depth',
      unit: 'm',
      kind: 'model',
      group: 'On the line',
      formula: 's · sin θ',
      note:
        'The tip moved by the snap’s length, along a straight line at its angle; its bow and ' +
        'stretch may keep a fifth of it (working value).',
    },
    'retrieve.snapPause': {
      name: 'Pause that holds the depth',
      quantity: 'time',
      unit: 's',
      kind: 'model',
      group: 'On the line',
      formula: 'x_fall(t) = rise',
      note:
        'Time in which it falls back, on a slack line from rest, by what the snap has lifted it. ' +
        'The span is that of the fall and of the rise.',
    },
    'retrieve.glide': {
      name: 'Sideways reach',
      quantity: 'number',
      unit: '1',
      decimals: 1,
      kind: 'index',
      group: 'On the line',
      formula: '(area from above / area from the front)^½',
      note:
        'How much more water it lies on than it parts, as it falls level, by the surface that ' +
        'drag sees, fins, cheeks and channels with it: compares gliders, says nothing in metres.',
    },
    'line.hiddenBite': {
      name: 'Slack that hides a bite',
      quantity: 'size',
      unit: 'mm',
      kind: 'practice',
      group: 'On the line',
      formula: 'coil · line out · (1 − pull / straightening pull)',
      note:
        'How far a bite must move the line before the tip shows it: slack that coils leave, drawn ' +
        'out by the head’s own weight. Nylon 2%, fluorocarbon 1.5%, braid 0.2% of the line; 1% of ' +
        'its test pulls it straight (common practice, no source).',
    },
  },
  read(rig, around) {
    const fishing = fishingOf(around);
    const tow = towOf(rig, around);
    if (!tow) return {};
    const rho = waterDensity(around.water);
    const { speed, current } = fishing;
    const through = Math.max(SLOWEST, speed + current);
    const depth = (dragging: Dragging) => depthAt(tow, through, rho, fishing, dragging);
    const most = (dragging: Dragging) => bottomSpeed(tow, around.depth, rho, fishing, dragging);
    const grams = (dragging: Dragging) => {
      const size = leastSize(tow, through, around.depth, rho, fishing, dragging);
      return size === undefined ? undefined : totalMass(rig) * size ** 3;
    };
    const { least, usual, most: dragMost } = draggings(rig);
    const kind = rig.drag && !rig.bait ? ('measured' as const) : undefined;
    const spanned = (value: (dragging: Dragging) => number | undefined, less = 0) => {
      const [middle, low, high] = [usual, dragMost, least].map(value);
      if (middle === undefined) return undefined;
      // With much line out less drag can mean less depth too: the span is about the value in any case.
      const ends = [middle, low ?? middle, high ?? middle].sort((a, b) => a - b);
      return {
        value: Math.max(0, middle - less),
        range: [Math.max(0, numberAt(ends, 0) - less), Math.max(0, numberAt(ends, 2) - less)] as const,
        kind,
      };
    };
    const { drag, pitch, hookPitch } = tow.at(through);
    const ends = [least, dragMost];
    // More or less drag at this speed turns it as another speed would; so does more or less of the moment
    // that turns it broadside.
    const turns = [
      ...ends.map(({ factor }) => tow.at(through * Math.sqrt(factor))),
      ...[MUNK_SHARE.least, MUNK_SHARE.most].map((munk) => tow.at(through, munk)),
    ];
    const turned = (angle: number, of: (at: ReturnType<Tow['at']>) => number | undefined) =>
      about(
        angle,
        turns.flatMap((at) => of(at) ?? []),
      );
    const deeper = (dragging: Dragging) =>
      depthAt({ at: tow.at, weight: tow.weight + (0.1 * GRAVITY) / 1000 }, through, rho, fishing, dragging) -
      depth(dragging);
    const rise =
      fishing.snap * Math.sin(radians(lineAngle(around.depth, fishing.rodHeight, fishing.lineOut)));
    const fall = fallen(rig, around);
    const { strength, coil } = lineFacts(fishing);
    const dragArea = (1e6 * drag) / (0.5 * rho * through * through);
    return {
      'retrieve.dragArea': {
        value: dragArea,
        range: [least.factor * dragArea, dragMost.factor * dragArea] as const,
        kind,
      },
      'retrieve.depth': spanned(depth),
      'retrieve.maxBottomSpeed': spanned(most, current),
      'retrieve.leastWeight': spanned(grams),
      'retrieve.pitch': turned(pitch, (at) => at.pitch),
      'retrieve.hookPitch': hookPitch === undefined ? undefined : turned(hookPitch, (at) => at.hookPitch),
      'retrieve.perGram': about(deeper(USUAL), ends.map(deeper)),
      'retrieve.handle': speed / fishing.perTurn,
      'retrieve.snapRise': about(rise, [(1 - BOWED) * rise]),
      'retrieve.snapPause':
        fall.speed > 0
          ? about(fall.timeTo(rise), [
              fall.timeTo((1 - BOWED) * rise, fall.speeds[1]),
              fall.timeTo(rise, fall.speeds[0]),
            ])
          : undefined,
      'retrieve.glide': Math.sqrt(flatness(rig)),
      'line.hiddenBite':
        1000 * coil * fishing.lineOut * Math.max(0, 1 - tow.weight / (STRAIGHTENS * strength)),
    };
  },
  flags(_rig, value, around): Flag[] {
    const limit = value('retrieve.maxBottomSpeed');
    const { speed } = fishingOf(around);
    if (!around.fishing || !(limit < speed)) return [];
    return [
      {
        level: 'note',
        code: 'retrieve.lifts',
        path: '/head/target',
        text:
          'Retrieve: at that speed and with that line out it lifts off the bottom. Go slower, take ' +
          'thinner line, or more weight.',
        brief: 'lifts off the bottom',
      },
    ];
  },
});

/** Share of a line's test that draws its coils straight (common practice, no source). */
const STRAIGHTENS = 0.01;

/**
 * Area that the head's own surface, fins and cuts with it, shows from above over what it shows from the
 * front.
 */
function flatness({ head }: Rig): number {
  const shown = shadowOf(sightOf(head).mesh);
  return shown(0, 0, 1) / shown(1, 0, 0);
}
