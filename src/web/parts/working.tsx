interface Props {
  /** what is being worked out, in the plural, as in “3 of 20 sayings tested” */
  readonly what: string;
  /**
   * the job: how far it has come, where one is under way; whether it was stopped; a stop, and a way to have
   * it whole
   */
  readonly of: {
    readonly progress: readonly [done: number, of: number] | undefined;
    readonly isStopped: boolean;
    readonly stop: () => void;
    readonly again: () => void;
  };
  /** shown only once the job has taken a moment, over the picture it makes: most are done sooner */
  readonly isLate?: boolean;
}

/**
 * How far a longer job has come, with a stop; once stopped, a way to have it whole. Nothing where all is
 * there.
 */
export function Working({ what, of, isLate = false }: Props) {
  const line = <Line what={what} of={of} />;
  return isLate ? <div className="working-late">{line}</div> : line;
}

function Line({ what, of: { progress, isStopped, stop, again } }: Pick<Props, 'what' | 'of'>) {
  if (progress)
    return (
      <p className="working" role="status">
        <progress value={progress[0]} max={Math.max(1, progress[1])} aria-label={what} />{' '}
        {progress[0] > 0 ? `${progress[0]} of ${progress[1]} ${what}` : 'Looking …'}{' '}
        <button type="button" className="btn btn-sm btn-quiet" onClick={stop}>
          Stop
        </button>
      </p>
    );
  if (!isStopped) return null;
  return (
    <p className="working" role="status">
      Stopped: not all is here.{' '}
      <button type="button" className="btn btn-sm btn-quiet" onClick={again}>
        Work out all
      </button>
    </p>
  );
}
