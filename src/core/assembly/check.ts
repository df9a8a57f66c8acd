import { shortened } from '../quantity/text.ts';
import type { Problem } from '../document/problem.ts';
import { marked } from '../quantity/phrase.ts';
import type { Design } from '../document/design.ts';
import { completeDimensions } from '../head/family.ts';
import { checkFit } from './check-fit.ts';
import type { Known } from './known.ts';
import { lookUp } from './known.ts';
import type { Rig } from './rig.ts';
import type { Metal } from '../material/metals/metal.ts';
import { METALS } from '../material/metals/index.ts';
import type { QuantityKind } from '../quantity/units.ts';

const inWords = (value: number, kind: QuantityKind): string =>
  kind === 'size' || kind === 'share' ? marked(value, kind) : String(Number(value.toPrecision(4)));

/**
 * Everything that keeps a document from being built, each with the field and the remedy; an empty list means
 * it can be built. Expects a document of the schema's shape.
 */
export function checkDesign(design: Design, metals: readonly Metal[] = METALS): Problem[] {
  const looked = lookUp(design, metals);
  return looked.ok ? checkFitted(design, looked.known) : [...looked.problems];
}

/** The same of a design whose names are looked up. */
export function checkFitted(design: Design, known: Known): Problem[] {
  const sizes = checkSizes(design, known);
  return sizes.length > 0 ? sizes : checkFit(design, known);
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
        message:
          `Guard: its hole, ${marked(2 * guard.bundleRadius, 'size')} across, breaks out of the ` +
          'head where it stands. Take fewer or thinner fibres or wires, a broader head, or move its ' +
          'base to where the head is fullest.',
      },
    ];
  }
  return [];
}

/** Dimensions of a document within their ranges, and locks, each with the field and the remedy. */
export function checkSizes(design: Design, { family }: Known): Problem[] {
  const problems: Problem[] = [];
  const say = (path: string, message: string) => problems.push({ path, message });
  for (const key of Object.keys(design.head.dimensions)) {
    if (!family.dimensions.some((spec) => spec.key === key)) {
      say(
        `/head/dimensions/${key}`,
        `Dimensions: a ${family.name.toLowerCase()} has no “${shortened(key, 40)}”. It has ` +
          `${family.dimensions.map((spec) => spec.key).join(', ')}.`,
      );
    }
  }
  const complete = completeDimensions(family, design.head.dimensions, design.head);
  for (const { key, name, kind, min, max } of family.dimensions) {
    const value = complete[key] ?? NaN;
    if (!(value >= min * (1 - 1e-9) && value <= max * (1 + 1e-9))) {
      say(
        `/head/dimensions/${key}`,
        `${name}: ${inWords(value, kind)} is outside ${inWords(min, kind)} to ${inWords(max, kind)}. ` +
          'Type a value between them.',
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
