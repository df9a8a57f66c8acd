import { scaleLinear } from 'd3-scale';
import { useCallback } from 'react';
import type { QuantityKind, UnitSystem } from '../../core/quantity/index.ts';
import { formatFigure, formatQuantity, inUnits, shownUnit } from '../../core/quantity/index.ts';
import { useLocal } from './local.ts';

const isSystem = (value: unknown): value is UnitSystem => value === 'imperial' || value === 'metric';

/** The unit system on display; flipping it never touches what is stored. `say` puts a sentence of the core into it. */
export function useUnits() {
  const [system, setSystem] = useLocal<UnitSystem>('fern-anvil.units', 'imperial', isSystem);
  const flip = useCallback(
    () => setSystem((now) => (now === 'imperial' ? 'metric' : 'imperial')),
    [setSystem],
  );
  const format = useCallback(
    (value: number, kind: QuantityKind) => formatQuantity(value, kind, system),
    [system],
  );
  const figure = useCallback(
    (value: number, kind: QuantityKind) => formatFigure(value, kind, system),
    [system],
  );
  const say = useCallback((text: string) => inUnits(text, system), [system]);
  /** About so many values from low to high, as stored, that are round in the reader's unit. */
  const ticks = useCallback(
    ([low, high]: readonly [number, number], kind: QuantityKind, count: number) => {
      const { fromStored, toStored } = shownUnit(kind, system);
      return scaleLinear([fromStored(low), fromStored(high)], [0, 1])
        .ticks(count)
        .map(toStored);
    },
    [system],
  );
  return { system, flip, format, figure, say, ticks };
}
