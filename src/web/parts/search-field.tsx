import { useState } from 'react';

interface Props {
  readonly label: string;
  /** what is looked for: from a state, or from the address */
  readonly value: string;
  readonly placeholder?: string;
  readonly onChange: (text: string) => void;
}

/**
 * A field to search by. While it is typed in, the text is its own: an address follows typing a moment behind,
 * and must not take letters back.
 */
export function SearchField({ label, value, placeholder = 'Search', onChange }: Props) {
  const [typed, setTyped] = useState<string | undefined>(undefined);
  return (
    <input
      type="search"
      aria-label={label}
      placeholder={placeholder}
      value={typed ?? value}
      maxLength={120}
      onChange={(event) => {
        setTyped(event.currentTarget.value);
        onChange(event.currentTarget.value);
      }}
      onBlur={() => setTyped(undefined)}
    />
  );
}
