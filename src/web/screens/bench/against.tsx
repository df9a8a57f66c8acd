import { useQuery } from '@tanstack/react-query';
import type { ReadingId, Readings, Surroundings } from '../../../core/behaviour/index.ts';
import type { Design } from '../../../core/document/index.ts';
import { READING_IDS, READINGS } from '../../../core/behaviour/index.ts';
import { describeChange } from '../../../core/document/index.ts';
import { readStep, readVersion } from '../../data/api.ts';
import { useUnits } from '../../data/units.ts';
import { judgeWorker } from '../../workers/judge.ts';
import { readingText } from './readings-panel.tsx';

/**
 * An earlier state of a design, judged in the same water: `what` is `step:3` or `version:…`, empty for none.
 */
export function useAgainst(id: string, what: string, surroundings: Surroundings) {
  const [kind, key = ''] = what.split(/:(.*)/s);
  const { data } = useQuery({
    queryKey: ['against', id, what, surroundings],
    enabled: what !== '',
    queryFn: async () => {
      const design = kind === 'step' ? await readStep(id, Number(key)) : await readVersion(id, key);
      return { design, judged: await judgeWorker('later').judge(design, surroundings) };
    },
  });
  return what === '' ? undefined : data;
}

interface Props {
  readonly before: { readonly design: Design; readonly readings: Readings };
  readonly now: { readonly design: Design; readonly readings: Readings };
  readonly onStop: () => void;
}

/** What differs from the earlier state, in words and readings. */
export function Against({ before, now, onStop }: Props) {
  const { say, format } = useUnits();
  const ids = READING_IDS.filter((id) => {
    const [a, b] = [before.readings[id]?.value, now.readings[id]?.value];
    if (a === undefined || b === undefined) return a !== b;
    return Math.abs(a - b) > 2e-3 * Math.max(Math.abs(a), Math.abs(b), 1e-6);
  });
  const text = (id: ReadingId, readings: Readings) => {
    const value = readings[id]?.value;
    return value === undefined ? '–' : readingText(id, value, format);
  };
  return (
    <section className="against" aria-label="Against the earlier state">
      <header>
        <h3>Against the earlier state</h3>
        <button type="button" className="btn-link-brass" onClick={onStop}>
          stop
        </button>
      </header>
      <p>{say(describeChange(before.design, now.design)) || 'The two say the same.'}</p>
      <table>
        <thead>
          <tr>
            <th scope="col">Reading</th>
            <th scope="col">then</th>
            <th scope="col">now</th>
          </tr>
        </thead>
        <tbody>
          {ids.map((id) => (
            <tr key={id}>
              <th scope="row">{READINGS[id].name}</th>
              <td>{text(id, before.readings)}</td>
              <td>{text(id, now.readings)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
