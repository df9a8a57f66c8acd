import type { Cut, Mould } from '../../../core/document/index.ts';
import { MOST_CUTS } from '../../../core/document/index.ts';
import type { Metal } from '../../../core/material/index.ts';
import type { MouldFigures } from '../../workers/make.worker.ts';
import { CavityTable } from './cavity-table.tsx';
import { CutList } from './cut-list.tsx';
import { CutToWeight } from './cut-to-weight.tsx';
import { CutterFields } from './cutter-fields.tsx';
import { SamplePours } from './sample-pours.tsx';
import type { CavityFigure } from './use-cutter.ts';
import { useCutter } from './use-cutter.ts';

interface Props {
  readonly mould: Mould;
  readonly figures: Extract<MouldFigures, { ok: true }>;
  readonly place: number;
  readonly aim: { readonly x: number; readonly z: number } | undefined;
  readonly metals: readonly Metal[];
  readonly edit: (change: (mould: Mould) => Mould) => void;
  readonly onPlace: (place: number) => void;
}

/** Every cavity with what it casts, and the cutter for the one that is chosen. */
export function CavityPanel({ mould, figures, place, aim, metals, edit, onPlace }: Props) {
  const figure = figures.cavities[place];
  if (!mould.cavities[place] || !figure) return null;
  return (
    <section aria-label="Cavities">
      <h2>Cavities</h2>
      <CavityTable
        mould={mould}
        cavities={figures.cavities}
        place={place}
        metals={metals}
        onPlace={onPlace}
        onRemove={(gone) => edit((now) => ({ ...now, cavities: now.cavities.filter((_, i) => i !== gone) }))}
      />
      <Cutting {...{ mould, place, figures, figure, aim, metals, edit }} />
    </section>
  );
}

/** The cutter, and the cuts of one cavity. */
function Cutting({
  mould,
  place,
  figures,
  figure,
  aim,
  metals,
  edit,
}: Omit<Props, 'onPlace'> & { readonly figure: CavityFigure }) {
  const cutter = useCutter(mould, place, figure, aim, metals);
  const cuts = mould.cavities[place]?.cuts ?? [];
  const setCuts = (change: (cuts: readonly Cut[]) => Cut[]) =>
    edit((now) => ({
      ...now,
      cavities: now.cavities.map((one, i) => (i === place ? { ...one, cuts: change(one.cuts) } : one)),
    }));
  const add = (cut: Cut) => setCuts((now) => [...now, cut]);
  return (
    <>
      <h2>Change cavity {place + 1} by cutter</h2>
      <p className="shop-note">
        Tap the drawing to set the cutter’s place, or type it. Nothing is cut but here: weight, size, rest and
        fall above are what the cavity would cast.
      </p>
      <CutterFields cutter={cutter} isFull={cuts.length >= MOST_CUTS} onCut={add} />
      <CutList cuts={cuts} onUndo={(gone) => setCuts((now) => now.filter((_, i) => i !== gone))} />
      <SamplePours cavities={figures.cavities} />
      <CutToWeight {...{ mould, place, figure, cutter, metals }} onCut={add} />
    </>
  );
}
