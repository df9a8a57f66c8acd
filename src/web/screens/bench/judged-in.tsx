import type { Kept } from '../../../contract/api.ts';
import type { Surroundings } from '../../../core/behaviour/index.ts';
import type { Brief } from '../../../core/document/index.ts';
import { markedRound } from '../../../core/quantity/index.ts';
import { useUnits } from '../../data/units.ts';
import { Choice } from '../../parts/choice.tsx';
import { AnswerList } from '../../parts/marks.tsx';
import type { MatchRow } from '../../workers/match-rows.ts';

interface Props {
  readonly briefs: readonly Kept<Brief>[];
  /** id of the brief the head is judged in; empty for plain fresh water */
  readonly chosen: string;
  readonly surroundings: Surroundings;
  readonly stand: MatchRow | undefined;
  readonly onChoose: (id: string) => void;
}

/** The water the head is judged in, and how it stands to a brief. */
export function JudgedIn({ briefs, chosen, surroundings, stand, onChoose }: Props) {
  const { format, say } = useUnits();
  return (
    <>
      <div className="judged-in">
        <Choice
          label="Judged in"
          value={chosen}
          options={[
            ['', 'plain fresh water'],
            ...briefs.map(({ id, document: { name } }) => [id, name] as const),
          ]}
          onChange={onChoose}
        />
        <p>
          {format(surroundings.water.temperature, 'temperature')}, salinity {surroundings.water.salinity},{' '}
          {chosen === ''
            ? say(markedRound(surroundings.depth, 'depth'))
            : format(surroundings.depth, 'depth')}{' '}
          deep
        </p>
      </div>
      {stand && (
        <section className="judged-standing" aria-label="In this brief">
          <h3>
            In this brief: <span data-out={(stand.standing?.out ?? 1) > 0}>{verdict(stand)}</span>
          </h3>
          <AnswerList answers={stand.answers} />
        </section>
      )}
    </>
  );
}

/** In a word, how it stands. */
function verdict({ standing }: MatchRow): string {
  if (!standing || standing.out > 0) return '✕ not there';
  return standing.wrong === 0 && standing.cares === 0 ? '● serves' : '◐ with care';
}
