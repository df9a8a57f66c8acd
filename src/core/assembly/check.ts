import { shortened } from '../quantity/text.ts';
import type { Problem } from '../document/problem.ts';
import { marked } from '../quantity/phrase.ts';
import type { Design } from '../document/design.ts';
import { completeDimensions } from '../head/family.ts';
import { FAMILIES, familyOf } from '../head/families/index.ts';
import { checkFit } from './check-fit.ts';
import type { Rig } from './rig.ts';
import { HOOK_CHART, hookMeasures } from '../hook/chart.ts';
import type { Metal } from '../material/metals/metal.ts';
import { METALS } from '../material/metals/index.ts';
import type { QuantityKind } from '../quantity/units.ts';

const inWords = (value: number, kind: QuantityKind): string =>
  kind === 'size' || kind === 'share' ? marked(value, kind) : String(Number(value.toPrecision(4)));

/**
 * Everything that keeps a document from being built, each with the field and the remedy; an empty list means it can be built.
 * Expects a document of the schema's shape.
 */
export function checkDesign(design: Design, metals: readonly Metal[] = METALS): Problem[] {
  const names = checkNames(design, metals);
  return names.length > 0 ? names : checkFit(design);
}

/** What only the built head shows to be impossible, each with the field and the remedy. */
export function checkBuilt({ parts, guard }: Pick<Rig, 'parts' | 'guard'>): Problem[] {
  if (!parts.every(({ mass }) => Number.isFinite(mass) && mass > 0)) {
    return [
      {
        path: '/head/dimensions',
        message:
          'Head: no metal is left once the wire and the holes are taken out. Make the head larger or the hook smaller.',
      },
    ];
  }
  if (guard && !guard.isSet) {
    return [
      {
        path: '/guard',
        message: `Guard: its hole, ${marked(2 * guard.bundleRadius, 'size')} across, breaks out of the head where it stands. Take fewer or thinner fibres or wires, a broader head, or move its base to where the head is fullest.`,
      },
    ];
  }
  return [];
}

/** Family, metal and hook, where a document names one that there is not. */
export function checkKnown(design: Design, metals: readonly Metal[] = METALS): Problem[] {
  const problems: Problem[] = [];
  const say = (path: string, message: string) => problems.push({ path, message });
  if (!familyOf(design.head.family)) {
    say(
      '/head/family',
      `Family: “${shortened(design.head.family, 40)}” is not known. Use one of ${FAMILIES.map(({ key }) => key).join(', ')}.`,
    );
  }
  if (!metals.some(({ key }) => key === design.head.metal)) {
    say(
      '/head/metal',
      `Metal: “${shortened(design.head.metal, 40)}” is not in the stores. Use one of ${metals.map(({ key }) => key).join(', ')}.`,
    );
  }
  if (!hookMeasures(design.hook)) {
    say(
      '/hook/size',
      `Hook size: “${shortened(design.hook.size, 12)}” is not in the chart. Use one of ${HOOK_CHART.map(({ size }) => size).join(', ')}, or give measured sizes.`,
    );
  }
  return problems;
}

/** What a document names: family, metal, hook, dimensions within their ranges, locks. */
export function checkNames(design: Design, metals: readonly Metal[] = METALS): Problem[] {
  const problems = checkKnown(design, metals);
  const say = (path: string, message: string) => problems.push({ path, message });
  const family = familyOf(design.head.family);
  if (!family) return problems;

  for (const key of Object.keys(design.head.dimensions)) {
    if (!family.dimensions.some((spec) => spec.key === key)) {
      say(
        `/head/dimensions/${key}`,
        `Dimensions: a ${family.name.toLowerCase()} has no “${shortened(key, 40)}”. It has ${family.dimensions.map((spec) => spec.key).join(', ')}.`,
      );
    }
  }
  const complete = completeDimensions(family, design.head.dimensions, design.head);
  for (const { key, name, kind, min, max } of family.dimensions) {
    const value = complete[key] ?? NaN;
    if (!(value >= min * (1 - 1e-9) && value <= max * (1 + 1e-9))) {
      say(
        `/head/dimensions/${key}`,
        `${name}: ${inWords(value, kind)} is outside ${inWords(min, kind)} to ${inWords(max, kind)}. Type a value between them.`,
      );
    }
  }
  for (const { field, message } of family.check?.(design.head) ?? [])
    problems.push({ path: `/head/${field}`, message });
  for (const key of design.head.locks ?? []) {
    if (!family.dimensions.some((spec) => spec.key === key && spec.scales)) {
      say(
        '/head/locks',
        `Locks: “${key}” is not a size of a ${family.name.toLowerCase()}. Lock one of ${family.dimensions
          .filter((spec) => spec.scales)
          .map((spec) => spec.key)
          .join(', ')}.`,
      );
    }
  }
  return problems;
}
