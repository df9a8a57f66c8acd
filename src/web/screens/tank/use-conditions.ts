import { keysOf } from '../../../core/kind/index.ts';
import { useMemo } from 'react';
import type { Kept } from '../../../contract/api.ts';
import type { Bait } from '../../../core/assembly/index.ts';
import type { Surroundings } from '../../../core/behaviour/index.ts';
import type { LineKey, Metal } from '../../../core/material/index.ts';
import type { Plastic } from '../../../core/plastic/index.ts';
import { ROD_POWERS, USUAL_FISHING } from '../../../core/behaviour/index.ts';
import { WATERS } from '../../../core/document/index.ts';
import { PLAIN_WATER } from '../../../core/judge/index.ts';
import { LINE_KINDS, SALINITY } from '../../../core/material/index.ts';
import type { QuantityKind } from '../../../core/quantity/index.ts';
import { roundIn } from '../../../core/quantity/index.ts';
import { METHODS } from '../../../core/rigging/index.ts';
import { useUnits } from '../../data/units.ts';
import { useAddress } from '../../parts/address.ts';

/** A number the address keeps, or its usual value. */
const numberIn = (
  search: URLSearchParams,
  key: string,
  usual: number,
  [min, max]: readonly [number, number],
) => {
  const value = Number(search.get(key) ?? NaN);
  return value >= min && value <= max ? value : usual;
};

/** Kinds of the numbers of the fishing. */
const KINDS = {
  depth: 'depth',
  speed: 'speed',
  current: 'speed',
  lineOut: 'depth',
  test: 'lineTest',
  friction: 'number',
} as const satisfies Readonly<Record<keyof typeof RANGES, QuantityKind>>;

/** Numbers of the fishing and their ranges, stored units. */
export const RANGES = {
  depth: [0.3, 60],
  speed: [0, 3],
  current: [0, 2],
  lineOut: [2, 120],
  test: [0.5, 40],
  friction: [0.05, 1.2],
} as const;

/** Water, line, rod and bait as the address keeps them. */
export function useConditions(plastics: readonly Kept<Plastic>[], metals: readonly Metal[]) {
  const address = useAddress();
  const { search } = address;
  const water = WATERS.find((key) => key === search.get('water')) ?? 'fresh';
  const line = LINE_KINDS.find(({ key }) => key === search.get('line'))?.key ?? USUAL_FISHING.line;
  const rod = keysOf(ROD_POWERS).find((key) => key === search.get('rod')) ?? USUAL_FISHING.rod;
  const method = METHODS.find(({ key }) => key === search.get('method'))?.key ?? 'threaded';
  const plastic = plastics.find(({ id }) => id === search.get('plastic'))?.document;
  const { system } = useUnits();
  // A default is round in the reader’s unit until the address says what was typed.
  const number = (key: keyof typeof RANGES) => {
    const usual = key === 'depth' ? PLAIN_WATER.depth : USUAL_FISHING[key];
    return numberIn(search, key, roundIn(usual, KINDS[key], system), RANGES[key]);
  };
  // The head of this screen at another weight, as long as it is pulled at; the design keeps its own.
  const grams = search.has('grams') ? numberIn(search, 'grams', NaN, [0.2, 200]) : NaN;
  const crack = numberIn(search, 'crack', 8, [1, 40]);
  const [depth, speed, current, lineOut, test, friction] = [
    number('depth'),
    number('speed'),
    number('current'),
    number('lineOut'),
    number('test'),
    number('friction'),
  ];
  const surroundings = useMemo<Surroundings>(
    () => ({
      water: { ...PLAIN_WATER.water, salinity: SALINITY[water] },
      depth,
      metals,
      fishing: { speed, current, lineOut, test, friction, crack, line: line satisfies LineKey, rod },
    }),
    [water, depth, metals, speed, current, lineOut, test, friction, crack, line, rod],
  );
  const bait = useMemo<Bait | undefined>(() => plastic && { plastic, method }, [plastic, method]);
  return {
    address,
    surroundings,
    bait,
    water,
    line,
    rod,
    rods: keysOf(ROD_POWERS),
    method,
    plasticId: plastic ? (search.get('plastic') ?? '') : '',
    crack,
    grams: Number.isFinite(grams) ? grams : undefined,
    values: { depth, speed, current, lineOut, test, friction },
  };
}
/** What the heads of the Tank are fished in, and what changes it. */
export type TankConditions = ReturnType<typeof useConditions>;
