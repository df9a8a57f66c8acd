import { marked } from '../quantity/phrase.ts';
import type { Assembly } from '../assemble.ts';
import { assemble } from '../assemble.ts';
import { checkDesign } from '../check.ts';
import { extent, sureBite } from '../evaluate.ts';
import type { Design } from '../design.ts';
import type { Metal } from '../material/metals.ts';
import { METALS } from '../material/metals.ts';
import type { Plastic } from '../plastic/plastic.ts';
import { tailStart } from '../plastic/body.ts';
import { HOOK_CHART, chartIndex } from '../hook/chart.ts';
import type { QuantityKind } from '../quantity/units.ts';
import type { RigGeometry, RigMethod } from './rig.ts';
import { layOnHead } from './rig.ts';

export type Verdict = 'good' | 'tight' | 'bad';

/** One thing looked at when a plastic is put on a head. */
export interface FitCheck {
  readonly id: string;
  readonly name: string;
  readonly value: number;
  readonly quantity: QuantityKind;
  /** within these it is good, in stored units */
  readonly good: readonly [number, number];
  /** within these it is tight; beyond them bad */
  readonly tight: readonly [number, number];
  readonly verdict: Verdict;
  /** what the verdict means, in words */
  readonly says: string;
  /** what to change, in words; empty when good */
  readonly fix: string;
}

export interface Fit {
  readonly geometry: RigGeometry;
  readonly checks: readonly FitCheck[];
  /** the worst of the checks */
  readonly verdict: Verdict;
}

const ORDER: readonly Verdict[] = ['good', 'tight', 'bad'];
export const worst = (verdicts: readonly Verdict[]): Verdict =>
  ORDER[Math.max(0, ...verdicts.map((verdict) => ORDER.indexOf(verdict)))] ?? 'good';

function judge(value: number, good: readonly [number, number], tight: readonly [number, number]): Verdict {
  if (value >= good[0] && value <= good[1]) return 'good';
  return value >= tight[0] && value <= tight[1] ? 'tight' : 'bad';
}

/** Largest keeper over nose thickness each toughness bears before it splits (common practice, no source). */
const SEAT_LIMIT: Readonly<Record<Plastic['toughness'], readonly [number, number]>> = {
  soft: [0.55, 0.7],
  standard: [0.65, 0.8],
  stretchy: [0.85, 1.05],
};

/**
 * Where the hook should come out, as a share of the body (common practice, no source): near the middle of a paddle-tail, in the front half
 * of a stick, before the claws of a claw bait.
 */
const EXIT_SHARE: Readonly<
  Record<Plastic['kind'], { good: readonly [number, number]; tight: readonly [number, number] }>
> = {
  'paddle-tail': { good: [0.33, 0.6], tight: [0.25, 0.72] },
  stick: { good: [0.2, 0.5], tight: [0.14, 0.65] },
  claw: { good: [0.28, 0.5], tight: [0.2, 0.56] },
};

/** Buried, the point lies further forward than a bare hook comes out, since it points back to the head (working limits, common practice, no source). */
const BURIED_SHARE = { good: [0.12, 0.5], tight: [0.07, 0.6] } as const;

const exitLimits = (plastic: Plastic, method: RigMethod): Limits =>
  method === 'threaded' ? EXIT_SHARE[plastic.kind] : BURIED_SHARE;

/** Puts a plastic on a design and judges every point of the fit; fixes are found by trying them. waterDensity in kg/m³. */
export function judgeFit(
  design: Design,
  assembly: Assembly,
  plastic: Plastic,
  method: RigMethod,
  waterDensity: number,
  metals: readonly Metal[] = METALS,
): Fit {
  const geometry = layOnHead(assembly, plastic, method, waterDensity);
  const other = firstFittingHook(design, plastic, method, waterDensity, metals);
  const anyHook = other ? `Go to ${other}` : 'No hook of the chart fits this body';
  const look: Look = { design, assembly, plastic, geometry, anyHook, waterDensity };
  const checks = [
    exitCheck(look),
    gapCheck(look),
    tailCheck(look),
    biteCheck(look),
    shoulderCheck(look),
    ...(geometry.seat > 0 ? [seatCheck(look)] : []),
    ...(method === 'buried' ? [straightCheck(look)] : []),
  ];
  return { geometry, checks, verdict: worst(checks.map(({ verdict }) => verdict)) };
}

/** Body that should stay free behind the hook, as a share of its length (working limit, common practice, no source). */
const TAIL_ROOM = 0.06;

/** Degrees a buried body may be bent between seat and point before it spins (working limits, common practice, no source). */
const STRAIGHT = { good: 25, tight: 38 };

/** Limits on what fills the gap: half of it should stay free under a bare point, three tenths under a buried one (common practice, no source). */
const GAP_LIMITS: Readonly<Record<RigMethod, { good: number; tight: number }>> = {
  threaded: { good: 0.5, tight: 0.35 },
  buried: { good: 0.3, tight: 0.15 },
};

