import { messageOf } from '../../core/kind/index.ts';
import type { ReactNode } from 'react';
import { ErrorBoundary } from 'react-error-boundary';

/** A part of a screen that fails alone: what is beside it stays, and it can be tried again. */
export function Panel({ what, children }: { readonly what: string; readonly children: ReactNode }) {
  return (
    <ErrorBoundary
      fallbackRender={({ error, resetErrorBoundary }) => (
        <div className="panel-broken" role="alert">
          <p>
            ■ {what} could not be shown: {messageOf(error)}. Nothing you typed is lost.
          </p>
          <button type="button" className="btn btn-sm btn-quiet" onClick={resetErrorBoundary}>
            Show it again
          </button>
        </div>
      )}
    >
      {children}
    </ErrorBoundary>
  );
}
