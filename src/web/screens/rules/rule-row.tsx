import type { Rule } from '../../../core/document/index.ts';
import { conditionText, questionOf } from '../../../core/match/index.ts';
import { withUsual } from '../../../core/quantity/index.ts';
import { useUnits } from '../../data/units.ts';

interface Props {
  readonly rule: Rule;
  /** how it differs from what is shipped, if it does */
  readonly differs: string | undefined;
  readonly onSwitch: (off: boolean) => void;
  readonly onEdit: () => void;
}

/** One rule as it is read: what it says, when, and where it comes from. */
export function RuleRow({ rule, differs, onSwitch, onEdit }: Props) {
  const { say } = useUnits();
  return (
    <li className="rule" data-off={rule.off === true}>
      <div className="rule-line">
        <span className={`rule-grade rule-${rule.grade}`}>{rule.grade}</span>
        <div>
          <p className="rule-says">{say(withUsual(rule.says))}</p>
          <p className="rule-when">
            {questionOf(rule.question).name} ·{' '}
            {rule.when.length === 0 ? 'always' : rule.when.map((one) => say(conditionText(one))).join(' · ')}
            {rule.claim && ` · only where ${rule.claim.map((one) => say(conditionText(one))).join(', ')}`}
          </p>
          <p className="rule-from">
            <code>{rule.id}</code> · strength {rule.strength} · {rule.kind} · {rule.source}
            {rule.school && ` · school: ${rule.school.topic}, ${rule.school.side}`}
            {differs && ` · ${differs}`}
          </p>
        </div>
        <div className="rule-tools">
          <label>
            <input type="checkbox" checked={rule.off !== true} onChange={() => onSwitch(rule.off !== true)} />
            on
          </label>
          <button type="button" className="btn-link-brass" onClick={onEdit}>
            Edit
          </button>
        </div>
      </div>
    </li>
  );
}
