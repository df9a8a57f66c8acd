import type { Kept } from '../../../contract/api.ts';
import type { Brief, Standing, Surroundings } from '../../../core/index.ts';
import { useUnits } from '../../data/units.ts';
import { Choice } from '../../parts/choice.tsx';
import { Reasons } from '../../parts/reasons.tsx';

interface Props {
  readonly briefs: readonly Kept<Brief>[];
  /** id of the brief the head is judged in; empty for plain fresh water */
  readonly chosen: string;
  readonly surroundings: Surroundings;
  readonly stand: Standing | undefined;
  readonly onChoose: (id: string) => void;
}

/** The water the head is judged in, and how it stands to a brief. */
export function JudgedIn({ briefs, chosen, surroundings, stand, onChoose }: Props) {
  const { format } = useUnits();
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
          {format(surroundings.depth, 'depth')} deep
        </p>
      </div>
      {stand && (
        <section className="judged-standing" aria-label="In this brief">
          <h3>
            In this brief{' '}
            <span data-balance={stand.balance}>
              {stand.never.length > 0 ? '✕ out' : stand.balance > 0 ? `+${stand.balance}` : stand.balance}
            </span>
          </h3>
          <Reasons standing={stand} />
        </section>
      )}
    </>
  );
}