/** What one look at a rig needs. */
interface Look {
  readonly design: Design;
  readonly assembly: Assembly;
  readonly plastic: Plastic;
  readonly geometry: RigGeometry;
  /** the way out by another hook, as the start of a sentence */
  readonly anyHook: string;
  readonly waterDensity: number;
}

type Limits = Pick<FitCheck, 'good' | 'tight'>;
const atLeast = (good: number, tight: number): Limits => ({
  good: [good, Infinity],
  tight: [tight, Infinity],
});

/** A check from its value and limits; words and fix are made only for the verdict that came out. */
function checked(
  head: Pick<FitCheck, 'id' | 'name' | 'value' | 'quantity'> & Limits,
  says: (verdict: Verdict) => string,
  fix: () => string,
): FitCheck {
  const verdict = Number.isNaN(head.value) ? 'bad' : judge(head.value, head.good, head.tight);
  return { ...head, verdict, says: says(verdict), fix: verdict === 'good' ? '' : fix() };
}

function exitCheck({ assembly, plastic, geometry, anyHook, waterDensity }: Look): FitCheck {
  const { good, tight } = exitLimits(plastic, geometry.method);
  const bare = geometry.method === 'threaded';
  return checked(
    {
      id: 'rig.exit',
      name: bare ? 'Hook comes out at' : 'Point lies at',
      value: geometry.exitShare,
      quantity: 'share',
      good,
      tight,
    },
    (verdict) => {
      if (Number.isNaN(geometry.exit))
        return 'The hook never leaves the body: the bend is lower than the back.';
      if (verdict === 'good')
        return bare ? 'It leaves the body where it should.' : 'It lies where it should.';
      return geometry.exitShare < good[0]
        ? 'It is too near the nose: the body swings free and short strikes miss.'
        : 'It is too far back and deadens the tail.';
    },
    () => {
      const cut = cutForExit(assembly, plastic, geometry, waterDensity);
      return cut > 0 ? `${anyHook} or cut ${marked(cut, 'size')} off the nose.` : `${anyHook}.`;
    },
  );
}

function gapCheck({ assembly, geometry, anyHook }: Look): FitCheck {
  const { gap } = assembly.measures;
  const limits = GAP_LIMITS[geometry.method];
  return checked(
    {
      id: 'rig.freeGap',
      name: geometry.method === 'threaded' ? 'Free gap over the plastic' : 'Room for the body to drop',
      value: geometry.freeGap,
      quantity: 'size',
      ...atLeast(limits.good * gap, limits.tight * gap),
    },
    (verdict) =>
      verdict === 'good'
        ? 'The point has room to take hold.'
        : `The body takes ${Math.round(geometry.fill * 100)}% of the gap and shields the point.`,
    () => `${anyHook}, or take a slimmer plastic.`,
  );
}

function tailCheck({ plastic, geometry, anyHook }: Look): FitCheck {
  return checked(
    {
      id: 'rig.tailRoom',
      name: 'Body behind the hook',
      value: geometry.tailRoom,
      quantity: 'size',
      ...atLeast(TAIL_ROOM * plastic.length, 0),
    },
    (verdict) =>
      verdict === 'good' ? 'Tail or claws move freely.' : 'The hook reaches into the part that should move.',
    () => `${anyHook}.`,
  );
}

function biteCheck({ assembly: { hook, measures } }: Look): FitCheck {
  const sure = sureBite(measures.gap);
  return checked(
    {
      id: 'rig.bite',
      name: 'Bite above the eye',
      value: hook.pointHeight - hook.eye.top,
      quantity: 'size',
      ...atLeast(sure, sure / 2),
    },
    (verdict) =>
      verdict === 'good'
        ? 'The point stands clear of the eye.'
        : 'The point stands too little above the eye.',
    () => 'Lean the eye forward, or take a larger hook.',
  );
}

/** Metal inside a bait over the bait there: what is left must close around it (working limits, common practice, no source). */
const INSIDE: Limits = { good: [0.15, 0.72], tight: [0.08, 0.9] };
/** Head size over body size at the seat: near 1 they run into each other (working limits, common practice, no source). */
const SHOULDER: Limits = { good: [0.8, 1.35], tight: [0.6, 1.9] };

