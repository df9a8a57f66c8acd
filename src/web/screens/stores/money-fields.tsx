import { messageOf } from '../../../core/kind/index.ts';
import { useMemo } from 'react';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import type { Money } from '../../../core/quantity/index.ts';
import { currencyNames, TAXES } from '../../../core/quantity/index.ts';
import { saveMoney } from '../../data/api.ts';
import { moneyQuery, useMoney } from '../../data/money.ts';
import { Choice } from '../../parts/choice.tsx';
import { useNotices } from '../../parts/notices.tsx';

/** What the shop's prices are in: here, on cards and on labels. */
export function MoneyFields() {
  const client = useQueryClient();
  const { tell } = useNotices();
  const { data, refetch } = useQuery(moneyQuery);
  const [heard] = useMoney();
  const money = data?.document ?? heard;
  const currencies = useMemo(
    () => currencyNames().map(([code, name]) => [code, `${name} (${code})`] as const),
    [],
  );
  const put = async (change: Partial<Money>) => {
    // Nobody has said over what until the server has answered.
    if (!data) return;
    try {
      // Whoever shows money hears of it from there.
      client.setQueryData(moneyQuery.queryKey, await saveMoney({ ...money, ...change }, data.version));
    } catch (error) {
      tell({ tone: 'bad', text: messageOf(error) });
      // Where somebody else said it meanwhile, what he said is shown.
      void refetch();
    }
  };
  return (
    <div className="stores-bar">
      <Choice
        label="Shop currency"
        value={money.currency}
        options={[['', 'not said'] as const, ...currencies]}
        onChange={(currency) => void put({ currency })}
      />
      <Choice
        label="Tax in prices"
        value={money.tax}
        options={TAXES.map((tax) => [tax, tax] as const)}
        onChange={(tax) => void put({ tax })}
      />
      <p className="stores-note">
        Cards and labels carry both. Amounts are not converted: they stay as they were typed.
      </p>
    </div>
  );
}
