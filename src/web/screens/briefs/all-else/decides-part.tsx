import { SCHOOL_TOPICS, schoolOf, SCHOOLS } from '../../../../core/document/index.ts';
import { QUESTIONS } from '../../../../core/match/index.ts';
import { Choice } from '../../../parts/choice.tsx';
import type { PartProps } from '../brief-parts.tsx';
import { plain } from '../brief-parts.tsx';

/** Which questions rule a head out, and which side is taken where the trade is divided. */
export function DecidesPart({ part }: { readonly part: PartProps }) {
  const { brief, at, edit } = part;
  return (
    <details className="else">
      <summary>Deal-breakers and preferences</summary>
      <fieldset className="several">
        <legend>Deal-breakers: a no rules a head out</legend>
        {QUESTIONS.filter((question) => question.isAsked(at)).map((question) => {
          const own = brief.decisive?.[question.key];
          const isOn = own ?? question.isDecisive(at);
          return (
            <label key={question.key} data-on={isOn} title={question.asks}>
              <input
                type="checkbox"
                checked={isOn}
                onChange={() =>
                  edit((now) => ({ ...now, decisive: { ...now.decisive, [question.key]: !isOn } }))
                }
              />
              {question.name}
            </label>
          );
        })}
      </fieldset>
      {SCHOOL_TOPICS.map((topic) => {
        const sides: Readonly<Record<string, string>> = SCHOOLS[topic].sides;
        const side = schoolOf(topic, brief.schools) ?? '';
        return (
          <div key={topic} className="school">
            <Choice
              label={SCHOOLS[topic].title}
              value={side}
              options={plain(Object.keys(sides))}
              onChange={(next) => edit((now) => ({ ...now, schools: { ...now.schools, [topic]: next } }))}
            />
            <p>
              {sides[side]}
              {side === Object.keys(sides)[0] ? ` ${SCHOOLS[topic].why}` : ''}
            </p>
          </div>
        );
      })}
    </details>
  );
}
