import { numberAt } from '../numeric/at.ts';
import type { Rig } from '../assembly/rig.ts';
import { totalMass } from '../assembly/rig.ts';
import { shadowOf } from '../head/mesh.ts';
import { sightOf } from '../head/surface.ts';
import { GRAVITY, waterDensity } from '../material/water.ts';
import { crossing } from '../numeric/root.ts';
import { MUNK_SHARE } from './added-mass.ts';
import type { Flag } from './behaviour.ts';
import { about, behaviour } from './behaviour.ts';
import { fallen } from './fall.ts';
import type { Fishing } from './fishing.ts';
import { fishingOf, lineFacts } from './fishing.ts';
import { oncePer } from './once.ts';
import { lineAngle } from './dragged.ts';
import type { Tow } from './tow.ts';
import { lineToRod, towed } from './tow.ts';
import { radians } from '../numeric/vec.ts';

/**
 * What drags, against what is reckoned with: the head's drag times a factor, and the line's coefficient where
 * it is another.
 */
export interface Dragging {
  readonly factor: number;
  readonly normal?: number;
}
/** What is reckoned with. */
const USUAL: Dragging = { factor: 1 };
/**
 * The head's drag 27% more and less, what published forms differ by (see the fall); the line's coefficient
 * from 1.0, a still cylinder at its Reynolds numbers of some hundreds (Hoerner 1965, from memory), to 1.4, a
 * line that hums (working value, no source).
 */
const LINE = { still: 1, humming: 1.4 };
const MOST: Dragging = { factor: 1.27, normal: LINE.humming };
const LEAST: Dragging = { factor: 0.73, normal: LINE.still };

/**
 * The head's drag as likely and as its span goes: as published forms part, or as it was measured; the line's
 * own in both.
 */
const draggings = ({ drag }: Rig) => ({
  usual: USUAL,
  least: drag ? { ...LEAST, factor: drag.low / drag.factor } : LEAST,
  most: drag ? { ...MOST, factor: drag.high / drag.factor } : MOST,
});
/** Share of a snap that the line's bow and stretch may keep from the head (working value, no source). */
const BOWED = 0.2;
/** Speeds looked at, m/s. */
const SLOWEST = 0.02;
const FASTEST = 6;
/** Sizes over the design's own between which the one that just keeps the bottom is looked for. */
const SMALLEST = 0.05;
const LARGEST = 6;
/** How near speeds and sizes are found, as a share of the greatest. */
const NARROW = 2e-5;

/** Depth a towed head keeps at a speed through the water, m, its drag times a factor. */
export function depthAt(
  tow: Tow,
  speed: number,
  density: number,
  fishing: Fishing,
  { factor, normal } = USUAL,
): number {
  const { drag, lift } = tow.at(speed);
  const pull = { weight: tow.weight - lift, drag: drag * factor };
  return lineToRod(pull, speed, density, fishing, normal).depth;
}

/**
 * Greatest speed through the water at which the head still reaches a depth, m/s; undefined where the line is
 * too short for it.
 */
export function bottomSpeed(
  tow: KnownTow,
  depth: number,
  density: number,
  fishing: Fishing,
  { factor, normal } = USUAL,
): number | undefined {
  const over = (speed: number) => {
    const { drag, lift } = tow.near(speed);
    const pull = { weight: tow.weight - lift, drag: drag * factor };
    return lineToRod(pull, speed, density, fishing, normal).depth - depth;
  };
  const [slowest, fastest] = [over(SLOWEST), over(FASTEST)];
  if (!(slowest >= 0)) return undefined;
  if (fastest >= 0) return FASTEST;
  return crossing(over, [SLOWEST, slowest], [FASTEST, fastest], NARROW * FASTEST);
}

/**
 * Size of the head, over its own, that just reaches a depth at a speed through the water: weight grows with
 * its cube, drag with its square. Undefined where even six times is too little.
 */
export function leastSize(
  tow: Tow,
  speed: number,
  depth: number,
  density: number,
  fishing: Fishing,
  { factor, normal } = USUAL,
): number | undefined {
  const { drag, lift } = tow.at(speed);
  const short = (k: number) => {
    const pull = { weight: tow.weight * k ** 3 - lift * k ** 2, drag: drag * factor * k ** 2 };
    return depth - lineToRod(pull, speed, density, fishing, normal).depth;
  };
  const [smallest, largest] = [short(SMALLEST), short(LARGEST)];
  if (!(largest <= 0)) return undefined;
  if (smallest <= 0) return SMALLEST;
  return crossing(short, [SMALLEST, smallest], [LARGEST, largest], NARROW * LARGEST);
}

/** A tow that is asked for many speeds. */
export interface KnownTow extends Tow {
  /** drag and lift at a speed between those they are worked out at, N, the drag within a few thousandths */
  readonly near: (speed: number) => { readonly drag: number; readonly lift: number };
}

/**
 * Ratio between the speeds a drag is worked out at, as a logarithm: eleven from the slowest to the fastest.
 */
const PER_STEP = Math.log(FASTEST / SLOWEST) / 10;

/** The head on the line, found once for a rig and its surroundings; undefined where it floats. */
export const towOf = oncePer((rig, around): KnownTow | undefined => {
  const found = towed(rig, around.water);
  const cache = new Map<number, ReturnType<Tow['at']>>();
  const exactly = (of: Tow, speed: number) => {
    const known = cache.get(speed);
    if (known) return known;
    const made = of.at(speed);
    cache.set(speed, made);
    return made;
  };
  return (
    found && {
      weight: found.weight,
      at: (speed: number, munk?: number) =>
        munk === undefined ? exactly(found, speed) : found.at(speed, munk),
      // Drag over the speed squared hardly changes from one of a few speeds to the next.
      near: (speed: number) => {
        const place = Math.max(0, Math.log(speed / SLOWEST) / PER_STEP);
        const low = Math.floor(place);
        const at = (step: number) => {
          const v = SLOWEST * Math.exp(step * PER_STEP);
          const { drag, lift } = exactly(found, v);
          return { drag: Math.log(drag / (v * v)), lift: lift / (v * v) };
        };
        const [a, b] = [at(low), at(low + 1)];
        const between = (x: number, y: number) => x + (y - x) * (place - low);
        return {
          drag: Math.exp(between(a.drag, b.drag)) * speed * speed,
          lift: between(a.lift, b.lift) * speed * speed,
        };
      },
    }
  );
});

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
