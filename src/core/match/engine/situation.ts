import type { Fishing, RodPower } from '../../behaviour/fishing.ts';
import { USUAL_FISHING } from '../../behaviour/fishing.ts';
import type { Surroundings } from '../../behaviour/behaviour.ts';
import type { Bottom, Clarity, Cover, Retrieve } from '../../document/brief-words.ts';
import type { Brief } from '../../document/brief.ts';
import { SALINITY } from '../../material/water.ts';
import { clamp } from '../../numeric/vec.ts';

/** A brief with nothing left out: what it says, and what is usual for the rest. m, m/s, °C, kg, mm, s. */
export interface Situation {
  readonly brief: Brief;
  readonly water: Required<Brief['water']>;
  readonly clarity: Clarity;
  readonly bottoms: readonly Bottom[];
  readonly slope: number;
  /** width of cracks, mm; 0 where there are none */
  readonly crack: number;
  readonly stone: number;
  readonly covers: readonly Cover[];
  readonly density: 'thin' | 'middling' | 'thick';
  readonly stem: number;
  readonly retrieve: Retrieve;
  /** whether the head is on the bottom for more than a moment */
  readonly touches: boolean;
  /** how long it lies still, s */
  readonly rest: number;
  readonly rests: 'none' | 'short' | 'long';
  readonly speed: number;
  readonly cast: number;
  readonly lineOut: number;
  readonly from: NonNullable<Brief['fishing']['from']>;
  readonly wind: NonNullable<Brief['fishing']['wind']>;
  readonly sounder: boolean;
  readonly line: Brief['line'];
  /** what the hook is judged by: leader or line, whichever parts first, kg */
  readonly hookTest: number;
  readonly rod: RodPower;
  readonly action: 'soft' | 'moderate' | 'fast';
  readonly rodLength: number;
  readonly perTurn: number;
  readonly bait: Brief['bait'];
  readonly mood: NonNullable<NonNullable<Brief['fish']>['mood']>;
  readonly size: NonNullable<NonNullable<Brief['fish']>['size']>;
  readonly wants: NonNullable<NonNullable<Brief['fish']>['wants']>;
  readonly lead: boolean;
  readonly price: number | undefined;
  /** from 0 in mild water to 1 at 5 °C and below: fish and plastics slow down by degrees */
  readonly cold: number;
  /** paths of the brief that say nothing, so that the usual was taken */
  readonly assumed: readonly string[];
}

interface Way {
  readonly speed: number;
  /** s in mild water */
  readonly rest: number;
  readonly touches: boolean;
}

/** How each retrieve is usually done (common practice where it is told, else working values; no source). */
const WAYS: Readonly<Record<Retrieve, Way>> = {
  drag: { speed: 0.2, rest: 4, touches: true },
  crawl: { speed: 0.35, rest: 1, touches: true },
  'wind on the bottom': { speed: 0.6, rest: 0, touches: true },
  hop: { speed: 0.2, rest: 3, touches: true },
  stroke: { speed: 0.3, rest: 2, touches: true },
  shake: { speed: 0.05, rest: 4, touches: true },
  swim: { speed: 0.7, rest: 0, touches: false },
  twitch: { speed: 0.4, rest: 0, touches: false },
  snap: { speed: 0.4, rest: 0, touches: false },
  'slow troll': { speed: 0.45, rest: 0, touches: false },
  drift: { speed: 0.25, rest: 0, touches: true },
  vertical: { speed: 0.02, rest: 0, touches: false },
  pendulum: { speed: 0.1, rest: 1, touches: true },
  pitch: { speed: 0.1, rest: 3, touches: true },
  skip: { speed: 0.1, rest: 3, touches: true },
  punch: { speed: 0.05, rest: 2, touches: true },
};

/** Cracks and stones by what lies below, mm (working values, no source). */
const CRACKS: Partial<Record<Bottom, number>> = {
  'broken rock': 15,
  ledges: 12,
  'stair-step': 8,
  gravel: 4,
  shell: 3,
};
const STONES: Partial<Record<Bottom, number>> = {
  'broken rock': 200,
  ledges: 400,
  'stair-step': 400,
  gravel: 30,
  shell: 30,
};
/** Stems and branches by cover, mm (working values, no source). */
const STEMS: Readonly<Record<Cover, number>> = {
  'sparse weed': 3,
  'grass or reeds': 6,
  'matted weed': 4,
  'brush and wood': 12,
  'posts and docks': 50,
};

/** Rests from this on are long, s; below the other there are none to speak of. */
const LONG = 6;
const SHORT = 0.5;

/** Water in which fish are slow: from mild to cold, °C (50 °F in the middle; common practice, no source). */
const MILD = 12;
const COLD = 5;

/** Sight to which water is clear, and under which it is murky, m (common practice, no source). */
const CLEAR = 2;
const MURKY = 0.5;

