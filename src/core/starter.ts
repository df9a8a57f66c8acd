import type { Design, GuardSpec, KeeperSpec } from './design.ts';
import type { Family } from './head/family.ts';
import { completeDimensions } from './head/family.ts';
import { GRAMS_PER_OUNCE } from './quantity/units.ts';

/** A sound head to begin from: 3/8 oz of lead on a 3/0 with the eye at 60°. */
export function starterDesign(family: Family, name: string): Design {
  return {
    format: 'fern-anvil/design',
    version: 1,
    name,
    head: {
      family: family.key,
      dimensions: completeDimensions(family, {}),
      metal: 'lead',
      target: { grams: (3 / 8) * GRAMS_PER_OUNCE, of: 'metal' },
    },
    hook: { size: '3/0', grade: 'standard' },
    eye: { angle: 60, plane: 'crosswise', setback: 0.42 },
    keeper: starterKeeper('collar'),
    guard: { kind: 'none' },
  };
}

/** A keeper of a kind with everyday sizes. */
export function starterKeeper(kind: KeeperSpec['kind']): KeeperSpec {
  if (kind === 'collar') return { kind, length: 7, diameter: 2.8, barb: 0.6, barbs: 2 };
  if (kind === 'wire') return { kind, length: 8, wire: 0.6, flare: 14 };
  return { kind };
}

/** A guard of a kind with everyday sizes. */
export function starterGuard(kind: GuardSpec['kind']): GuardSpec {
  if (kind === 'fibre')
    return { kind, count: 16, fibre: 0.4, length: 32, lean: 38, setback: 0.6, fan: 16, trimmed: true };
  return { kind };
}
