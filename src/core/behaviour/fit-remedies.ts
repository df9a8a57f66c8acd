import type { Assembly } from '../build/assemble.ts';
import { assemble } from '../build/assemble.ts';
import { checkDesign } from '../build/check.ts';
import type { Design } from '../document/design.ts';
import { HOOK_CHART, chartIndex } from '../hook/chart.ts';
import type { Metal } from '../material/metals.ts';
import { tailStart } from '../plastic/body.ts';
import type { Plastic } from '../document/plastic.ts';
import { exitLimits, GAP_LIMITS, STRAIGHT, TAIL_ROOM } from '../rigging/limits.ts';
import type { RigGeometry, RigMethod } from '../rigging/lay.ts';
import { layOnHead } from '../rigging/lay.ts';

/** Millimetres to cut off the nose so that the hook comes out within the good span; 0 where cutting does not help. */
export function cutForExit(
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
export function firstFittingHook(
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
