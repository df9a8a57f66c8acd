interface Props {
  readonly count: number;
  /** the cavity that comes next, from 1 */
  readonly at: number;
  readonly onChoose: (cavity: number) => void;
}

/** The cavities of a mould, of which one is weighed next. */
export function CavityKeys({ count, at, onChoose }: Props) {
  return (
    <div className="cavity-keys" role="group" aria-label="Next cavity">
      {Array.from({ length: count }, (_, i) => (
        <button
          key={i}
          type="button"
          className="btn btn-quiet"
          aria-pressed={i + 1 === at}
          onClick={() => onChoose(i + 1)}
        >
          {i + 1}
        </button>
      ))}
    </div>
  );
}
