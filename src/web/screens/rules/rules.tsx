import { messageOf } from '../../../core/kind/index.ts';
import { useMemo, useState } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import type { RulesInForce } from '../../../contract/api.ts';
import type { Rule, RuleSet } from '../../../core/document/index.ts';
import { restoreRules, saveRules, ServerProblem } from '../../data/api.ts';
import { useRules } from '../../data/queries.ts';
import { useUnits } from '../../data/units.ts';
import { useAddress } from '../../parts/address.ts';
import { useNotices } from '../../parts/notices.tsx';
import { Panel } from '../../parts/panel.tsx';
import { Failed, Loading } from '../../parts/states.tsx';
import { Problems } from '../../parts/problems.tsx';
import { RuleEditor } from './rule-editor.tsx';
import { RuleRow } from './rule-row.tsx';
import { RulesTools } from './rules-tools.tsx';
import { differs, found, rulesFrom, withRule } from './rule-list.ts';
import { Schools } from './schools.tsx';
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
  const { search } = useAddress();
  const { tell } = useNotices();
  const { say } = useUnits();
  const client = useQueryClient();
  const [editing, setEditing] = useState<{ rule: Rule; old: string | undefined }>();
  const [problems, setProblems] = useState<readonly string[]>([]);
  const { document, version } = inForce;
  const find = search.get('find') ?? '';
  const question = search.get('question') ?? '';
  const shown = useMemo(() => found(document.rules, find, question, say), [document, find, question, say]);
  /** Keeps a set; what is wrong with it comes back with its place. */
  const kept = async (next: RuleSet, says: string): Promise<readonly string[]> => {
    try {
      const saved = await saveRules(next, version);
      client.setQueryData(['rules'], saved);
      tell({ tone: 'good', text: says });
      return [];
    } catch (error) {
      const errors = error instanceof ServerProblem ? error.details.errors : undefined;
      return errors?.map((one) => `${one.path}: ${one.message}`) ?? [messageOf(error)];
    }
  };
  const keep = async (next: RuleSet, says: string) => setProblems(await kept(next, says));
  const keepRule = async (rule: Rule) => {
    const wrong = await kept(
      { ...document, rules: [...withRule(document.rules, rule, editing?.old)] },
      `Rule ${rule.id} kept.`,
    );
    if (wrong.length === 0) setEditing(undefined);
    return wrong;
  };
  const switched = ({ off: _was, ...rest }: Rule, off: boolean) =>
    keep(
      { ...document, rules: [...withRule(document.rules, off ? { ...rest, off } : rest, rest.id)] },
      `Rule ${rest.id} is ${off ? 'switched off' : 'on again'}.`,
    );
  const takeFile = async (file: File) => {
    const taken = rulesFrom(await file.text());
    if (typeof taken === 'string') setProblems([taken]);
    else await keep(taken, `The rules of ${file.name} are in force.`);
  };
  const restore = async () => {
    try {
      client.setQueryData(['rules'], await restoreRules(version));
      const undo = async () => void client.setQueryData(['rules'], await saveRules(document, 0));
      tell({
        tone: 'good',
        text: 'The shipped rules are in force again.',
        action: { label: 'Undo', run: undo },
      });
    } catch (cause) {
      setProblems([messageOf(cause)]);
    }
  };
  return (
    <div className="rules">
      <header className="rules-head">
        <h1>Rules</h1>
        <p>
          What is usual, question by question. Within a question nothing adds up: of the rules that hold the
          strongest speaks. What is computed goes first.{' '}
          {version === 0 ? 'These are the shipped rules.' : 'These are the shop’s own.'}
        </p>
        <RulesTools
          shown={shown.length}
          document={document}
          isOwn={version > 0}
          onNew={() => setEditing({ rule: NEW, old: undefined })}
          onFile={(file) => void takeFile(file)}
          onRestore={() => void restore()}
        />
        <Problems of={[...inForce.problems.map(({ path, message }) => `${path}: ${message}`), ...problems]} />
      </header>
      <Panel what="The schools">
        <Schools document={document} onSide={(schools, says) => void keep({ ...document, schools }, says)} />
      </Panel>
      {editing && (
        <RuleEditor
          key={editing.old ?? 'new'}
          rule={editing.rule}
          onCancel={() => setEditing(undefined)}
          onKeep={keepRule}
        />
      )}
      <Panel what="The rules">
        <ul className="rule-list">
          {shown.map((rule) => (
            <RuleRow
              key={rule.id}
              rule={rule}
              differs={differs(rule)}
              onSwitch={(off) => void switched(rule, off)}
              onEdit={() => setEditing({ rule, old: rule.id })}
            />
          ))}
        </ul>
      </Panel>
    </div>
  );
}
