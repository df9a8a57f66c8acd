import { marked } from '../quantity/phrase.ts';
import type { Design, Problem } from '../document/design.ts';
import { completeDimensions } from '../head/family.ts';
import { FAMILIES, familyOf } from '../head/families/index.ts';
import { checkFit } from './check-fit.ts';
import { importedSolid } from '../head/imported.ts';
import { HOOK_CHART, hookMeasures } from '../hook/chart.ts';
import type { Metal } from '../material/metals.ts';
import { METALS } from '../material/metals.ts';
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

/** What a document names: family, metal, hook, dimensions within their ranges, locks. */
export function checkNames(design: Design, metals: readonly Metal[] = METALS): Problem[] {
  const problems: Problem[] = [];
  const say = (path: string, message: string) => problems.push({ path, message });

  const family = familyOf(design.head.family);
  if (!family) {
    say('/head/family', `Family: “${design.head.family.slice(0, 40)}” is not known. Use one of ${FAMILIES.map(({ key }) => key).join(', ')}.`); // prettier-ignore
  }
  if (!metals.some(({ key }) => key === design.head.metal)) {
    say('/head/metal', `Metal: “${design.head.metal.slice(0, 40)}” is not in the stores. Use one of ${metals.map(({ key }) => key).join(', ')}.`); // prettier-ignore
  }
  if (!hookMeasures(design.hook)) {
    say('/hook/size', `Hook size: “${design.hook.size.slice(0, 12)}” is not in the chart. Use one of ${HOOK_CHART.map(({ size }) => size).join(', ')}, or give measured sizes.`); // prettier-ignore
  }
  if (!family) return problems;

  for (const key of Object.keys(design.head.dimensions)) {
    if (!family.dimensions.some((spec) => spec.key === key)) {
      say(`/head/dimensions/${key}`, `Dimensions: a ${family.name.toLowerCase()} has no “${key.slice(0, 40)}”. It has ${family.dimensions.map((spec) => spec.key).join(', ')}.`); // prettier-ignore
    }
  }
  const complete = completeDimensions(family, design.head.dimensions);
  for (const { key, name, kind, min, max } of family.dimensions) {
    const value = complete[key] ?? NaN;
    if (!(value >= min * (1 - 1e-9) && value <= max * (1 + 1e-9))) {
      say(`/head/dimensions/${key}`, `${name}: ${inWords(value, kind)} is outside ${inWords(min, kind)} to ${inWords(max, kind)}. Type a value between them.`); // prettier-ignore
    }
  }
  problems.push(...checkGiven(design));
  for (const key of design.head.locks ?? []) {
    if (!family.dimensions.some((spec) => spec.key === key && spec.scales)) {
      say('/head/locks', `Locks: “${key}” is not a size of a ${family.name.toLowerCase()}. Lock one of ${family.dimensions.filter((spec) => spec.scales).map((spec) => spec.key).join(', ')}.`); // prettier-ignore
    }
  }
  return problems;
}

/** What a document must hold, or hold soundly, for its family: stations of an own profile, the solid of an imported head. */
function checkGiven({ head }: Design): Problem[] {
  if (head.family === 'imported') {
    if (!head.solid) {
      return [{ path: '/head/solid', message: 'Solid: an imported head needs its solid. Bring one in from an STL file, or choose another family.' }]; // prettier-ignore
    }
    if (!importedSolid(head.solid)) {
      return [{ path: '/head/solid', message: 'Solid: its data are cut short, or it does not reach to both sides of the shank. Bring it in again from its STL file.' }]; // prettier-ignore
    }
    const named = Object.keys(head.features ?? {});
    if (named.length > 0) {
      return [{ path: `/head/features/${named[0]}`, message: 'Features: an imported solid is taken as it is. Model the cut where the solid comes from, or draw the head here as an own profile.' }]; // prettier-ignore
    }
  }
  if (head.family === 'own' && head.stations) {
    const ats = head.stations.map(({ at }) => at);
    if (ats[0] !== 0 || ats.at(-1) !== 1) {
      return [{ path: '/head/stations', message: 'Stations: the first must stand at 0% and the last at 100% of the length. Move them to the ends.' }]; // prettier-ignore
    }
    if (ats.some((at, i) => i > 0 && at - (ats[i - 1] ?? 0) < 0.005)) {
      return [{ path: '/head/stations', message: 'Stations: each must stand in front of the one before it. Move them apart, or take one out.' }]; // prettier-ignore
    }
    if (!head.stations.some(({ breadth, rise, drop }) => breadth > 0.2 && rise > 0.05 && drop > 0.05)) {
      return [{ path: '/head/stations', message: 'Stations: none has any size. Give at least one of them breadth, rise and drop.' }]; // prettier-ignore
    }
  }
  return [];
}
