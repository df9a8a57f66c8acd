import type { Reason, Standing } from '../../core/index.ts';
import { reasonText } from '../../core/index.ts';
import { useUnits } from '../data/units.ts';
import './reasons.css';

const TONES = [
  ['never', '✕ never'],
  ['for', '+'],
  ['against', '−'],
] as const;

/** What speaks for and against, hard objections first; at most `most` of each kind but the hard ones. */
export function Reasons({
  standing,
  most = Infinity,
}: {
  readonly standing: Standing;
  readonly most?: number;
}) {
  const { system } = useUnits();
  const item = (reason: Reason, tone: string, sign: string) => (
    <li
      key={reason.rule.id}
      className={`reason reason-${tone}`}
      title={`Weight ${reason.rule.weight}. Source: ${reason.rule.source}`}
    >
      <b aria-hidden="true">{sign}</b>
      <span className="visually-hidden">{tone}:</span> {reasonText(reason, system)}
      {reason.rule.school && <small> school: {reason.rule.school.side}</small>}
      {!reason.rule.source.startsWith('common') && <small> ({reason.rule.source})</small>}
    </li>
  );
  return (
    <ul className="reasons">
      {TONES.flatMap(([tone, sign]) =>
        standing[tone]
          .slice(0, tone === 'never' ? undefined : most)
          .map((reason) => item(reason, tone, sign)),
      )}
    </ul>
  );
}
