import { lazy, Suspense } from 'react';
import type { Drawing } from '../../../core/plate/index.ts';
import { Loading } from '../../parts/states.tsx';
import type { PlateView } from './plate-layout.ts';
import { Plate } from './plate.tsx';
import type { useBench } from './use-bench.ts';
import type { Section } from './use-section.ts';

/** The 3D view and its library come only when it is asked for. */
const Solid = lazy(async () => ({ default: (await import('./solid.tsx')).Solid }));

interface Props {
  readonly bench: ReturnType<typeof useBench>;
  readonly view: PlateView;
  readonly isSolid: boolean;
  /** whether something keeps the head from being built */
  readonly isDoubtful: boolean;
  readonly section: Section;
  /** the head it is compared with, drawn beneath */
  readonly before: Drawing | undefined;
}

/** The head as it was last built: its plate or its solid; before there is one, why not. */
export function BenchSheet({ bench, view, isSolid, isDoubtful, section, before }: Props) {
  const { judged, last, shown, surroundings } = bench;
  if (last && isSolid)
    return (
      <Suspense fallback={<Loading what="the solid" />}>
        <Solid design={last.design} surroundings={surroundings} />
      </Suspense>
    );
  if (last)
    return (
      <Plate
        design={shown}
        drawing={last.drawing}
        view={view}
        outdated={judged !== undefined && !judged.ok}
        section={section.isCut ? { share: section.share, cut: section.cut } : undefined}
        before={before}
        onLive={(field, key, value) => {
          if (field === 'section') section.onShare(value);
          else bench.onLive(field, key, value);
        }}
        onSettle={() => {
          section.onSettle();
          bench.onSettle();
        }}
      />
    );
  if (isDoubtful)
    return (
      <div className="state">
        <h2>This cannot be built yet</h2>
        <p>
          Change the fields on the left that carry a message; the drawing appears as soon as it can be built.
        </p>
      </div>
    );
  return <Loading what="the drawing" />;
}
