import type { Fit, FitCheck } from '../../../core/judge/index.ts';
import type { Remedy } from '../../../core/rigging/index.ts';
import { useUnits } from '../../data/units.ts';

/** What a verdict is called, by shape and word. */
export const SIGN: Readonly<Record<Fit['verdict'], string>> = {
  good: '✓ fits',
  tight: '▲ tight',
  bad: '✕ does not fit',
};

/** Every point of the fit with what it means, and buttons that do what its fix says. */
export function RigChecks({
  fit,
  onApply,
}: {
  readonly fit: Fit;
  readonly onApply: (remedy: Remedy) => void;
}) {
  const { say } = useUnits();
  return (
    <>
      <p className={`verdict verdict-${fit.verdict}`} data-verdict={fit.verdict}>
        {SIGN[fit.verdict]}
      </p>
      {fit.obstacle && (
        <div className="check check-bad" data-check="obstacle">
          <p className="check-says">
            <span className="check-sign">✕</span> {fit.obstacle.text}
          </p>
          <Remedies remedies={fit.obstacle.remedies} say={say} onApply={onApply} />
        </div>
      )}
      <ul className="checks">
        {fit.checks.map((check) => (
          <CheckRow key={check.id} check={check} onApply={onApply} />
        ))}
      </ul>
    </>
  );
}

function CheckRow({
  check,
  onApply,
}: {
  readonly check: FitCheck;
  readonly onApply: (remedy: Remedy) => void;
}) {
  const { format, say } = useUnits();
  const { name, value, quantity, good, verdict, says, fix, remedies } = check;
  const limit = Number.isFinite(good[1])
    ? `${format(good[0], quantity)} to ${format(good[1], quantity)}`
    : `${format(good[0], quantity)} or more`;
  return (
    <li className={`check check-${verdict}`} data-check={check.id}>
      <p className="check-head">
        <b>{name}</b>
        <span>{Number.isNaN(value) ? 'nowhere' : format(value, quantity)}</span>
      </p>
      <p className="check-says">
        <span className="check-sign">{verdict === 'good' ? '✓' : verdict === 'tight' ? '▲' : '✕'}</span>{' '}
        {says}
      </p>
      <small>good: {limit}</small>
      {fix && <p className="check-fix">→ {say(fix)}</p>}
      <Remedies remedies={remedies} say={say} onApply={onApply} />
    </li>
  );
}

function Remedies({
  remedies,
  say,
  onApply,
}: {
  readonly remedies: readonly Remedy[];
  readonly say: (text: string) => string;
  readonly onApply: (remedy: Remedy) => void;
}) {
  if (remedies.length === 0) return null;
  return (
    <p className="check-do">
      {remedies.map((remedy) => (
        <button
          key={`${remedy.path}${remedy.says}`}
          type="button"
          className="btn-link-brass"
          onClick={() => onApply(remedy)}
        >
          Apply: {say(remedy.says)}
        </button>
      ))}
    </p>
  );
}
