import { useState } from 'react';
import type { Batch, Weighing } from '../../../core/document/index.ts';
import type { PanDoubt } from '../../../core/make/index.ts';
import { MOST_WEIGHINGS } from '../../../core/document/index.ts';
import { parseQuantity } from '../../../core/quantity/index.ts';
import { scaleAct } from '../../data/api.ts';
import { useUnits } from '../../data/units.ts';
import { useKeys } from '../../parts/keys.ts';
import { useNotices } from '../../parts/notices.tsx';
import { playSound } from './scale-sound.ts';
import { hasSerial, useScale } from './use-scale.ts';

/** What the hand is asked to do where the pan is in doubt. */
const ASKED: Readonly<Record<PanDoubt, string>> = {
  swapped:
    'The weight changed before the piece was off the scale, so it was not noted. Take it off, wait for 0.00, then place it again.',
  residue: 'Too light for a head: tare the scale, or take off what was left on it.',
};

interface Props {
  readonly batch: Batch;
  readonly edit: (change: (batch: Batch) => Batch) => void;
}

/** Which piece of a cavity comes next. */
const nextPiece = ({ weighings }: Batch, cavity: number): number =>
  1 + weighings.reduce((most, one) => (one.cavity === cavity ? Math.max(most, one.piece) : most), 0);

