import { isObject } from '../kind/keys.ts';
import type { Design } from '../document/design.ts';
import { withFamily } from '../document/starter.ts';
import { measureOnHead } from '../rigging/lay.ts';
import { checkDesign } from '../assembly/check.ts';
import type { Limits } from '../plastic/kinds/kind.ts';
import type { Plastic } from '../plastic/schema.ts';
import { leftLength, tailStart } from '../plastic/body.ts';
import { assemble } from '../assembly/assemble.ts';
import { chartIndex, HOOK_CHART } from '../hook/chart.ts';
import type { Metal } from '../material/metals/metal.ts';
import type { Rig } from '../assembly/rig.ts';
import { plasticKindOf } from '../plastic/kinds/index.ts';
import { hookSizeLimits, MOST_CUT, TAIL_ROOM } from '../rigging/limits.ts';
import type { LaidMeasures, MethodKind, Remedy } from '../rigging/method.ts';
import type { MethodKey } from '../rigging/methods/index.ts';
import { METHODS } from '../rigging/methods/index.ts';

/** Where the hook should leave the body, or a covered point lie, as a share of the body. */
export const exitLimits = (plastic: Plastic, method: MethodKind): Limits =>
  method.exit ?? plasticKindOf(plastic.kind).exit;

/**
 * Millimetres to cut off the nose so that the hook comes out within the good span; 0 where cutting does not
 * help.
 */
export function cutForExit(rig: Rig, plastic: Plastic, method: MethodKind, laid: LaidMeasures): number {
  const { good } = exitLimits(plastic, method);
  // A cut moves the exit back along what is left, so it helps only when the hook leaves too early.
  if (!(laid.exitShare < good[0])) return 0;
  for (let cut = 1; cut <= MOST_CUT * plastic.length && cut < leftLength(plastic) / 2; cut += 1) {
    const tried = measureOnHead(rig, plastic, method, cut);
    if (tried.exitShare >= good[0] && tailStart(plastic) - cut > tried.exit) return cut;
  }
  return 0;
}

/**
 * The chart size nearest to the design's own for which gap, exit and tail room are all good; empty when there
 * is none.
 */
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
    const { exitShare, freeGap, tailRoom, bend, length } = measureOnHead(rig, plastic, method);
    const { good } = exitLimits(plastic, method);
    const fits =
      exitShare >= good[0] &&
      exitShare <= good[1] &&
      freeGap >= method.freeGap.good * rig.measures.gap &&
      tailRoom >= TAIL_ROOM * plastic.length &&
      rig.soldGap <= hookSizeLimits({ length, height: plastic.height }).good[1] * length &&
      (!method.straight || bend <= method.straight.good[1]);
    if (fits) return size;
  }
  return '';
}

/** What a person rigs: the three things a remedy may change. */
export interface Rigging {
  readonly design: Design;
  readonly plastic: Plastic;
  readonly method: MethodKey;
}

/** A document with the value at a JSON pointer changed; missing parents are made. */
function withValue<T>(document: T, path: string, value: unknown): T {
  const [, ...keys] = path.split('/');
  const put = (inner: unknown, [key, ...rest]: readonly string[]): unknown => {
    if (key === undefined) return value;
    const here = isObject(inner) ? inner : {};
    return { ...here, [key]: put(here[key], rest) };
  };
  return put(document, keys) as T;
}

/**
 * A rigging with a remedy done to it. A new hook size leaves the shop's own measure of the old one behind,
 * and a new shape its own sizes.
 */
export function applyRemedy(rigging: Rigging, { of, path, value }: Remedy): Rigging {
  if (of === 'method') {
    const method = METHODS.find(({ key }) => key === value)?.key;
    return method ? { ...rigging, method } : rigging;
  }
  if (of === 'plastic') return { ...rigging, plastic: withValue(rigging.plastic, path, value) };
  const design = withValue(rigging.design, path, value);
  if (path === '/hook/size')
    return { ...rigging, design: { ...design, hook: { ...design.hook, measured: undefined } } };
  if (path === '/head/family') return { ...rigging, design: withFamily(rigging.design, String(value)) };
  return { ...rigging, design };
}
