import { useCallback } from 'react';
import type { QuantityKind, UnitSystem } from '../../core/index.ts';
import { formatFigure, formatQuantity, inUnits } from '../../core/index.ts';
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
  return { system, flip, format, figure, say };
}
