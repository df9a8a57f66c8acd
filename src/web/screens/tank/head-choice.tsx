import type { useAddress } from '../../parts/address.ts';
import { Choice } from '../../parts/choice.tsx';
import type { WetHead } from './tank-kit.ts';

/** Which of the heads a picture of one shows: the first until another is chosen; the address keeps it. */
export function useHead(heads: readonly WetHead[], address: ReturnType<typeof useAddress>) {
  const at = Math.floor(Number(address.search.get('head') ?? 0)) || 0;
  const index = Math.min(Math.max(at, 0), heads.length - 1);
  const choice =
    heads.length > 1 ? (
      <Choice
        label="Head"
        value={String(index)}
        options={heads.map(({ name }, i) => [String(i), name] as const)}
        onChange={(value) => address.set('head', value, '0')}
      />
    ) : null;
  return { head: heads[index], choice };
}
