import { useState } from 'react';
import type { Kept } from '../../../contract/api.ts';
import { NameInPlace } from '../../parts/name-in-place.tsx';
import type { Brief, RangePlan } from '../../../core/document/index.ts';

interface Props {
  readonly plan: RangePlan;
  readonly briefs: readonly Kept<Brief>[];
  readonly edit: (change: (plan: RangePlan) => RangePlan) => void;
}

const LIMITS: readonly (readonly [keyof RangePlan['limits'], string, number, number])[] = [
  ['heads', 'Max heads', 1, 400],
  ['moulds', 'Max moulds', 0, 400],
  ['metals', 'Max metals', 1, 20],
  ['hooks', 'Max hook sizes', 1, 60],
  ['outlay', 'First-order budget', 0, 10_000_000],
];

/** What the wall may take, and which briefs it must cover. */
export function RangeFields({ plan, briefs, edit }: Props) {
  return (
    <>
      <NameInPlace
        label="Name of the plan"
        name={plan.name}
        onCommit={(name) => edit((now) => ({ ...now, name }))}
      />
      <h2>Limits</h2>
      {LIMITS.map(([key, label, least, most]) => (
        <Limit
          key={key}
          label={label}
          value={plan.limits[key]}
          least={least}
          most={most}
          isWhole={key !== 'outlay'}
          onChange={(value) =>
            edit((now) => {
              const { [key]: _, ...rest } = now.limits;
              return { ...now, limits: value === undefined ? rest : { ...rest, [key]: value } };
            })
          }
        />
      ))}
      <h2>Briefs to cover</h2>
      <div className="range-briefs">
        {briefs.map(({ id, document }) => (
          <label key={id}>
            <input
              type="checkbox"
              checked={plan.briefs.includes(id)}
              onChange={() =>
                edit((now) => ({
                  ...now,
                  briefs: now.briefs.includes(id)
                    ? now.briefs.filter((one) => one !== id)
                    : [...now.briefs, id].slice(0, 60),
                }))
              }
            />{' '}
            {document.name}
          </label>
        ))}
        {briefs.length === 0 && <p>No briefs yet: describe the waters your customers fish first.</p>}
      </div>
    </>
  );
}

/** A limit that may be left empty. */
function Limit({
  label,
  value,
  least,
  most,
  isWhole,
  onChange,
}: {
  readonly label: string;
  readonly value: number | undefined;
  readonly least: number;
  readonly most: number;
  readonly isWhole: boolean;
  readonly onChange: (value: number | undefined) => void;
}) {
  const [text, setText] = useState<string | undefined>(undefined);
  const [said, setSaid] = useState('');
  const commit = () => {
    if (text === undefined) return;
    const trimmed = text.trim().replace(',', '.');
    if (trimmed === '') {
      setSaid('');
      setText(undefined);
      onChange(undefined);
      return;
    }
    const next = Number(trimmed);
    if (!(next >= least && next <= most) || (isWhole && !Number.isInteger(next))) {
      setSaid(
        `${label}: a ${isWhole ? 'whole ' : ''}number from ${least} to ${most}, or nothing for no limit.`,
      );
      return;
    }
    setSaid('');
    setText(undefined);
    onChange(next);
  };
  return (
    <label className="range-limit">
      {label}
      <input
        inputMode="numeric"
        placeholder="no limit"
        value={text ?? value ?? ''}
        aria-invalid={said !== ''}
        onChange={(event) => setText(event.currentTarget.value)}
        onBlur={commit}
        onKeyDown={(event) => {
          if (event.key === 'Enter') commit();
          if (event.key === 'Escape') {
            setText(undefined);
            setSaid('');
          }
        }}
      />
      {said && (
        <span className="field-said" role="alert">
          {said}
        </span>
      )}
    </label>
  );
}
