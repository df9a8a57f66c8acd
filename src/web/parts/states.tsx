import { useState } from 'react';
import type { ReactNode } from 'react';
import { isRouteErrorResponse, Link, useRouteError } from 'react-router';
import type { Collection } from '../../contract/collections/index.ts';
import { ServerProblem } from '../data/api.ts';
import { Gone } from './gone.tsx';

/** While something is fetched. */
export function Loading({ what }: { readonly what: string }) {
  return (
    <div className="state" role="status">
      <div className="state-swing" aria-hidden="true" />
      <p>Fetching {what} …</p>
    </div>
  );
}

/**
 * When fetching failed: what happened, and the way to try again; `of` is the document that was asked for,
 * which may have been deleted.
 */
export function Failed({
  error,
  retry,
  of,
}: {
  readonly error: Error;
  readonly retry: () => void;
  readonly of?: { readonly collection: Collection; readonly id: string };
}) {
  if (of && error instanceof ServerProblem && error.details.status === 404) return <Gone {...of} />;
  return (
    <div className="state" role="alert">
      <h2>Couldn’t load this</h2>
      <p>{error.message}</p>
      <button type="button" className="btn btn-fern" onClick={retry}>
        Try again
      </button>
    </div>
  );
}

/** A screen with nothing in it says what to do first; one that is `whole` has no other heading. */
export function Empty({
  title,
  whole = false,
  children,
}: {
  readonly title: string;
  readonly whole?: boolean;
  readonly children: ReactNode;
}) {
  const Heading = whole ? 'h1' : 'h2';
  return (
    <div className="state">
      <Heading>{title}</Heading>
      {children}
    </div>
  );
}

/**
 * A screen that could not be loaded or broke while it was drawn: what happened, and a way back that waits for
 * the server.
 */
export function Broken() {
  const error = useRouteError();
  const [said, setSaid] = useState('');
  if (isRouteErrorResponse(error) && error.status === 404) return <Lost />;
  const fetching = error instanceof TypeError && /import|fetch|load/i.test(error.message);
  const again = async () => {
    try {
      await fetch('/api/health');
      window.location.reload();
    } catch {
      setSaid('The server still does not answer. What you typed is kept in this browser.');
    }
  };
  return (
    <div className="state" role="alert">
      <h2>Couldn’t load this</h2>
      <p>
        {fetching
          ? 'The server did not answer when this screen was asked for.'
          : `The screen stopped: ${error instanceof Error ? error.message : 'no reason is known'}.`}{' '}
        Nothing is lost.
      </p>
      {said && <p className="field-said">{said}</p>}
      <button type="button" className="btn btn-fern" onClick={() => void again()}>
        Try again
      </button>
    </div>
  );
}

/** An address that leads nowhere. */
export function Lost() {
  return (
    <Empty title="Page not found" whole>
      <p>There is no page at this address. Your heads are on the Rack.</p>
      <Link className="btn btn-fern" to="/">
        Go to the Rack
      </Link>
    </Empty>
  );
}