function shoulderCheck({ design, assembly, geometry: { shoulderHeight, shoulderBreadth } }: Look): FitCheck {
  if (assembly.family.within && !assembly.hook.hinge) {
    return checked(
      {
        id: 'rig.shoulder',
        name: 'Metal inside the body',
        value: Math.max(shoulderHeight, shoulderBreadth),
        quantity: 'share',
        ...INSIDE,
      },
      (verdict) =>
        verdict === 'good'
          ? 'The body closes around the metal.'
          : shoulderHeight > 0.5
            ? 'The metal fills the body and will split it.'
            : 'The metal is lost in the body.',
      () =>
        Math.max(shoulderHeight, shoulderBreadth) > INSIDE.good[1]
          ? 'Take a denser metal for a slimmer weight, less weight, or a thicker plastic.'
          : 'Take more weight, or a slimmer plastic.',
    );
  }
  // A free hook's bait ends clear of the head.
  if (assembly.hook.hinge) {
    return checked(
      {
        id: 'rig.shoulder',
        name: 'Head against body',
        value: shoulderHeight,
        quantity: 'share',
        good: [0, Infinity],
        tight: [0, Infinity],
      },
      () => 'The bait swings free behind the head.',
      () => '',
    );
  }
  // A football is meant to stand out sideways; of other heads the direction further from 1 is judged.
  const broader = Math.abs(Math.log(shoulderBreadth)) > Math.abs(Math.log(shoulderHeight));
  const value = broader && design.head.family !== 'football' ? shoulderBreadth : shoulderHeight;
  const { height } = extent(assembly);
  return checked(
    { id: 'rig.shoulder', name: 'Head against body', value, quantity: 'share', ...SHOULDER },
    (verdict) => {
      if (verdict === 'good') return 'Head and body run into each other.';
      return value < 1
        ? 'The body stands out behind the head and catches.'
        : 'The head stands out over the body; the nose will work loose.';
    },
    () =>
      value < 1
        ? `Take a head about ${marked((height / value) * 0.9, 'size')} high, or a slimmer plastic.`
        : `Take a plastic about ${marked(height / 1.2, 'size')} high at the nose, or a denser metal for a smaller head.`,
  );
}

function seatCheck({ plastic, geometry: { seat, crest } }: Look): FitCheck {
  const [safe, most] = SEAT_LIMIT[plastic.toughness];
  const nose = (2 * crest) / seat;
  return checked(
    {
      id: 'rig.seat',
      name: 'Collar against the nose',
      value: seat,
      quantity: 'share',
      good: [0.2, safe],
      tight: [0.1, most],
    },
    (verdict) => {
      if (verdict === 'good') return 'The collar fills the nose without splitting it.';
      return seat > safe
        ? `A ${plastic.toughness} plastic may split over this collar.`
        : 'The collar is too thin to hold the nose.';
    },
    () =>
      seat > safe
        ? `Bring the collar with its barbs down to ${marked(nose * safe, 'size')}, or take a stretchier plastic.`
        : `Bring the collar with its barbs up to ${marked(nose * 0.4, 'size')}.`,
  );
}

function straightCheck({ geometry, anyHook }: Look): FitCheck {
  return checked(
    {
      id: 'rig.straight',
      name: 'Body bent by',
      value: geometry.bend,
      quantity: 'angle',
      good: [-8, STRAIGHT.good],
      tight: [-16, STRAIGHT.tight],
    },
    (verdict) => (verdict === 'good' ? 'The body lies straight.' : 'The body is bent and will spin.'),
    () => `${anyHook}, or thread it with the point bare.`,
  );
}

/** Millimetres to cut off the nose so that the hook comes out within the good span; 0 where cutting does not help. */
function cutForExit(
  assembly: Assembly,
  plastic: Plastic,
  geometry: RigGeometry,
  waterDensity: number,
): number {
  const { good } = exitLimits(plastic, geometry.method);
  // A cut moves the exit back along what is left, so it helps only when the hook leaves too early; over a quarter of the bait is a waste.
  if (!(geometry.exitShare < good[0])) return 0;
  for (let cut = 1; cut <= 0.25 * plastic.length; cut += 1) {
    const tried = layOnHead(assembly, plastic, geometry.method, waterDensity, cut);
    if (tried.exitShare >= good[0] && tailStart(plastic) - cut > tried.exit) return cut;
  }
  return 0;
}

/** The chart size nearest to the design's own for which gap, exit and tail room are all good; empty when there is none. */
function firstFittingHook(
  design: Design,
  plastic: Plastic,
  method: RigMethod,
  waterDensity: number,
  metals: readonly Metal[],
): string {
  const own = chartIndex(design.hook.size);
  const nearest = [...HOOK_CHART.keys()].sort((a, b) => Math.abs(a - own) - Math.abs(b - own));
  for (const index of nearest) {
    const size = HOOK_CHART[index]?.size ?? '';
    if (index === own && !design.hook.measured) continue;
    const tried: Design = { ...design, hook: { ...design.hook, size, measured: undefined } };
    if (checkDesign(tried, metals).length > 0) continue;
    const assembly = assemble(tried, metals);
    const { exitShare, freeGap, tailRoom, bend } = layOnHead(assembly, plastic, method, waterDensity);
    const { good } = exitLimits(plastic, method);
    const fits =
      exitShare >= good[0] &&
      exitShare <= good[1] &&
      freeGap >= GAP_LIMITS[method].good * assembly.measures.gap &&
      tailRoom >= TAIL_ROOM * plastic.length &&
      (method === 'threaded' || bend <= STRAIGHT.good);
    if (fits) return size;
  }
  return '';
}
