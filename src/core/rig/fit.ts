import { marked } from '../quantity/phrase.ts';
import type { Assembly } from '../assemble.ts';
import { assemble } from '../assemble.ts';
import { checkDesign } from '../check.ts';
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
  const hookFix = firstFittingHook(design, plastic, method, waterDensity, metals);
  const checks = checksOf(design, assembly, plastic, geometry, hookFix, waterDensity);
  return { geometry, checks, verdict: worst(checks.map(({ verdict }) => verdict)) };
}

/** Degrees a buried body may be bent between seat and point before it spins (working limits, common practice, no source). */
const STRAIGHT = { good: 25, tight: 38 };

/** Limits on what fills the gap: half of it should stay free under a bare point, a third under a buried one (common practice, no source). */
const GAP_LIMITS: Readonly<Record<RigMethod, { good: number; tight: number }>> = {
  threaded: { good: 0.5, tight: 0.35 },
  buried: { good: 0.3, tight: 0.15 },
};

function checksOf(
  design: Design,
  assembly: Assembly,
  plastic: Plastic,
  geometry: RigGeometry,
  hookFix: string,
  waterDensity: number,
): FitCheck[] {
  const { gap } = assembly.measures;
  const checks: FitCheck[] = [];
  const check = (
    id: string,
    name: string,
    value: number,
    quantity: QuantityKind,
    good: readonly [number, number],
    tight: readonly [number, number],
    says: (verdict: Verdict) => string,
    fix: (verdict: Verdict) => string,
  ) => {
    const verdict = Number.isNaN(value) ? 'bad' : judge(value, good, tight);
    checks.push({ id, name, value, quantity, good, tight, verdict, says: says(verdict), fix: verdict === 'good' ? '' : fix(verdict) });
  };
  const anyHook = hookFix ? `Go to ${hookFix}` : 'No hook of the chart fits this body';
  const { good, tight } = EXIT_SHARE[plastic.kind];

  check('rig.exit', 'Hook comes out at', geometry.exitShare, 'share', good, tight,
    (verdict) => Number.isNaN(geometry.exit)
      ? 'The hook never leaves the body: the bend is lower than the back.'
      : verdict === 'good' ? 'It leaves the body where it should.'
      : geometry.exitShare < good[0] ? 'It leaves too early: the body swings free and short strikes miss.' : 'It leaves too far back and deadens the tail.',
    () => {
      const cut = cutForExit(assembly, plastic, geometry, waterDensity);
      const shorten = cut > 0.5 ? ` or cut ${marked(cut, 'size')} off the nose` : '';
      return `${anyHook}${shorten}.`;
    });
  const limits = GAP_LIMITS[geometry.method];
  check('rig.freeGap', geometry.method === 'threaded' ? 'Free gap over the plastic' : 'Room for the body to drop', geometry.freeGap, 'size',
    [limits.good * gap, Infinity], [limits.tight * gap, Infinity],
    (verdict) => verdict === 'good' ? 'The point has room to take hold.'
      : `The body takes ${Math.round(geometry.fill * 100)}% of the gap and shields the point.`,
    () => `${anyHook}, or take a slimmer plastic.`);
  check('rig.tailRoom', 'Body behind the hook', geometry.tailRoom, 'size', [0.06 * plastic.length, Infinity], [0, Infinity],
    (verdict) => verdict === 'good' ? 'Tail or claws move freely.' : 'The hook reaches into the part that should move.',
    () => `${anyHook}.`);
  const bite = assembly.hook.pointHeight - assembly.hook.eye.top;
  const sure = Math.min(6.35, 0.5 * gap);
  check('rig.bite', 'Bite above the eye', bite, 'size', [sure, Infinity], [sure / 2, Infinity],
    (verdict) => verdict === 'good' ? 'The point stands clear of the eye.' : 'The point stands too little above the eye.',
    () => 'Lean the eye forward, or take a larger hook.');
  const { shoulderHeight, shoulderBreadth } = geometry;
  // Of the two, the one further from 1 is judged.
  const shoulder = Math.abs(Math.log(shoulderHeight)) > Math.abs(Math.log(shoulderBreadth)) ? shoulderHeight : shoulderBreadth;
  const crosswise = design.head.family === 'football';
  check('rig.shoulder', 'Head against body', crosswise ? shoulderHeight : shoulder, 'share', [0.8, 1.35], [0.6, 1.9],
    (verdict) => verdict === 'good' ? 'Head and body run into each other.'
      : shoulder < 1 ? 'The body stands out behind the head and catches.' : 'The head stands out over the body; the nose will work loose.',
    () => {
      const wanted = shoulder < 1 ? 2 * geometryHalf(plastic) * 0.9 : 2 * geometryHalf(plastic) * 1.2;
      return shoulder < 1
        ? `Take a head about ${marked(wanted, 'size')} high, or a slimmer plastic.`
        : `Take a plastic about ${marked((extentHeight(assembly) / 1.2), 'size')} high at the nose, or a denser metal for a smaller head.`;
    });
  if (geometry.seat > 0) {
    const [safe, most] = SEAT_LIMIT[plastic.toughness];
    check('rig.seat', 'Collar against the nose', geometry.seat, 'share', [0.2, safe], [0.1, most],
      (verdict) => verdict === 'good' ? 'The collar fills the nose without splitting it.'
        : geometry.seat > safe ? `A ${plastic.toughness} plastic may split over this collar.` : 'The collar is too thin to hold the nose.',
      () => {
        const nose = (assemblyCrest(assembly) * 2) / geometry.seat;
        return geometry.seat > safe
          ? `Bring the collar with its barbs down to ${marked((nose * safe), 'size')}, or take a stretchier plastic.`
          : `Bring the collar with its barbs up to ${marked((nose * 0.4), 'size')}.`;
      });
  }
  if (geometry.method === 'buried') {
    check('rig.straight', 'Body bent by', geometry.bend, 'angle', [-8, STRAIGHT.good], [-16, STRAIGHT.tight],
      (verdict) => verdict === 'good' ? 'The body lies straight.' : 'The body is bent and will spin.',
      () => `${anyHook}, or thread it with the point bare.`);
  }
  return checks;
} // prettier-ignore

const geometryHalf = (plastic: Plastic) => plastic.height / 2;
const extentHeight = (assembly: Assembly) => {
  const { t, d } = assembly.profile.section(assembly.profile.length / 2);
  return t + d;
};
const assemblyCrest = ({ collar }: Assembly): number =>
  collar ? Math.max(...collar.breaks.map((x) => collar.radius(x - 1e-6)), collar.radius(-1e-6)) : 0;

/** Millimetres to cut off the nose so that the hook comes out within the good span; 0 where cutting does not help. */
function cutForExit(
  assembly: Assembly,
  plastic: Plastic,
  geometry: RigGeometry,
  waterDensity: number,
): number {
  const { good } = EXIT_SHARE[plastic.kind];
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
    const { good } = EXIT_SHARE[plastic.kind];
    const fits =
      exitShare >= good[0] &&
      exitShare <= good[1] &&
      freeGap >= GAP_LIMITS[method].good * assembly.measures.gap &&
      tailRoom >= 0.06 * plastic.length &&
      (method === 'threaded' || bend <= STRAIGHT.good);
    if (fits) return size;
  }
  return '';
}
