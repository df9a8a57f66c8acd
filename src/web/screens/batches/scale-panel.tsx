import { useState } from 'react';
import type { Batch, Weighing } from '../../../core/document/index.ts';
import { BATCH_RANGES, MOST_WEIGHINGS } from '../../../core/document/index.ts';
import { useUnits } from '../../data/units.ts';
import { useKeys } from '../../parts/keys.ts';
import { CavityKeys } from './cavity-keys.tsx';
import { ScalePan } from './scale-pan.tsx';
import { playSound } from './scale-sound.ts';
import { useScale } from './use-scale.ts';
import { pieceLike, withWeight } from './weighing.ts';

interface Props {
  readonly batch: Batch;
  readonly edit: (change: (batch: Batch) => Batch) => void;
}

/** The scale, and weights taken one after the other: read when a piece lies still, or typed. */
export function ScalePanel({ batch, edit }: Props) {
  const { format, read: readTyped } = useUnits();
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
    edit((now) => withWeight(now, { cavity: at, grams: value, by, isAgain }));
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
    const read = readTyped(typed, 'mass');
    const [least, most] = BATCH_RANGES.grams;
    if (!read.ok || !(read.value >= least && read.value <= most)) {
      setSaid(
        read.ok ? `Enter a weight from ${format(least, 'mass')} to ${format(most, 'mass')}.` : read.message,
      );
      return;
    }
    setSaid('');
    setTyped('');
    take(read.value, 'typed');
  };
  return (
    <section aria-label="Weigh">
      <ScalePan scale={scale} like={() => pieceLike(batch, at)} />
      <div className="shop-row">
        <CavityKeys count={batch.cavities} at={at} onChoose={setCavity} />
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