/** The scale, and weights taken one after the other: read when a piece lies still, or typed. */
export function ScalePanel({ batch, edit }: Props) {
  const { format, system } = useUnits();
  const { tell } = useNotices();
  const [cavity, setCavity] = useState(1);
  const [isAgain, setAgain] = useState(false);
  const [isRound, setRound] = useState(true);
  const [typed, setTyped] = useState('');
  const [said, setSaid] = useState('');
  const at = Math.min(cavity, batch.cavities);
  const take = (grams: number, by: Weighing['by']) => {
    if (batch.weighings.length >= MOST_WEIGHINGS) {
      setSaid(`A batch keeps ${MOST_WEIGHINGS} weighings. Begin another batch for more.`);
      return;
    }
    const value = Math.round(grams * 1e4) / 1e4;
    edit((now) => {
      const next = nextPiece(now, at);
      // A repeat weighing is of the piece weighed last.
      const piece = isAgain ? Math.max(1, next - 1) : next;
      return { ...now, weighings: [...now.weighings, { cavity: at, piece, grams: value, by }] };
    });
    if (isRound && !isAgain) setCavity((at % batch.cavities) + 1);
  };
  const scale = useScale(
    (grams) => {
      // A pan that reads under nothing was tared with something on it.
      if (grams <= 0) return;
      playSound('noted');
      take(grams, 'scale');
    },
    () => playSound('asked'),
  );
  useKeys(
    Object.fromEntries(
      Array.from({ length: Math.min(9, batch.cavities) }, (_, i) => [String(i + 1), () => setCavity(i + 1)]),
    ),
  );
  const type = () => {
    const read = parseQuantity(typed, 'mass', system);
    if (!read.ok || !(read.value >= 0.01 && read.value <= 2000)) {
      setSaid(read.ok ? 'Enter a weight from 0.01 to 2,000 g.' : read.message);
      return;
    }
    setSaid('');
    setTyped('');
    take(read.value, 'typed');
  };
  const act = (what: Parameters<typeof scaleAct>[0]) =>
    void scaleAct(what).catch((error: Error) => tell({ tone: 'bad', text: error.message }));
  /** A piece as this batch's cavity might throw it, for the simulated pan. */
  const lay = () => {
    const own = batch.weighings.filter((one) => one.cavity === at).map(({ grams }) => grams);
    const mean = own.length > 0 ? own.reduce((sum, g) => sum + g, 0) / own.length : batch.wanted.target;
    const spread = batch.wanted.room / 5;
    act({
      act: 'put',
      grams: Math.max(0.05, mean + spread * (Math.random() + Math.random() + Math.random() - 1.5)),
    });
  };
  const words = {
    off: 'No scale is read.',
    reading: scale.pan.isSteady ? 'steady' : 'settling',
    silent: 'Silent: is it plugged in and on? What was weighed is kept.',
    lost: `Scale disconnected${scale.reason ? ` (${scale.reason})` : ''}. What was weighed is kept; read it again, or type.`,
  }[scale.state];
  return (
    <section aria-label="Weigh">
      <div className="scale">
        <div className="scale-figure" data-steady={scale.pan.isSteady} aria-live="off">
          {scale.state === 'off' || scale.pan.grams === undefined ? '–' : `${scale.pan.grams.toFixed(2)} g`}
          <small role="status">{words}</small>
        </div>
        <div className="shop-row">
          {scale.source === 'none' ? (
            <>
              <button type="button" className="btn btn-sm btn-bar" onClick={() => void scale.simulated()}>
                Read the simulated scale
              </button>
              {hasSerial() ? (
                <button type="button" className="btn btn-sm btn-bar" onClick={() => void scale.serial()}>
                  Read a scale on a cable …
                </button>
              ) : (
                <small>This browser reads no serial cable; type weights, or import them as CSV.</small>
              )}
            </>
          ) : (
            <>
              {scale.source === 'simulated' && (
                <>
                  <button type="button" className="btn btn-sm btn-bar" onClick={lay}>
                    Place a head on the scale
                  </button>
                  <button type="button" className="btn btn-sm btn-bar" onClick={() => act({ act: 'take' })}>
                    Take it off the scale
                  </button>
                  <button type="button" className="btn btn-sm btn-bar" onClick={() => act({ act: 'tare' })}>
                    Tare
                  </button>
                  <button type="button" className="btn btn-sm btn-bar" onClick={() => act({ act: 'unit' })}>
                    Switch its unit
                  </button>
                  <button
                    type="button"
                    className="btn btn-sm btn-bar"
                    onClick={() => act({ act: 'plug', in: scale.state === 'silent' })}
                  >
                    {scale.state === 'silent' ? 'Plug it in' : 'Unplug it'}
                  </button>
                </>
              )}
              <button type="button" className="btn btn-sm btn-bar" onClick={scale.off}>
                Stop reading
              </button>
            </>
          )}
          {scale.pan.unreadable > 0 && (
            <small>
              {scale.pan.unreadable} {scale.pan.unreadable === 1 ? 'line' : 'lines'} could not be read and{' '}
              {scale.pan.unreadable === 1 ? 'was' : 'were'} left out.
            </small>
          )}
        </div>
      </div>
      {scale.pan.doubt && (
        <p className="field-said" role="alert">
          ■ {ASKED[scale.pan.doubt]}
        </p>
      )}
      <div className="shop-row">
        <div className="cavity-keys" role="group" aria-label="Next cavity">
          {Array.from({ length: batch.cavities }, (_, i) => (
            <button
              key={i}
              type="button"
              className="btn btn-quiet"
              aria-pressed={i + 1 === at}
              onClick={() => setCavity(i + 1)}
            >
              {i + 1}
            </button>
          ))}
        </div>
        <label>
          <input
            type="checkbox"
            checked={isRound}
            onChange={(event) => setRound(event.currentTarget.checked)}
          />{' '}
          on to the next cavity after each
        </label>
        <label>
          <input
            type="checkbox"
            checked={isAgain}
            onChange={(event) => setAgain(event.currentTarget.checked)}
          />{' '}
          the same piece again
        </label>
        <form
          className="batch-typed"
          onSubmit={(event) => {
            event.preventDefault();
            type();
          }}
        >
          <label>
            Weight typed{' '}
            <input
              inputMode="decimal"
              value={typed}
              placeholder={format(batch.wanted.target, 'mass')}
              onChange={(event) => setTyped(event.currentTarget.value)}
            />
          </label>
          <button type="submit" className="btn btn-sm btn-fern">
            Add weight
          </button>
        </form>
        <button
          type="button"
          className="btn btn-sm btn-quiet"
          disabled={batch.weighings.length === 0}
          onClick={() => edit((now) => ({ ...now, weighings: now.weighings.slice(0, -1) }))}
        >
          Undo last weight
        </button>
      </div>
      {said && (
        <p className="field-said" role="alert">
          {said}
        </p>
      )}
    </section>
  );
}
