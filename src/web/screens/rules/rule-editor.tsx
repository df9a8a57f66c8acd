import { useMemo, useState } from 'react';
import type { Rule } from '../../../core/document/index.ts';
import { Problems } from '../../parts/problems.tsx';
import { Facts } from './facts.tsx';
import { RuleFields } from './rule-fields.tsx';
import { listFrom, listText } from './rule-list.ts';
import { Tried } from './tried.tsx';

/**
 * One rule in its fields; its conditions as they stand in a file, with the facts they may ask beside them.
 */
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
  const [problems, setProblems] = useState<readonly string[]>([]);
  const parsed = useMemo(() => listFrom(when), [when]);
  const claimed = useMemo(() => listFrom(claim), [claim]);
  const change = (part: Partial<Rule>) => setDraft((now) => ({ ...now, ...part }));
  const setSchool = (school: Rule['school']) =>
    setDraft(({ school: _was, ...rest }) => (school ? { ...rest, school } : rest));
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
      <RuleFields draft={draft} onChange={change} onSchool={setSchool} />
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
        <Facts />
      </div>
      <Tried parsed={parsed} claimed={claimed} question={draft.question} />
      <Problems of={problems} />
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
