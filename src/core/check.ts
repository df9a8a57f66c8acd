import { marked } from './quantity/phrase.ts';
import type { Design, Problem } from './design.ts';
import { completeDimensions } from './head/family.ts';
import { FAMILIES, familyOf } from './head/families/index.ts';
import { HOOK_CHART, hookMeasures } from './hook/chart.ts';
import type { Metal } from './material/metals.ts';
import { METALS } from './material/metals.ts';
import type { QuantityKind } from './quantity/units.ts';

/** Least metal that must stand around the wire for a head to be a head at all, mm on each side (common practice, no source). */
const LEAST_WALL = 0.3;

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
  for (const key of design.head.locks ?? []) {
    if (!family.dimensions.some((spec) => spec.key === key && spec.scales)) {
      say('/head/locks', `Locks: “${key}” is not a size of a ${family.name.toLowerCase()}. Lock one of ${family.dimensions.filter((spec) => spec.scales).map((spec) => spec.key).join(', ')}.`); // prettier-ignore
    }
  }
  return problems;
}

/** Whether hook, collar and guard fit the head they are put in. Names must be known. */
function checkFit(design: Design): Problem[] {
  const problems: Problem[] = [];
  const say = (path: string, message: string) => problems.push({ path, message });
  const family = familyOf(design.head.family);
  const measures = hookMeasures(design.hook);
  if (!family || !measures) return problems;

  const profile = family.profile(completeDimensions(family, design.head.dimensions));
  const knee = profile.length * (1 - design.eye.setback);
  const middle = profile.section(profile.length / 2);
  const room = 2 * Math.min(middle.b, middle.t, middle.d) - 2 * LEAST_WALL;
  if (measures.wire > room) {
    say('/hook/size', `Hook size: its wire of ${marked(measures.wire, 'size')} does not fit a head with ${marked(Math.max(0, room), 'size')} of room around the shank. Choose a smaller hook or a finer wire, or a larger head.`); // prettier-ignore
  }
  if (knee - measures.shank > -1) {
    say('/hook/size', `Hook size: the shank of ${marked(measures.shank, 'size')} ends inside the head, ${marked(knee, 'size')} of which lie behind the eye. Choose a longer hook, a shorter head, or set the eye further back.`); // prettier-ignore
  }
  if (design.keeper.kind === 'collar') {
    const { diameter, barb, barbs, length } = design.keeper;
    if (diameter < measures.wire + 2 * LEAST_WALL) {
      say('/keeper/diameter', `Collar diameter: ${marked(diameter, 'size')} leaves no metal around a wire of ${marked(measures.wire, 'size')}. Make it at least ${marked(measures.wire + 2 * LEAST_WALL, 'size')}, or take a finer wire.`); // prettier-ignore
    }
    if (barbs > 0 && barb > (3 * length) / barbs) {
      say('/keeper/barb', `Barb height: ${marked(barb, 'size')} is too steep for ${barbs} barbs on ${marked(length, 'size')}. Lower the barbs or lengthen the collar.`); // prettier-ignore
    }
    const offered = 2 * Math.max(...[0.2, 0.35, 0.5, 0.65].map((share) => {
      const { b, t, d } = profile.section(profile.length * share);
      return Math.min(b, t, d);
    })); // prettier-ignore
    if (diameter >= offered * 0.95) {
      say('/keeper/diameter', `Collar diameter: ${marked(diameter, 'size')} is as wide as the head, which offers ${marked(offered, 'size')}. Make the collar thinner or the head larger.`); // prettier-ignore
    }
    if (knee - measures.shank > -length - 0.5 && knee - measures.shank <= -1) {
      say('/keeper/length', `Collar length: ${marked(length, 'size')} runs into the hook’s bend. Shorten the collar or take a longer hook.`); // prettier-ignore
    }
  }
  if (design.guard.kind === 'fibre') {
    const x = profile.length * (1 - design.guard.setback);
    if (profile.section(x).t < measures.wire) {
      say(
        '/guard/setback',
        'Guard place: there is no metal to set the guard in so near the end of the head. Move it towards the middle.',
      );
    }
  }
  return problems;
}