/** How high a rod’s tip is held over the water, as a share of its length (working value). */
export const TIP = 0.7;

/** The rod that usually goes with what parts first, kg (common practice, no source). */
export const usualRod = (test: number): RodPower =>
  test <= 1.2
    ? 'ultra light'
    : test <= 2.2
      ? 'light'
      : test <= 3.8
        ? 'medium light'
        : test <= 5.8
          ? 'medium'
          : test <= 9.5
            ? 'medium heavy'
            : 'heavy';

const most = (values: readonly (number | undefined)[]): number =>
  Math.max(0, ...values.map((value) => value ?? 0));

/** A brief with the usual values for what it leaves out, and which those are. */
export function situationOf(brief: Brief): Situation {
  const { water, bottom, cover, fishing, line, leader, rod, bait, fish } = brief;
  const assumed: string[] = [];
  const or = <T>(value: T | undefined, path: string, usual: T): T => {
    if (value !== undefined) return value;
    assumed.push(path);
    return usual;
  };
  const way = WAYS[fishing.retrieve];
  const temperature = or(water.temperature, '/water/temperature', 15);
  const sight = or(water.sight, '/water/sight', 1);
  const cold = clamp((MILD - temperature) / (MILD - COLD), 0, 1);
  const rest = or(fishing.rest, '/fishing/rest', way.rest * (1 + 2.5 * cold));
  const cast = or(fishing.cast, '/fishing/cast', 20);
  const rodLength = or(rod?.length, '/rod/length', 2.1);
  const hookTest = Math.min(line.test, leader?.test ?? Infinity);
  const { depth } = water;
  const straightDown = fishing.retrieve === 'vertical' || fishing.retrieve === 'pendulum';
  return {
    brief,
    water: {
      ...water,
      temperature,
      sight,
      current: or(water.current, '/water/current', 0),
    },
    clarity: sight >= CLEAR ? 'clear' : sight >= MURKY ? 'stained' : 'murky',
    bottoms: bottom.kinds,
    slope: or(bottom.slope, '/bottom/slope', 5),
    crack: or(bottom.crack, '/bottom/crack', most(bottom.kinds.map((kind) => CRACKS[kind]))),
    stone: or(bottom.stone, '/bottom/stone', most(bottom.kinds.map((kind) => STONES[kind]))),
    covers: cover.kinds,
    density: or(cover.density, '/cover/density', 'middling'),
    stem: or(cover.stem, '/cover/stem', most(cover.kinds.map((kind) => STEMS[kind])) || 6),
    retrieve: fishing.retrieve,
    touches: way.touches,
    rest,
    rests: rest >= LONG ? 'long' : rest >= SHORT ? 'short' : 'none',
    speed: or(fishing.speed, '/fishing/speed', way.speed),
    cast,
    lineOut: straightDown ? depth + TIP * rodLength + 0.2 : Math.max(cast, 1.6 * depth),
    from: or(fishing.from, '/fishing/from', 'bank'),
    wind: or(fishing.wind, '/fishing/wind', 'calm'),
    sounder: or(fishing.sounder, '/fishing/sounder', false),
    line,
    hookTest,
    rod: or(rod?.power, '/rod/power', usualRod(hookTest)),
    action: or(rod?.action, '/rod/action', 'moderate'),
    rodLength,
    perTurn: or(rod?.perTurn, '/rod/perTurn', USUAL_FISHING.perTurn),
    bait,
    mood: or(fish?.mood, '/fish/mood', 'willing'),
    size: or(fish?.size, '/fish/size', bait.length <= 50 ? 'panfish' : 'medium'),
    wants: or(fish?.wants, '/fish/wants', 'numbers'),
    lead: or(brief.lead, '/lead', true),
    price: brief.price,
    cold,
    assumed,
  };
}

/** The water of a situation, as its density is worked out from. */
export const waterOf = ({ temperature, kind }: Situation['water']) => ({
  temperature,
  salinity: SALINITY[kind],
});

/** What a situation says to the computation. */
export function surroundingsOf(situation: Situation): Surroundings {
  const { water, line, hookTest, rod, rodLength, perTurn, speed, lineOut, stem } = situation;
  const fishing: Partial<Fishing> = {
    // Casts go across a current: it meets the head from the side, and both speeds add up square.
    current: Math.hypot(speed, water.current) - speed,
    line: line.material,
    test: line.test,
    leader: hookTest,
    rod,
    rodHeight: TIP * rodLength,
    perTurn,
    speed: Math.max(0.02, speed),
    lineOut,
    // Stone has cracks of every width up to the usual; only one that was said is meant by its size.
    crack: situation.brief.bottom.crack ?? 0,
    stem,
  };
  return {
    water: waterOf(water),
    depth: water.depth,
    fishing,
  };
}

/** The surroundings of a brief. */
export const surroundingsOfBrief = (brief: Brief): Surroundings => surroundingsOf(situationOf(brief));
