import type { useDraft } from '../../data/draft.ts';
import { useAddress } from '../../parts/address.ts';
import type { BenchPanel } from './bench-head.tsx';
import { HistoryPanel } from './history-panel.tsx';
import { MetalsSheet } from './metals-sheet.tsx';
import { PhotoSheet } from './photo-sheet.tsx';
import type { useBench } from './use-bench.ts';
import type { HistoryHand } from './use-history.ts';

interface Props {
  readonly id: string;
  /** which is open */
  readonly panel: BenchPanel;
  readonly draft: ReturnType<typeof useDraft<'designs'>>;
  readonly bench: ReturnType<typeof useBench>;
  readonly hand: HistoryHand;
  readonly onHide: () => void;
}

/** What is laid over the Bench when asked for: its history, a photograph, the metals side by side. */
export function BenchPanels({ id, panel, draft, bench, hand, onHide }: Props) {
  const { search, set } = useAddress();
  const { document, edit } = draft;
  const { last, surroundings } = bench;
  return (
    <>
      <HistoryPanel
        id={id}
        show={panel === 'history'}
        hand={hand}
        flush={draft.flush}
        against={search.get('against') ?? ''}
        onAgainst={(what) => set('against', what)}
        onHide={onHide}
      />
      {panel === 'photo' && (
        <PhotoSheet
          design={document}
          onPlace={(photo) =>
            edit((now) => {
              const { photo: _, ...rest } = now;
              return photo ? { ...rest, photo } : rest;
            })
          }
          onHide={onHide}
        />
      )}
      {last && (
        <MetalsSheet
          show={panel === 'metals'}
          design={last.design}
          surroundings={surroundings}
          onChoose={bench.onChoose}
          onHide={onHide}
        />
      )}
    </>
  );
}
