import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { useForm } from 'react-hook-form';
import { useNavigate } from 'react-router';
import { PASSWORD_LENGTH, ROLE_DESCRIPTIONS } from '../../../contract/people.ts';
import type { TicketRead } from '../../../contract/people.ts';
import { ServerProblem } from '../../data/api.ts';
import { accept, readWord } from '../../data/people.ts';
import { Failed, Loading } from '../../parts/states.tsx';
import { useLetIn } from './sign-in.tsx';
import './people.css';

const TITLES = {
  first: 'Your shop, your account',
  invitation: 'Join the shop',
  reset: 'Set a new password',
} as const;

/** Takes up an invitation by the token in the address, which no server gets to see before it is sent. */
export function Join() {
  const [token] = useState(() => window.location.hash.slice(1));
  const { data, error, refetch } = useQuery({
    queryKey: ['token', token],
    queryFn: () => readWord(token),
    retry: false,
  });
  if (error) return <Failed error={error} retry={() => void refetch()} />;
  if (!data) return <Loading what="the invitation" />;
  return <JoinAs token={token} read={data} />;
}

interface Fields {
  readonly name: string;
  readonly mail: string;
  readonly password: string;
}

function JoinAs({ token, read }: { readonly token: string; readonly read: TicketRead }) {
  const { kind, role, mail: known } = read;
  const navigate = useNavigate();
  const letIn = useLetIn(accept);
  const { register, handleSubmit } = useForm<Fields>({ defaultValues: { name: '', mail: '', password: '' } });
  const errors = letIn.error instanceof ServerProblem ? (letIn.error.details.errors ?? []) : [];
  const saidOf = (field: keyof Fields) => errors.find(({ path }) => path === `/${field}`)?.message;
  const isReset = kind === 'reset';
  const send = handleSubmit(async ({ name, mail, password }) => {
    await letIn.mutateAsync({ token, password, ...(isReset ? {} : { name, mail }) }).then(
      () => navigate('/', { replace: true }),
      () => undefined,
    );
  });
  return (
    <div className="people people-door">
      <h1>{TITLES[kind]}</h1>
      {!isReset && (
        <p>
          You will be <b>{role}</b>: {ROLE_DESCRIPTIONS[role]}.
        </p>
      )}
      <form onSubmit={(event) => void send(event)}>
        {isReset ? (
          <p>
            For <b>{known}</b>. Every device is signed out by it.
          </p>
        ) : (
          <>
            <label>
              Name
              <input autoComplete="name" maxLength={80} {...register('name', { required: true })} />
              <small className="people-said">{saidOf('name')}</small>
            </label>
            <label>
              Mail, which you sign in by
              <input type="email" autoComplete="username" {...register('mail', { required: true })} />
              <small className="people-said">{saidOf('mail')}</small>
            </label>
          </>
        )}
        <label>
          Password, {PASSWORD_LENGTH.least} characters or more
          <input
            type="password"
            autoComplete="new-password"
            {...register('password', { required: true, minLength: PASSWORD_LENGTH.least })}
          />
          <small className="people-said">{saidOf('password')}</small>
        </label>
        {letIn.error && errors.length === 0 && (
          <p className="people-said" role="alert">
            {letIn.error.message}
          </p>
        )}
        <div className="people-acts">
          <button type="submit" className="btn btn-fern" disabled={letIn.isPending}>
            {isReset ? 'Set it and sign in' : 'Make the account'}
          </button>
        </div>
      </form>
      <p className="people-hint">
        A sentence only you know is a good password. A passkey is better still: add one under People once you
        are in.
      </p>
    </div>
  );
}
