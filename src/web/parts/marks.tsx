import type { Mark } from '../../core/match/index.ts';
import { questionOf } from '../../core/match/index.ts';
import { useUnits } from '../data/units.ts';
import type { AnswerRow } from '../workers/match-rows.ts';
import './marks.css';

/** Each mark as a shape and a word: never by colour alone. */
const SHAPES: Readonly<Record<Mark, string>> = { yes: '●', barely: '◐', no: '✕', unsaid: '·' };

/** An answer as a mark to scan. */
export function MarkSign({ answer }: { readonly answer: Pick<AnswerRow, 'mark' | 'key' | 'isDecisive'> }) {
  const { mark, key, isDecisive } = answer;
  return (
    <span
      className={`sign sign-${mark}`}
      data-decisive={isDecisive}
      title={`${questionOf(key).name}: ${mark}`}
    >
      <span aria-hidden="true">{SHAPES[mark]}</span>
      <span className="visually-hidden">{mark}</span>
    </span>
  );
}

/** One answer with its grounds, in the reader’s units. */
export function AnswerLine({ answer }: { readonly answer: AnswerRow }) {
  const { say } = useUnits();
  const { key, mark, isDecisive, grounds } = answer;
  return (
    <li className="answer-line">
      <MarkSign answer={answer} />
      <div>
        <b>
          {questionOf(key).name}: {mark}
        </b>
        {isDecisive && <small className="answer-decisive">decides</small>}
        {grounds.map(({ by, from, side, text, source }) => (
          <p
            key={`${from} ${by}`}
            data-side={side}
            title={from === 'rule' ? `Rule ${by}. Source: ${source}` : `Reading ${by}`}
          >
            {say(text)} <code>{by}</code>
          </p>
        ))}
      </div>
    </li>
  );
}

/** Every answer that was asked for, with its grounds; what is wrong first. */
export function AnswerList({ answers }: { readonly answers: readonly AnswerRow[] }) {
  const asked = answers.filter(({ mark }) => mark !== 'unsaid');
  const order: readonly Mark[] = ['no', 'barely', 'yes'];
  const sorted = [...asked].sort(
    (a, b) => order.indexOf(a.mark) - order.indexOf(b.mark) || Number(b.isDecisive) - Number(a.isDecisive),
  );
  return (
    <ul className="answers">
      {sorted.map((answer) => (
        <AnswerLine key={answer.key} answer={answer} />
      ))}
    </ul>
  );
}
