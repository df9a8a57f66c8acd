import type { Design } from '../document/design.ts';
import { layOnHead } from '../rigging/lay.ts';
import { checkDesign } from '../build/check.ts';
import type { Limits } from '../plastic/kinds/kind.ts';
import type { Plastic } from '../plastic/schema.ts';
import { tailStart } from '../plastic/body.ts';
import { assemble } from '../build/assemble.ts';
import { chartIndex, HOOK_CHART } from '../hook/chart.ts';
import type { Metal } from '../material/metals/metal.ts';
import type { Rig } from '../build/rig.ts';
import { plasticKindOf } from '../plastic/kinds/index.ts';
import type { LaidPlastic, MethodKind } from '../rigging/method.ts';
/** Body that should stay free behind the hook, as a share of its length (working limit, common practice, no source). */
export const TAIL_ROOM = 0.06;

/** Where the hook should leave the body, or a buried point lie, as a share of the body. */
export const exitLimits = (plastic: Plastic, method: MethodKind): Limits =>
  method.exit ?? plasticKindOf(plastic.kind).exit;

/** Longest piece cut off a nose, as a share of the plastic: beyond it is a waste (working limit). */
const MOST_CUT = 0.25;

/** Millimetres to cut off the nose so that the hook comes out within the good span; 0 where cutting does not help. */
export function cutForExit(rig: Rig, plastic: Plastic, method: MethodKind, laid: LaidPlastic): number {
  const { good } = exitLimits(plastic, method);
  // A cut moves the exit back along what is left, so it helps only when the hook leaves too early.
  if (!(laid.exitShare < good[0])) return 0;
  for (let cut = 1; cut <= MOST_CUT * plastic.length; cut += 1) {
    const tried = layOnHead(rig, plastic, method, cut);
    if (tried.exitShare >= good[0] && tailStart(plastic) - cut > tried.exit) return cut;
  }
  return 0;
}

/** The chart size nearest to the design's own for which gap, exit and tail room are all good; empty when there is none. */
export function firstFittingHook(
  design: Design,
  plastic: Plastic,
  method: MethodKind,
  metals: readonly Metal[],
): string {
  const own = chartIndex(design.hook.size);
  const nearest = [...HOOK_CHART.keys()].sort((a, b) => Math.abs(a - own) - Math.abs(b - own));
  for (const index of nearest) {
    const size = HOOK_CHART[index]?.size ?? '';
    if (index === own && !design.hook.measured) continue;
    const tried: Design = { ...design, hook: { ...design.hook, size, measured: undefined } };
    if (checkDesign(tried, metals).length > 0) continue;
    const rig = assemble(tried, metals);
    const { exitShare, freeGap, tailRoom, bend } = layOnHead(rig, plastic, method);
    const { good } = exitLimits(plastic, method);
    const fits =
      exitShare >= good[0] &&
      exitShare <= good[1] &&
      freeGap >= method.freeGap.good * rig.measures.gap &&
      tailRoom >= TAIL_ROOM * plastic.length &&
      (!method.straight || bend <= method.straight.good[1]);
    if (fits) return size;
  }
  return '';
}
