import { useMemo, useState } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import type { RulesInForce } from '../../../contract/api.ts';
import type { Rule, RuleSet } from '../../../core/document/index.ts';
import { SCHOOL_TOPICS, SCHOOLS, schoolOf } from '../../../core/document/index.ts';
import { conditionText, QUESTIONS, questionOf, REFERENCE_RULES } from '../../../core/match/index.ts';
import { restoreRules, saveRules, ServerProblem } from '../../data/api.ts';
import { useRules } from '../../data/queries.ts';
import { SearchField } from '../../parts/search-field.tsx';
import { useAddress } from '../../parts/address.ts';
import { Choice } from '../../parts/choice.tsx';
import { useNotices } from '../../parts/notices.tsx';
import { Panel } from '../../parts/panel.tsx';
import { Failed, Loading } from '../../parts/states.tsx';
import { keepFile } from '../exchange/download.ts';
import { RuleEditor } from './rule-editor.tsx';
import './rules.css';

/** A rule to begin from. */
const NEW: Rule = {
  id: 'own-rule',
  question: 'moves',
  when: [],
  grade: 'good',
  strength: 4,
  says: 'Why that is so, in a sentence.',
  kind: 'practice',
  source: 'our own shop',
};

/** The rules of the match: read, searched, switched off, changed, added, exchanged. */
export function Rules() {
  const rules = useRules();
  if (rules.isPending) return <Loading what="the rules" />;
  if (rules.isError) return <Failed error={rules.error} retry={() => void rules.refetch()} />;
  return <RulesOf inForce={rules.data} />;
}

