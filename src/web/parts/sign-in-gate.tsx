import { lazy, Suspense, useEffect } from 'react';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { NavLink, useLocation } from 'react-router';
import { onUnauthorized } from '../data/api.ts';
import { sessionQuery } from '../data/people.ts';

const SignInSheet = lazy(async () => ({
  default: (await import('../screens/people/sign-in.tsx')).SignInSheet,
}));

/** Asks whoever is here to sign in where that is wanted; an invitation is taken up without. */
export function SignInGate() {
  const client = useQueryClient();
  const { pathname } = useLocation();
  const { data } = useQuery(sessionQuery);
  // A session that has ended meanwhile shows when something is asked for.
  useEffect(
    () => onUnauthorized(() => void client.invalidateQueries({ queryKey: sessionQuery.queryKey })),
    [client],
  );
  if (data?.isAsked !== true || data.person || pathname === '/join') return null;
  return (
    <Suspense>
      <SignInSheet isFirst={data.isFirst} />
    </Suspense>
  );
}

/** Who is signed in, on the bar; nothing where accounts are not asked for. */
export function AccountLink() {
  const { data } = useQuery(sessionQuery);
  if (data?.isAsked !== true || !data.person) return null;
  return (
    <NavLink to="/people" className="btn btn-sm btn-bar bar-person" title="Your account, and everybody’s">
      {data.person.name}
    </NavLink>
  );
}
