import { useState } from 'react';
import { Choice } from '../../parts/choice.tsx';
import type { WetHead } from './tank-kit.ts';

/** Which of the heads a picture of one shows: the first until another is chosen. */
export function useHead(heads: readonly WetHead[]) {
  const [at, setAt] = useState(0);
  const index = Math.min(at, heads.length - 1);
  const choice =
    heads.length > 1 ? (
      <Choice
        label="Head"
        value={String(index)}
        options={heads.map(({ name }, i) => [String(i), name] as const)}
        onChange={(value) => setAt(Number(value))}
      />
    ) : null;
  return { head: heads[index], choice };
}
