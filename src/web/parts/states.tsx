import type { ReactNode } from 'react';
import { Link } from 'react-router';

/** While something is fetched. */
export function Loading({ what }: { readonly what: string }) {
  return (
    <div className="state" role="status">
      <div className="state-swing" aria-hidden="true" />
      <p>Fetching {what} …</p>
    </div>
  );
}

/** When fetching failed: what happened, and the way to try again. */
export function Failed({ error, retry }: { readonly error: Error; readonly retry: () => void }) {
  return (
    <div className="state" role="alert">
      <h2>This did not come through</h2>
      <p>{error.message}</p>
      <button type="button" className="btn btn-fern" onClick={retry}>
        Try again
      </button>
    </div>
  );
}

/** A screen with nothing in it says what to do first. */
export function Empty({ title, children }: { readonly title: string; readonly children: ReactNode }) {
  return (
    <div className="state">
      <h2>{title}</h2>
      {children}
    </div>
  );
}

/** An address that leads nowhere, or a screen that broke. */
export function Lost() {
  return (
    <Empty title="Nothing hangs here">
      <p>This address leads to no screen. Nothing is lost: everything you made is on the Rack.</p>
      <Link className="btn btn-fern" to="/">
        Go to the Rack
      </Link>
    </Empty>
  );
}