function RulesOf({ inForce }: { readonly inForce: RulesInForce }) {
  const { search, set } = useAddress();
  const { tell } = useNotices();
  const client = useQueryClient();
  const [editing, setEditing] = useState<{ rule: Rule; old: string | undefined }>();
  const [problems, setProblems] = useState<readonly string[]>([]);
  const { document, version } = inForce;
  const find = (search.get('find') ?? '').toLowerCase();
  const question = search.get('question') ?? '';
  const shown = useMemo(
    () =>
      document.rules.filter(
        (rule) =>
          (question === '' || rule.question === question) &&
          `${rule.id} ${rule.says} ${rule.when.map(conditionText).join(' ')} ${rule.source}`
            .toLowerCase()
            .includes(find),
      ),
    [document, find, question],
  );
  const shipped = useMemo(
    () => new Map(REFERENCE_RULES.rules.map((rule) => [rule.id, JSON.stringify(rule)])),
    [],
  );
  /** Keeps a set; what is wrong with it comes back with its place. */
  const kept = async (next: RuleSet, says: string): Promise<readonly string[]> => {
    try {
      const saved = await saveRules(next, version);
      client.setQueryData(['rules'], saved);
      tell({ tone: 'good', text: says });
      return [];
    } catch (error) {
      const { message } = error as Error;
      const errors = error instanceof ServerProblem ? error.details.errors : undefined;
      return errors?.map((one) => `${one.path}: ${one.message}`) ?? [message];
    }
  };
  const keep = async (next: RuleSet, says: string) => setProblems(await kept(next, says));
  const put = (rules: readonly Rule[], says: string) => keep({ ...document, rules: [...rules] }, says);
  return (
    <div className="rules">
      <header className="rules-head">
        <h1>Rules</h1>
        <p>
          What is usual, question by question. Within a question nothing adds up: of the rules that hold the
          strongest speaks. What is computed goes first.{' '}
          {version === 0 ? 'These are the shipped rules.' : 'These are the shop’s own.'}
        </p>
        <div className="rules-tools">
          <SearchField
            label="Search the rules"
            value={search.get('find') ?? ''}
            onChange={(text) => set('find', text)}
          />
          <Choice
            label="Question"
            value={question}
            options={[
              ['', 'all of them'] as const,
              ...QUESTIONS.map(({ key, name }) => [key, name] as const),
            ]}
            onChange={(key) => set('question', key)}
          />
          <span role="status">
            {shown.length} of {document.rules.length} rules
          </span>
          <button
            type="button"
            className="btn btn-sm btn-fern"
            onClick={() => setEditing({ rule: NEW, old: undefined })}
          >
            + New rule
          </button>
          <button
            type="button"
            className="btn btn-sm btn-quiet"
            onClick={() =>
              keepFile(
                'rules.json',
                new Blob([JSON.stringify(document, null, 2)], { type: 'application/json' }),
              )
            }
          >
            Export
          </button>
          <label className="btn btn-sm btn-quiet">
            Import
            <input
              type="file"
              accept=".json,application/json"
              className="visually-hidden"
              onChange={(event) => {
                const file = event.currentTarget.files?.[0];
                event.currentTarget.value = '';
                if (file)
                  void file.text().then(async (text) => {
                    try {
                      const taken = JSON.parse(text.replace(/^\uFEFF/, '')) as RuleSet;
                      await keep(taken, `The rules of ${file.name} are in force.`);
                    } catch (error) {
                      setProblems([
                        `The file: is not JSON (${(error as Error).message}). Choose one that was exported here.`,
                      ]);
                    }
                  });
              }}
            />
          </label>
          {version > 0 && (
            <button
              type="button"
              className="btn btn-sm btn-brass"
              onClick={() =>
                void restoreRules(version).then(
                  (kept) => {
                    client.setQueryData(['rules'], kept);
                    tell({
                      tone: 'good',
                      text: 'The shipped rules are in force again.',
                      action: {
                        label: 'Undo',
                        run: async () => void client.setQueryData(['rules'], await saveRules(document, 0)),
                      },
                    });
                  },
                  (cause: unknown) => setProblems([(cause as Error).message]),
                )
              }
            >
              Restore the shipped rules
            </button>
          )}
        </div>
        {[...inForce.problems.map(({ path, message }) => `${path}: ${message}`), ...problems].length > 0 && (
          <ul className="problems" role="alert">
            {[...inForce.problems.map(({ path, message }) => `${path}: ${message}`), ...problems].map(
              (text) => (
                <li key={text}>■ {text}</li>
              ),
            )}
          </ul>
        )}
      </header>
      <Panel what="The schools">
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
                    void keep(
                      { ...document, schools: { ...document.schools, [topic]: next } },
                      `${SCHOOLS[topic].title}: ${next}.`,
                    )
                  }
                />
                <p>
                  {sides[side]} The default is “{Object.keys(sides)[0]}”: {SCHOOLS[topic].why}
                </p>
              </div>
            );
          })}
        </details>
      </Panel>
      {editing && (
        <RuleEditor
          key={editing.old ?? 'new'}
          rule={editing.rule}
          onCancel={() => setEditing(undefined)}
          onKeep={async (rule) => {
            const rules =
              editing.old === undefined
                ? [rule, ...document.rules]
                : document.rules.map((one) => (one.id === editing.old ? rule : one));
            const wrong = await kept({ ...document, rules }, `Rule ${rule.id} kept.`);
            if (wrong.length === 0) setEditing(undefined);
            return wrong;
          }}
        />
      )}
      <Panel what="The rules">
        <ul className="rule-list">
          {shown.map((rule) => (
            <li key={rule.id} className="rule" data-off={rule.off === true}>
              <div className="rule-line">
                <span className={`rule-grade rule-${rule.grade}`}>{rule.grade}</span>
                <div>
                  <p className="rule-says">{rule.says}</p>
                  <p className="rule-when">
                    {questionOf(rule.question).name} ·{' '}
                    {rule.when.length === 0 ? 'always' : rule.when.map(conditionText).join(' · ')}
                    {rule.claim && ` · only where ${rule.claim.map(conditionText).join(', ')}`}
                  </p>
                  <p className="rule-from">
                    <code>{rule.id}</code> · strength {rule.strength} · {rule.kind} · {rule.source}
                    {rule.school && ` · school: ${rule.school.topic}, ${rule.school.side}`}
                    {shipped.get(rule.id) === undefined
                      ? ' · own'
                      : shipped.get(rule.id) !== JSON.stringify(rule)
                        ? ' · changed'
                        : ''}
                  </p>
                </div>
                <div className="rule-tools">
                  <label>
                    <input
                      type="checkbox"
                      checked={rule.off !== true}
                      onChange={() => {
                        const { off: _was, ...rest } = rule;
                        void put(
                          document.rules.map((one) =>
                            one.id === rule.id ? (rule.off ? rest : { ...rule, off: true }) : one,
                          ),
                          `Rule ${rule.id} is ${rule.off ? 'on again' : 'switched off'}.`,
                        );
                      }}
                    />
                    asked
                  </label>
                  <button
                    type="button"
                    className="btn-link-brass"
                    onClick={() => setEditing({ rule, old: rule.id })}
                  >
                    Edit
                  </button>
                </div>
              </div>
            </li>
          ))}
        </ul>
      </Panel>
    </div>
  );
}
