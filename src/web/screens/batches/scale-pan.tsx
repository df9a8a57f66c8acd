import { fixed } from '../../data/locale.ts';
import type { PanDoubt } from '../../../core/make/index.ts';
import { scaleAct } from '../../data/api.ts';
import { useNotices } from '../../parts/notices.tsx';
import type { useScale } from './use-scale.ts';
import { hasSerial } from './use-scale.ts';

/** What the hand is asked to do where the pan is in doubt. */
const ASKED: Readonly<Record<PanDoubt, string>> = {
  swapped:
    'The weight changed before the piece was off the scale, so it was not noted. Take it off, ' +
    'wait for 0.00, then place it again.',
  residue: 'Too light for a head: tare the scale, or take off what was left on it.',
};

interface Props {
  readonly scale: ReturnType<typeof useScale>;
  /** weight of a piece as the next cavity might throw it, g: for the simulated pan */
  readonly like: () => number;
}

/** What the scale shows, where it is read from, and what the hand is asked where the pan is in doubt. */
export function ScalePan({ scale, like }: Props) {
  const words = {
    off: 'No scale is read.',
    reading: scale.pan.isSteady ? 'steady' : 'settling',
    silent: 'Silent: is it plugged in and on? What was weighed is kept.',
    lost:
      `Scale disconnected${scale.reason ? ` (${scale.reason})` : ''}. What was weighed is kept; ` +
      'read it again, or type.',
  }[scale.state];
  return (
    <>
      <div className="scale">
        <div className="scale-figure" data-steady={scale.pan.isSteady} aria-live="off">
          {scale.state === 'off' || scale.pan.grams === undefined ? '–' : `${fixed(scale.pan.grams, 2)} g`}
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
                <SimulatedPan isPlugged={scale.state !== 'silent'} like={like} />
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
    </>
  );
}

/** What a hand does at the simulated scale. */
function SimulatedPan({ isPlugged, like }: { readonly isPlugged: boolean; readonly like: () => number }) {
  const { tell } = useNotices();
  const act = (what: Parameters<typeof scaleAct>[0]) =>
    void scaleAct(what).catch((error: Error) => tell({ tone: 'bad', text: error.message }));
  return (
    <>
      <button type="button" className="btn btn-sm btn-bar" onClick={() => act({ act: 'put', grams: like() })}>
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
        onClick={() => act({ act: 'plug', in: !isPlugged })}
      >
        {isPlugged ? 'Unplug it' : 'Plug it in'}
      </button>
    </>
  );
}
