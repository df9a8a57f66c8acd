import { useForm } from 'react-hook-form';

interface Props {
  readonly label: string;
  readonly placeholder: string;
  readonly most: number;
  readonly onKeep: (name: string) => void;
}

/** One field and a button that keep something under a name. */
export function NameForm({ label, placeholder, most, onKeep }: Props) {
  const { register, handleSubmit, reset, formState } = useForm({
    defaultValues: { name: '' },
    mode: 'onChange',
  });
  const keep = handleSubmit(({ name }) => {
    onKeep(name.trim());
    reset();
  });
  return (
    <form className="views-new" onSubmit={(event) => void keep(event)}>
      <input
        aria-label={label}
        placeholder={placeholder}
        maxLength={most}
        {...register('name', { required: true, validate: (name) => name.trim() !== '' })}
      />
      <button type="submit" className="btn btn-sm btn-fern" disabled={!formState.isValid}>
        Keep
      </button>
    </form>
  );
}
