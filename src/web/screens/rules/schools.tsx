import type { RuleSet } from '../../../core/document/index.ts';
import { SCHOOL_TOPICS, SCHOOLS, schoolOf } from '../../../core/document/index.ts';
import { Choice } from '../../parts/choice.tsx';

interface Props {
  readonly document: RuleSet;
  readonly onSide: (schools: RuleSet['schools'], says: string) => void;
}

/** Where practitioners are of two minds, and whom the shop follows. */
export function Schools({ document, onSide }: Props) {
  return (
    <details className="rules-schools">
      <summary>Where practitioners are of two minds: what the shop follows</summary>
      {SCHOOL_TOPICS.map((topic) => {
        const sides: Readonly<Record<string, string>> = SCHOOLS[topic].sides;
        const side = schoolOf(topic, undefined, document.schools) ?? '';
        return (
          <div key={topic} className="school">
            <Choice
              label={SCHOOLS[topic].title}
              value={side}
              options={Object.keys(sides).map((key) => [key, key] as const)}
              onChange={(next) =>
                onSide({ ...document.schools, [topic]: next }, `${SCHOOLS[topic].title}: ${next}.`)
              }
            />
            <p>
              {sides[side]} The default is “{Object.keys(sides)[0]}”: {SCHOOLS[topic].why}
            </p>
          </div>
        );
      })}
    </details>
  );
}
