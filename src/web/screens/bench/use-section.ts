import { useMemo, useState } from 'react';
import type { Surroundings } from '../../../core/behaviour/index.ts';
import type { Design } from '../../../core/document/index.ts';
import type { DrawnSection } from '../../../core/plate/index.ts';
import { useAddress } from '../../parts/address.ts';
import { judgeWorker, useJudged } from '../../workers/judge.ts';

const runSection = ({
  design,
  share,
  surroundings,
}: {
  design: Design;
  share: number;
  surroundings: Surroundings;
}) => judgeWorker('later').section(design, share, surroundings);

/** A plane across the head, by its share of the length, and what it cuts. */
export interface Section {
  readonly isCut: boolean;
  readonly share: number;
  readonly cut: DrawnSection | undefined;
  readonly onShare: (share: number) => void;
  /** puts where it is now into the address */
  readonly onSettle: () => void;
  readonly onToggle: () => void;
}

/** The section of a head, whose place stands in the address. */
export function useSection(design: Design | undefined, surroundings: Surroundings): Section {
  const { search, set } = useAddress();
  const kept = search.get('section');
  const isCut = kept !== null;
  const [share, onShare] = useState(() => Math.min(0.99, Math.max(0.01, Number(kept) || 0.5)));
  const job = useMemo(
    () => (isCut && design ? { design, share, surroundings } : undefined),
    [isCut, design, share, surroundings],
  );
  const { output: cut } = useJudged(job, runSection);
  return useMemo(
    () => ({
      isCut,
      share,
      cut,
      onShare,
      onSettle: () => {
        if (isCut) set('section', String(Math.round(share * 1000) / 1000));
      },
      onToggle: () => set('section', isCut ? '' : String(share)),
    }),
    [isCut, share, cut, set],
  );
}
