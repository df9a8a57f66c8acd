import { useQuery } from '@tanstack/react-query';
import { sessionQuery } from '../../data/people.ts';
import { Empty, Loading } from '../../parts/states.tsx';
import { Everybody } from './everybody.tsx';
import { Log } from './log.tsx';
import { OwnAccount } from './own-account.tsx';
import './people.css';

/** One's own account, and for owners everybody's with what was done. */
export function People() {
  const { data: session } = useQuery(sessionQuery);
  if (!session) return <Loading what="the accounts" />;
  if (!session.isAsked)
    return (
      <Empty title="Nobody needs an account here" whole>
        <p>
          This server answers on this machine only, and asks nobody for an account. For a shop of several
          people and machines start it with <code>--host</code> and <code>--name</code>:{' '}
          <code>docs/shop.md</code> says how.
        </p>
      </Empty>
    );
  if (!session.person) return <Loading what="the accounts" />;
  const isOwner = session.person.role === 'owner';
  return (
    <div className="people">
      <h1>People</h1>
      <OwnAccount />
      {isOwner && <Everybody own={session.person.id} />}
      {isOwner && <Log />}
    </div>
  );
}
