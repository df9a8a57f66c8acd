import { useForm } from 'react-hook-form';
import type { Brief, Problem } from '../../../core/index.ts';
import type { PartProps } from './brief-parts.tsx';
import { BottomPart, FishingPart, SchoolsPart, WaterPart } from './brief-parts.tsx';

interface Props {
  readonly brief: Brief;
  readonly problems: readonly Problem[];
  readonly edit: (change: (brief: Brief) => Brief) => void;
}

/** The situation, in the order a person tells it: water, bottom, cover, way of fishing, tackle, bait, fish. */
export function BriefForm({ brief, problems, edit }: Props) {
  const at = (path: string) => problems.find((problem) => problem.path.startsWith(path))?.message;
  const part: PartProps = { brief, at, edit };
  return (
    <>
      <BriefName name={brief.name} onName={(name) => edit((now) => ({ ...now, name }))} />
      <WaterPart {...part} />
      <BottomPart {...part} />
      <FishingPart {...part} />
      <SchoolsPart {...part} />
    </>
  );
}

/** The brief's name, kept when it is left. */
function BriefName({ name, onName }: { readonly name: string; readonly onName: (name: string) => void }) {
  const { register, handleSubmit, formState } = useForm({ values: { name }, mode: 'onChange' });
  const problem = formState.errors.name?.message;
  const keep = handleSubmit(({ name: typed }) => {
    if (typed.trim() !== name) onName(typed.trim());
  });
  return (
    <div className="qf qf-wide" data-bad={Boolean(problem)}>
      <label htmlFor="brief-name">Name</label>
      <span className="qf-box">
        <input
          id="brief-name"
          aria-invalid={Boolean(problem)}
          {...register('name', {
            validate: (typed) =>
              typed.trim() === ''
                ? 'Give the brief a name.'
                : typed.trim().length <= 120 || 'At most 120 characters fit. Shorten it.',
            onBlur: () => void keep(),
          })}
        />
      </span>
      {problem && <p className="field-said">{problem}</p>}
    </div>
  );
}
