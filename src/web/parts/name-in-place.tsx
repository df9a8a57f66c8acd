/** The name of a document, edited where it stands; an empty one gives way to what it was. */
export function NameInPlace({
  label,
  name,
  onCommit,
}: {
  readonly label: string;
  readonly name: string;
  readonly onCommit: (name: string) => void;
}) {
  return (
    <span className="name-field">
      <input
        aria-label={label}
        maxLength={120}
        defaultValue={name}
        key={name}
        onBlur={(event) => {
          const typed = event.currentTarget.value.trim();
          if (typed === '') event.currentTarget.value = name;
          else if (typed !== name) onCommit(typed);
        }}
        onKeyDown={(event) => {
          if (event.key === 'Enter') event.currentTarget.blur();
          if (event.key === 'Escape') event.currentTarget.value = name;
        }}
      />
    </span>
  );
}
