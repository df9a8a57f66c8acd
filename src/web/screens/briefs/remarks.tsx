import type { Remark } from '../../../core/match/index.ts';
import { useUnits } from '../../data/units.ts';

/** What is said back, each with its mark. */
export function Remarks({
  title,
  remarks,
  tone,
}: {
  readonly title: string;
  readonly remarks: readonly Remark[];
  readonly tone: 'ask' | 'tip';
}) {
  const { say } = useUnits();
  if (remarks.length === 0) return null;
  return (
    <section className={`remarks remarks-${tone}`} aria-label={title}>
      <h3>{title}</h3>
      <ul>
        {remarks.map(({ key, says }) => (
          <li key={key}>
            <span aria-hidden="true">{tone === 'ask' ? '? ' : '› '}</span>
            {say(says)}
          </li>
        ))}
      </ul>
    </section>
  );
}
