import { useEffect } from 'react';
import { queryOptions, useQuery } from '@tanstack/react-query';
import type { Money } from '../../core/quantity/index.ts';
import { CURRENCIES, TAXES, UNSAID } from '../../core/quantity/index.ts';
import { readMoney } from './api.ts';
import { useLocal } from './local.ts';

const isMoney = (value: unknown): value is Money => {
  const money = value as Partial<Money> | null;
  return (
    typeof money === 'object' &&
    money !== null &&
    (money.currency === '' || CURRENCIES.includes(money.currency ?? '?')) &&
    TAXES.some((tax) => tax === money.tax)
  );
};

/**
 * What the shop's prices are in, as this browser last heard it, so that a page without a network shows them
 * too.
 */
export const useMoney = () => useLocal<Money>('fern-anvil.money', UNSAID, isMoney);

/** What the server says the shop's prices are in, asked once a visit. */
export const moneyQuery = queryOptions({ queryKey: ['money'], queryFn: readMoney, staleTime: 60_000 });

/** Asks the server once a visit what the shop's prices are in. */
export function useMoneyHeard(): void {
  const [, hear] = useMoney();
  const { data } = useQuery(moneyQuery);
  useEffect(() => {
    if (data) hear(data.document);
  }, [data, hear]);
}
