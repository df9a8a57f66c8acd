import { useState } from 'react';

interface Props {
  readonly label: string;
  readonly placeholder: string;
  readonly most: number;
  readonly onKeep: (name: string) => void;
}

/** One field and a button that keep something under a name. */
export function NameForm({ label, placeholder, most, onKeep }: Props) {
  const [name, setName] = useState('');
  const trimmed = name.trim();
  return (
    <form
      className="views-new"
      onSubmit={(event) => {
        event.preventDefault();
        if (!trimmed) return;
        onKeep(trimmed);
        setName('');
      }}
    >
      <input
        aria-label={label}
        placeholder={placeholder}
        value={name}
        maxLength={most}
        onChange={(event) => setName(event.currentTarget.value)}
      />
      <button type="submit" className="btn btn-sm btn-fern" disabled={trimmed === ''}>
        Keep
      </button>
    </form>
  );
}
