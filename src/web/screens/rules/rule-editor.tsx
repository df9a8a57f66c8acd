import { useMemo, useState } from 'react';
import type { Rule } from '../../../core/document/index.ts';
import type { Head } from '../../../core/match/index.ts';
import { RULE_KINDS, SCHOOL_TOPICS, SCHOOLS, SHADES } from '../../../core/document/index.ts';
import { FACTS, holdsFor, QUESTIONS, situationOf } from '../../../core/match/index.ts';
import { useList } from '../../data/queries.ts';
import { SearchField } from '../../parts/search-field.tsx';
import { Choice } from '../../parts/choice.tsx';

const plain = <T extends string>(values: readonly T[]) => values.map((value) => [value, value] as const);

/** Conditions as a person edits them: one to a line. */
const listText = (conditions: Rule['when']): string =>
  conditions.length === 0 ? '[]' : `[\n  ${conditions.map((one) => JSON.stringify(one)).join(',\n  ')}\n]`;

/** The conditions of a text; undefined where it is no list in JSON. */
function listFrom(text: string): Rule['when'] | undefined {
  try {
    const data: unknown = JSON.parse(text);
    return Array.isArray(data) ? (data as Rule['when']) : undefined;
  } catch {
    return undefined;
  }
}

/** One rule in its fields; its conditions as they stand in a file, with the facts they may ask beside them. */
export function RuleEditor({
  rule,
  onKeep,
  onCancel,
}: {
  readonly rule: Rule;
  /** keeps it, or tells what is wrong with it */
  readonly onKeep: (rule: Rule) => Promise<readonly string[]>;
  readonly onCancel: () => void;
}) {
  const [draft, setDraft] = useState<Rule>(rule);
  const [when, setWhen] = useState(() => listText(rule.when));
  const [claim, setClaim] = useState(() => listText(rule.claim ?? []));
  const [find, setFind] = useState('');
  const [briefId, setBriefId] = useState('');
  const [problems, setProblems] = useState<readonly string[]>([]);
  const briefs = useList('briefs').data ?? [];
  const designs = useList('designs').data;
  const parsed = useMemo(() => listFrom(when), [when]);
  const claimed = useMemo(() => listFrom(claim), [claim]);
  const brief = briefs.find(({ id }) => id === briefId) ?? briefs[0];
  const speaks = useMemo(() => {
    if (!parsed || !claimed || !brief || !designs) return undefined;
    const situation = situationOf(brief.document);
    try {
      return designs.filter(({ document, summary }) => {
        if (!summary?.ok) return false;
        const head: Head = { design: document, values: summary.readings };
        return holdsFor({ when: parsed, claim: claimed, question: draft.question }, situation, head);
      });
    } catch {
      return undefined;
    }
  }, [parsed, claimed, brief, designs, draft.question]);
  const facts = FACTS.filter((fact) =>
    `${fact.name} ${fact.words}`.toLowerCase().includes(find.toLowerCase()),
  ).slice(0, 24);
  const change = (part: Partial<Rule>) => setDraft((now) => ({ ...now, ...part }));
  const side = draft.school ? `${draft.school.topic}: ${draft.school.side}` : '';
  const keep = async () => {
    if (!parsed) {
      setProblems(['When: is not a list in JSON. Compare it with another rule.']);
      return;
    }
    if (!claimed) {
      setProblems(['Claim: is not a list in JSON. Compare it with another rule, or leave [].']);
      return;
    }
    // What is wrong is told by the server, which keeps the rules, with its place.
    const { claim: _before, ...rest } = draft;
    setProblems(await onKeep({ ...rest, when: parsed, ...(claimed.length > 0 ? { claim: claimed } : {}) }));
  };
  return (
    <section className="rule-editor" aria-label="Edit a rule">
      <div className="rule-editor-fields">
        <label>
          Id
          <input value={draft.id} onChange={(event) => change({ id: event.currentTarget.value })} />
        </label>
        <Choice
          label="Question"
          value={draft.question}
          options={QUESTIONS.map(({ key, name }) => [key, name] as const)}
          onChange={(question) => change({ question })}
        />
        <Choice
          label="Answer"
          value={draft.grade}
          options={plain(SHADES)}
          onChange={(grade) => change({ grade })}
        />
        <Choice
          label="Strength"
          value={String(draft.strength)}
          options={plain(['1', '2', '3', '4', '5'])}
          onChange={(strength) => change({ strength: Number(strength) })}
        />
        <Choice
          label="Based on"
          value={draft.kind}
          options={plain(RULE_KINDS)}
          onChange={(kind) => change({ kind })}
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
            const [topic, one] = text.split(': ');
            const { school: _was, ...rest } = draft;
            setDraft(topic && one ? { ...rest, school: { topic, side: one } } : rest);
          }}
        />
        <label>
          Source
          <input value={draft.source} onChange={(event) => change({ source: event.currentTarget.value })} />
        </label>
      </div>
      <label>
        Says
        <textarea
          rows={2}
          value={draft.says}
          onChange={(event) => change({ says: event.currentTarget.value })}
        />
      </label>
      <div className="rule-editor-when">
        <div>
          <Conditions label="When (all must hold)" rows={8} text={when} onText={setWhen} />
          <Conditions
            label="Claim (readings its words state; a reading that says otherwise keeps it silent)"
            rows={3}
            text={claim}
            onText={setClaim}
          />
        </div>
        <div>
          <SearchField
            label="Search the facts"
            value={find}
            placeholder="Search the facts"
            onChange={setFind}
          />
          <ul className="rule-facts">
            {facts.map((fact) => (
              <li key={fact.name}>
                <code>{fact.name}</code> {fact.words}:{' '}
                {'choices' in fact ? fact.choices.slice(0, 6).join(', ') : fact.quantity}
              </li>
            ))}
          </ul>
        </div>
      </div>
      {brief && (
        <div className="rule-test">
          <Choice
            label="Tried in"
            value={brief.id}
            options={briefs.map(({ id, document }) => [id, document.name] as const)}
            onChange={setBriefId}
          />
          <p role="status">
            {speaks === undefined
              ? 'Cannot be tried as it stands.'
              : speaks.length === 0
                ? 'Holds for no head there.'
                : `Holds for ${speaks.length}: ${speaks
                    .slice(0, 8)
                    .map(({ document }) => document.name)
                    .join(', ')}${speaks.length > 8 ? ' …' : ''}`}
          </p>
        </div>
      )}
      {problems.length > 0 && (
        <ul className="problems" role="alert">
          {problems.map((text) => (
            <li key={text}>■ {text}</li>
          ))}
        </ul>
      )}
      <button type="button" className="btn btn-sm btn-fern" onClick={() => void keep()}>
        Save the rule
      </button>{' '}
      <button type="button" className="btn btn-sm btn-quiet" onClick={onCancel}>
        Cancel
      </button>
    </section>
  );
}

/** Conditions as they are written: a list in JSON. */
function Conditions({
  label,
  rows,
  text,
  onText,
}: {
  readonly label: string;
  readonly rows: number;
  readonly text: string;
  readonly onText: (text: string) => void;
}) {
  return (
    <label>
      {label}
      <textarea
        rows={rows}
        spellCheck={false}
        value={text}
        onChange={(event) => onText(event.currentTarget.value)}
      />
    </label>
  );
}
