import type { Design } from '../document/design.ts';
import type { Problem } from '../document/problem.ts';
import type { Family } from '../head/family.ts';
import { FAMILIES, familyOf } from '../head/families/index.ts';
import type { HookMeasures } from '../hook/chart.ts';
import { HOOK_CHART, hookMeasures } from '../hook/chart.ts';
import type { Metal } from '../material/metals/metal.ts';
import { METALS } from '../material/metals/index.ts';
import { shortened } from '../quantity/text.ts';

/** What a design names, looked up: the same for every size its head is built in. */
export interface Known {
  readonly family: Family;
  readonly metal: Metal;
  readonly measures: HookMeasures;
}

/** What a design names, or what of it there is not, each with its field and the remedy. */
export type LookedUp =
  | { readonly ok: true; readonly known: Known }
  | { readonly ok: false; readonly problems: readonly Problem[] };

/**
 * Looks up shape, metal and hook of a design once, in the given store of metals or the reference list; what
 * is built of it is handed them.
 */
export function lookUp({ head, hook }: Design, metals: readonly Metal[] = METALS): LookedUp {
  const family = familyOf(head.family);
  const metal = metals.find(({ key }) => key === head.metal);
  const measures = hookMeasures(hook);
  if (family && metal && measures) return { ok: true, known: { family, metal, measures } };
  const problems: Problem[] = [];
  if (!family)
    problems.push({
      path: '/head/family',
      message: `Family: “${shortened(head.family, 40)}” is not known. Use one of ${FAMILIES.map(({ key }) => key).join(', ')}.`,
    });
  if (!metal)
    problems.push({
      path: '/head/metal',
      message: `Metal: “${shortened(head.metal, 40)}” is not in the stores. Use one of ${metals.map(({ key }) => key).join(', ')}.`,
    });
  if (!measures)
    problems.push({
      path: '/hook/size',
      message:
        `Hook size: “${shortened(hook.size, 12)}” is not in the chart. Use one of ` +
        `${HOOK_CHART.map(({ size }) => size).join(', ')}, or give measured sizes.`,
    });
  return { ok: false, problems };
}
