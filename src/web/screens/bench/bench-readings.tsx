import type { Kept } from '../../../contract/api.ts';
import type { Flag, Surroundings } from '../../../core/behaviour/index.ts';
import type { Brief } from '../../../core/document/index.ts';
import { Panel } from '../../parts/panel.tsx';
import type { Judged } from '../../workers/judge.worker.ts';
import type { MatchRow } from '../../workers/match-rows.ts';
import { Against } from './against.tsx';
import { JudgedIn } from './judged-in.tsx';
import { ReadingsPanel } from './readings-panel.tsx';

interface Props {
  readonly briefs: readonly Kept<Brief>[];
  /** id of the brief it is judged in, or empty */
  readonly chosen: string;
  readonly surroundings: Surroundings;
  readonly stand: MatchRow | undefined;
  /** an earlier state it is held against */
  readonly earlier: Judged | undefined;
  /** the last state that could be built */
  readonly last: Extract<Judged, { ok: true }> | undefined;
  /** what takes a moment is still that of the state before */
  readonly isSettling: boolean;
  readonly flags: readonly Flag[];
  readonly onParam: (key: string, value: string) => void;
}

/** What the design comes to: the water it is judged in, what differs from an earlier state, every reading. */
export function BenchReadings({
  briefs,
  chosen,
  surroundings,
  stand,
  earlier,
  last,
  isSettling,
  flags,
  onParam,
}: Props) {
  return (
    <aside className="bench-readings" aria-label="Readings">
      <JudgedIn
        briefs={briefs}
        chosen={chosen}
        surroundings={surroundings}
        stand={stand}
        onChoose={(id) => onParam('brief', id)}
      />
      {earlier?.ok && last && (
        <Against
          before={{ design: earlier.design, readings: earlier.readings }}
          now={{ design: last.design, readings: last.readings }}
          onStop={() => onParam('against', '')}
        />
      )}
      <Panel what="The readings">
        {last && <ReadingsPanel readings={last.readings} flags={flags} isSettling={isSettling} />}
      </Panel>
    </aside>
  );
}
