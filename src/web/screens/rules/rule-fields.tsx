import type { Rule } from '../../../core/document/index.ts';
import { RULE_KINDS, SCHOOL_TOPICS, SCHOOLS, SHADES } from '../../../core/document/index.ts';
import { QUESTIONS } from '../../../core/match/index.ts';
import { Choice } from '../../parts/choice.tsx';

const plain = <T extends string>(values: readonly T[]) => values.map((value) => [value, value] as const);

interface Props {
  readonly draft: Rule;
  readonly onChange: (part: Partial<Rule>) => void;
  readonly onSchool: (school: Rule['school']) => void;
}

/** A rule's question, answer, strength, source and words. */
export function RuleFields({ draft, onChange, onSchool }: Props) {
  const side = draft.school ? `${draft.school.topic}: ${draft.school.side}` : '';
  return (
    <>
      <div className="rule-editor-fields">
        <label>
          Id
          <input value={draft.id} onChange={(event) => onChange({ id: event.currentTarget.value })} />
        </label>
        <Choice
          label="Question"
          value={draft.question}
          options={QUESTIONS.map(({ key, name }) => [key, name] as const)}
          onChange={(question) => onChange({ question })}
        />
        <Choice
          label="Answer"
          value={draft.grade}
          options={plain(SHADES)}
          onChange={(grade) => onChange({ grade })}
        />
        <Choice
          label="Strength"
          value={String(draft.strength)}
          options={plain(['1', '2', '3', '4', '5'])}
          onChange={(strength) => onChange({ strength: Number(strength) })}
        />
        <Choice
          label="Based on"
          value={draft.kind}
          options={plain(RULE_KINDS)}
          onChange={(kind) => onChange({ kind })}
        />
        <Choice
          label="School"
          value={side}
          options={[
            ['', 'any'] as const,
            ...SCHOOL_TOPICS.flatMap((topic) =>
              Object.keys(SCHOOLS[topic].sides).map(
                (one) => [`${topic}: ${one}`, `${topic}: ${one}`] as const,
              ),
            ),
          ]}
          onChange={(text) => {
            const [topic, side] = text.split(': ');
            onSchool(topic && side ? { topic, side } : undefined);
          }}
        />
        <label>
          Source
          <input value={draft.source} onChange={(event) => onChange({ source: event.currentTarget.value })} />
        </label>
      </div>
      <label>
        Says
        <textarea
          rows={2}
          value={draft.says}
          onChange={(event) => onChange({ says: event.currentTarget.value })}
        />
      </label>
    </>
  );
}
