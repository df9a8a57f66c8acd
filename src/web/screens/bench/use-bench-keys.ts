import { useMemo } from 'react';
import { useNavigate } from 'react-router';
import { useTray } from '../../data/tray.ts';
import { useAddress } from '../../parts/address.ts';
import { useKeys } from '../../parts/keys.ts';
import type { BenchPanel } from './bench-head.tsx';
import type { PlateView } from './plate-layout.ts';

interface Asked {
  readonly id: string;
  readonly view: PlateView;
  readonly isSolid: boolean;
  readonly onCut: () => void;
  readonly onHold: () => void;
  readonly setPanel: (change: (now: BenchPanel) => BenchPanel) => void;
}

/** The keys of the Bench, and what turns its drawing. */
export function useBenchKeys({ id, view, isSolid, onCut, onHold, setPanel }: Asked) {
  const { toggle } = useTray();
  const navigate = useNavigate();
  const { set } = useAddress();
  const turns = useMemo(
    () => ({
      z: () => set('view', view === 'whole' ? 'head' : ''),
      s: () => set('show', isSolid ? '' : 'solid'),
      x: onCut,
    }),
    [set, view, isSolid, onCut],
  );
  useKeys(
    useMemo(
      () => ({
        ...turns,
        h: onHold,
        r: () => void navigate(`/designs/${id}/rig`),
        t: () => toggle(id),
        y: () => setPanel((now) => (now === 'history' ? '' : 'history')),
        l: () => void navigate(`/designs/${id}/ladder`),
        w: () => void navigate(`/designs/${id}/water`),
        f: () => void navigate(`/designs/${id}/uses`),
        m: () => void navigate(`/designs/${id}/mould`),
      }),
      [turns, onHold, navigate, id, toggle, setPanel],
    ),
  );
  return turns;
}
