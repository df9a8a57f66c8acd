import { useForm } from 'react-hook-form';
import type { Kept } from '../../../contract/api.ts';
import type { Brief, Problem } from '../../../core/document/index.ts';
import type { Situation } from '../../../core/match/index.ts';
import type { Plastic } from '../../../core/plastic/index.ts';
import type { PartProps } from './brief-parts.tsx';
import { AllElse } from './all-else/all-else.tsx';
import { SixQuestions } from './six-questions.tsx';

interface Props {
  readonly brief: Brief;
  readonly at: Situation;
  readonly plastics: readonly Kept<Plastic>[];
  readonly problems: readonly Problem[];
  readonly edit: (change: (brief: Brief) => Brief) => void;
}

/** The situation: six questions for a first answer, and all else folded away with its usual values. */
export function BriefForm({ brief, at, plastics, problems, edit }: Props) {
  const part: PartProps = {
    brief,
    at,
    edit,
    problem: (path) => problems.find((one) => one.path.startsWith(path))?.message,
  };
  return (
    <>
      <BriefName name={brief.name} onName={(name) => edit((now) => ({ ...now, name }))} />
      <SixQuestions {...part} plastics={plastics} />
      <AllElse {...part} />
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
