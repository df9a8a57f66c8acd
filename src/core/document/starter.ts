import type { Design, GuardSpec, KeeperSpec } from './design.ts';
import { HOOK_STYLES } from './design.ts';
import { guardKind } from '../fitting/guards/index.ts';
import { keeperKind } from '../fitting/keepers/index.ts';
import { OWN_STATIONS } from '../head/families/own.ts';
import type { Family } from '../head/family.ts';
import { completeDimensions } from '../head/family.ts';
import { GRAMS_PER_OUNCE } from '../quantity/units.ts';

/** A sound head to begin from: 3/8 oz of lead on a 3/0 with the eye at 60°, or what the family is usually made as. */
export function starterDesign(family: Family, name: string): Design {
  const {
    grams = (3 / 8) * GRAMS_PER_OUNCE,
    hook,
    eye,
    keeper = 'collar',
    guard = 'none',
  } = family.start ?? {};
  const style = HOOK_STYLES.find((candidate) => candidate === hook?.style);
  return {
    format: 'fern-anvil/design',
    version: 1,
    name,
    head: {
      family: family.key,
      dimensions: completeDimensions(family, {}),
      metal: 'lead',
      target: { grams, of: 'metal' },
      ...(family.key === 'own' ? { stations: [...OWN_STATIONS] } : {}),
    },
    hook: { size: hook?.size ?? '3/0', grade: 'standard', ...(style ? { style } : {}) },
    eye: { angle: 60, plane: 'crosswise', setback: 0.42, ...eye },
    keeper: starterKeeper(keeper),
    guard: starterGuard(guard),
  };
}

/** A keeper of a kind with everyday sizes. */
export const starterKeeper = (kind: KeeperSpec['kind']): KeeperSpec => keeperKind(kind).initial;

/** A guard of a kind with everyday sizes. */
export const starterGuard = (kind: GuardSpec['kind']): GuardSpec => guardKind(kind).initial;
