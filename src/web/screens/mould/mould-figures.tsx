import { messageOf } from '../../../core/kind/index.ts';
import { fixed } from '../../data/locale.ts';
import { useEffect, useState } from 'react';
import * as Comlink from 'comlink';
import type { Kept } from '../../../contract/api.ts';
import type { Mould } from '../../../core/document/index.ts';
import type { MouldVolumes } from '../../../core/make/index.ts';
import type { Metal } from '../../../core/material/index.ts';
import { useUnits } from '../../data/units.ts';
import { useNotices } from '../../parts/notices.tsx';
import { Working } from '../../parts/working.tsx';
import { halvesWorker, stopHalves } from '../../workers/make.ts';
import type { MouldFigures, MouldWorked } from '../../workers/make.worker.ts';
import { download } from '../exchange/download.ts';

interface Props {
  readonly kept: Kept<Mould>;
  readonly mould: Mould;
  readonly metals: readonly Metal[];
  readonly flush: () => Promise<boolean>;
  readonly figures: Extract<MouldFigures, { ok: true }>;
}

const PARTS: readonly (readonly [keyof MouldVolumes, string])[] = [
  ['left', 'Left half'],
  ['right', 'Right half'],
  ['heads', 'Heads'],
  ['channels', 'Steel outside them'],
  ['sprues', 'Sprues'],
  ['vents', 'Vents'],
  ['sockets', 'Room about the pins'],
  ['block', 'Block'],
];

const FILES = [
  ['left.stl', 'Left, STL'],
  ['right.stl', 'Right, STL'],
  ['left.3mf', 'Left, 3MF'],
  ['right.3mf', 'Right, 3MF'],
  ['drawing.svg', 'Drawing, SVG'],
  ['drawing.dxf', 'Drawing, DXF'],
] as const;

/** Both halves worked out a moment after the hand rests, with progress. */
function useWorked(mould: Mould, metals: readonly Metal[]) {
  const [state, setState] = useState<{ for: Mould; worked: MouldWorked } | undefined>(undefined);
  const [done, setDone] = useState<readonly [number, number]>([0, 1]);
  const [stopped, setStopped] = useState<Mould | undefined>(undefined);
  const isStopped = stopped === mould;
  useEffect(() => {
    let alive = true;
    if (isStopped) return undefined;
    const timer = setTimeout(() => {
      setDone([0, 1]);
      halvesWorker()
        .worked(
          mould,
          metals,
          Comlink.proxy((now: number, of: number) => {
            if (alive) setDone([now, of]);
          }),
        )
        .then((worked) => {
          if (alive) setState({ for: mould, worked });
        })
        .catch((error: unknown) => {
          if (alive) setState({ for: mould, worked: { ok: false, reason: messageOf(error) } });
        });
    }, 500);
    return () => {
      alive = false;
      clearTimeout(timer);
    };
  }, [mould, metals, isStopped]);
  return {
    worked: state?.for === mould ? state.worked : undefined,
    last: state?.worked,
    done,
    isStopped,
    stop: () => {
      stopHalves();
      setStopped(mould);
    },
    again: () => setStopped(undefined),
  };
}

/** Volumes that add up, metal for a pour, what binds, and the files. */
export function MouldFiguresPanel({ kept, mould, metals, flush, figures }: Props) {
  const { format } = useUnits();
  const { tell } = useNotices();
  const { worked, last, done, isStopped, stop, again } = useWorked(mould, metals);
  const shown = worked ?? last;
  const fetchFile = async (file: string) => {
    if (!(await flush())) {
      tell({
        tone: 'bad',
        text: 'What is on screen could not be saved yet, so no file was made of it. Try again.',
      });
      return;
    }
    await download(`/moulds/${kept.id}/files/${file}`, (text) => tell({ tone: 'bad', text }));
  };
  const bound = figures.cavities.map(({ bound: area }, i) => ({ area, i })).filter(({ area }) => area > 0.05);
  const steep = figures.cavities.map(({ steep: area }, i) => ({ area, i })).filter(({ area }) => area > 4);
  const tight = figures.cavities.flatMap(({ isGateTight }, i) => (isGateTight ? [i + 1] : []));
  return (
    <section aria-label="Mould volumes">
      <h2>Opens</h2>
      {bound.length === 0 ? (
        <p>
          <span className="state-good">● releases cleanly</span>: no undercut.
        </p>
      ) : (
        bound.map(({ area, i }) => (
          <p key={i} className="shop-care">
            ✕ Cavity {i + 1} binds: {fixed(area, 1)} mm² undercut (red in the drawing). Turn the shape, take
            the feature away, or plan a loose piece there.
          </p>
        ))
      )}
      {steep.length > 0 && (
        <p>
          <span className="state-care">◐</span> Cavity {steep.map(({ i }) => i + 1).join(', ')}: up to{' '}
          {fixed(Math.max(...steep.map(({ area }) => area)), 0)} mm² of wall slopes less than{' '}
          {format(mould.draft, 'angle')} and runs deep; polish it, or it drags.
        </p>
      )}
      {tight.length > 0 && (
        <p>
          <span className="state-care">◐</span> Cavity {tight.join(', ')}: the sprue comes down close to a
          wire; nip it with care.
        </p>
      )}
      <h2>Holds</h2>
      <Working
        what="steps of the halves worked out"
        of={{
          progress: worked || isStopped || (shown && !shown.ok) ? undefined : done,
          isStopped: isStopped && !worked,
          stop,
          again,
        }}
      />
      {shown && !shown.ok && <p className="problems">■ {shown.reason}</p>}
      {shown?.ok && (
        <>
          <table className="shop-table" data-settled={worked !== undefined}>
            <tbody>
              {PARTS.filter(([key]) => shown.volumes[key] > 0).map(([key, name]) => (
                <tr key={key}>
                  <th scope="row">{name}</th>
                  <td className="num">{format(shown.volumes[key], 'volume')}</td>
                </tr>
              ))}
              <tr>
                <th scope="row">
                  {shown.charge.making === 'pour' ? 'Metal for a full pour' : 'Powder for a full pressing'}
                </th>
                <td className="num">{format(shown.charge.metal, 'mass')}</td>
              </tr>
              {shown.charge.making === 'press' && (
                <tr>
                  <th scope="row">Binder with it, at most</th>
                  <td className="num">{format(shown.charge.binder, 'mass')}</td>
                </tr>
              )}
            </tbody>
          </table>
          <p className="shop-note">
            The volumes add up to the block. The halves are closed, and their cavities are the heads as cast,
            enlarged; the weight is what comes out of them.
          </p>
        </>
      )}
      <h2>Files</h2>
      <div className="mould-files">
        {FILES.map(([file, name]) => (
          <button
            key={file}
            type="button"
            className="btn btn-sm btn-quiet"
            onClick={() => void fetchFile(file)}
          >
            {name}
          </button>
        ))}
      </div>
    </section>
  );
}
