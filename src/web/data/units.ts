import { scaleLinear } from 'd3-scale';
import { useCallback } from 'react';
import type { QuantityKind, UnitSystem } from '../../core/quantity/index.ts';
import {
  amountTyped,
  currencySign,
  formatFigure,
  formatForEditing,
  formatMoney,
  formatQuantity,
  inUnits,
  shownUnit,
} from '../../core/quantity/index.ts';
import { useLocal } from './local.ts';
import { localised, READER, readQuantity } from './locale.ts';
import { useMoney } from './money.ts';

const isSystem = (value: unknown): value is UnitSystem => value === 'imperial' || value === 'metric';

/**
 * The unit system on display; flipping it never touches what is stored. `say` puts a sentence of the core
 * into it.
 */
export function useUnits() {
  const [system, setSystem] = useLocal<UnitSystem>('fern-anvil.units', 'imperial', isSystem);
  const [money] = useMoney();
  const flip = useCallback(
    () => setSystem((now) => (now === 'imperial' ? 'metric' : 'imperial')),
    [setSystem],
  );
  const format = useCallback(
    (value: number, kind: QuantityKind) =>
      kind === 'money' && money.currency !== ''
        ? formatMoney(value, money, READER)
        : localised(formatQuantity(value, kind, system)),
    [system, money],
  );
  const figure = useCallback(
    (value: number, kind: QuantityKind) => localised(formatFigure(value, kind, system)),
    [system],
  );
  const say = useCallback((text: string) => localised(inUnits(text, system)), [system]);
  /** What a person typed for a quantity, in its stored unit. */
  const read = useCallback(
    (text: string, kind: QuantityKind) => {
      if (kind !== 'money') return readQuantity(text, kind, system);
      const amount = amountTyped(text, money, READER);
      return amount.ok
        ? readQuantity(amount.text, kind, system)
        : { ok: false as const, message: localised(amount.message) };
    },
    [system, money],
  );
  /** The text a field begins to be edited with: reading it gives what is stored. */
  const editing = useCallback(
    (value: number, kind: QuantityKind) => localised(formatForEditing(value, kind, system)),
    [system],
  );
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
  /** What stands behind a figure of a kind: its unit, or the shop's currency. */
  const unit = useCallback(
    (kind: QuantityKind) => (kind === 'money' ? currencySign(money) : shownUnit(kind, system).label),
    [system, money],
  );
  return { system, flip, format, figure, say, read, editing, ticks, unit };
}
