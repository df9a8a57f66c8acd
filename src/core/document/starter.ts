import { guardInitial } from '../fitting/guards/index.ts';
import { keeperInitial } from '../fitting/keepers/index.ts';
import { STYLES } from '../hook/styles/index.ts';
import type { Design } from './design.ts';
import type { Family } from '../head/family.ts';
import { completeDimensions } from '../head/family.ts';
import { familyOf } from '../head/families/index.ts';
import { GRAMS_PER_OUNCE } from '../quantity/units.ts';

/**
 * A sound head to begin from: 3/8 oz of lead on a 3/0 with the eye at 60°, or what the family is usually made
 * as.
 */
export function starterDesign(family: Family, name: string): Design {
  const {
    grams = (3 / 8) * GRAMS_PER_OUNCE,
    hook,
    eye,
    keeper = 'collar',
    guard = 'none',
    stations,
  } = family.start ?? {};
  const style = STYLES.find(({ key }) => key === hook?.style)?.key;
  return {
    format: 'fern-anvil/design',
    version: 1,
    name,
    head: {
      family: family.key,
      dimensions: completeDimensions(family, {}),
      metal: 'lead',
      target: { grams, of: 'metal' },
      ...(stations ? { stations: [...stations] } : {}),
    },
    hook: { size: hook?.size ?? '3/0', grade: 'standard', ...(style ? { style } : {}) },
    eye: { angle: 60, plane: 'crosswise', setback: 0.42, ...eye },
    keeper: keeperInitial(keeper),
    guard: guardInitial(guard),
  };
}

/**
 * A design with another shape: sizes the two share are carried over within the new one's range; the weight
 * target does the rest.
 */
export function withFamily(now: Design, key: string): Design {
  const next = familyOf(key);
  if (!next) return now;
  const shared = Object.fromEntries(
    next.dimensions.flatMap((spec) => {
      const value = now.head.dimensions[spec.key];
      return value === undefined ? [] : [[spec.key, Math.min(spec.max, Math.max(spec.min, value))]];
    }),
  );
  const { solid: _solid, stations, ...head } = now.head;
  return {
    ...now,
    head: {
      ...head,
      family: key,
      dimensions: completeDimensions(next, shared),
      locks: [],
      ...(next.hasStations ? { stations: stations ?? [...(next.start?.stations ?? [])] } : {}),
    },
  };
}
