import { useSettings } from '../../data/settings.ts';
import type { PlateView } from './plate-layout.ts';

interface Props {
  readonly view: PlateView;
  readonly isSolid: boolean;
  readonly isCut: boolean;
  readonly onView: () => void;
  readonly onCut: () => void;
  readonly onSolid: () => void;
  readonly hasPhoto: boolean;
  readonly onPhoto: () => void;
}

/** What the drawing shows, and how. */
export function PlateTools({ view, isSolid, isCut, onView, onCut, onSolid, hasPhoto, onPhoto }: Props) {
  const settings = useSettings();
  return (
    <div className="plate-tools">
      {!isSolid && (
        <>
          <button
            type="button"
            className="btn btn-sm btn-quiet"
            aria-pressed={view === 'head'}
            onClick={onView}
            title="Z"
          >
            {view === 'whole' ? 'Head alone' : 'With the whole hook'}
          </button>
          <button
            type="button"
            className="btn btn-sm btn-quiet"
            aria-pressed={isCut}
            onClick={onCut}
            title="X"
          >
            Section
          </button>
          <button
            type="button"
            className="btn btn-sm btn-quiet"
            onClick={() =>
              settings.set({ arrangement: settings.arrangement === 'third' ? 'first' : 'third' })
            }
            title="How the three views stand to each other"
          >
            {settings.arrangement === 'third' ? 'Third angle' : 'First angle'}
          </button>
          <button
            type="button"
            className="btn btn-sm btn-quiet"
            aria-pressed={settings.dual}
            onClick={() => settings.set({ dual: !settings.dual })}
            title="Dimensions in inches and millimetres"
          >
            in [mm]
          </button>
          <button
            type="button"
            className="btn btn-sm btn-quiet"
            aria-pressed={hasPhoto}
            onClick={onPhoto}
            title="Lay a photograph under the side view"
          >
            Photograph
          </button>
        </>
      )}
      <button
        type="button"
        className="btn btn-sm btn-quiet"
        aria-pressed={isSolid}
        onClick={onSolid}
        title="S"
      >
        {isSolid ? 'Plate' : '3D view'}
      </button>
    </div>
  );
}
