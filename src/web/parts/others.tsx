import type { Kept } from '../../contract/api.ts';

interface Props {
  /** what one of them is called */
  readonly label: string;
  /** id of the one on screen */
  readonly id: string;
  readonly all: readonly Kept<{ readonly name: string }>[];
  readonly onChoose: (id: string) => void;
}

/** The documents beside the one on screen, to go to; nothing where there is but one. */
export function Others({ label, id, all, onChoose }: Props) {
  if (all.length < 2) return null;
  return (
    <select aria-label={label} value={id} onChange={(event) => onChoose(event.currentTarget.value)}>
      {all.map((one) => (
        <option key={one.id} value={one.id}>
          {one.document.name}
        </option>
      ))}
    </select>
  );
}
