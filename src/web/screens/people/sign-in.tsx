import { useId } from 'react';
import Modal from 'react-bootstrap/Modal';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useForm } from 'react-hook-form';
import type { SessionState } from '../../../contract/people.ts';
import type { SignIn } from '../../../contract/people-requests.ts';
import { sessionQuery, signIn, signInByPasskey } from '../../data/people.ts';
import './people.css';

/** Does something that lets somebody in, and fetches everything anew as he may see it. */
export function useLetIn<T>(act: (given: T) => Promise<SessionState>) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: act,
    onSuccess: async (state) => {
      client.setQueryData(sessionQuery.queryKey, state);
      // A link that was just used up leads nowhere any more.
      await client.invalidateQueries({
        predicate: ({ queryKey: [key] }) => key !== 'session' && key !== 'token',
      });
    },
  });
}

/** Whether this browser knows passkeys at all. */
const knowsPasskeys = 'PublicKeyCredential' in window;

/** Asks whoever is here to sign in, over the screen, which keeps what was typed in it. */
export function SignInSheet({ isFirst }: { readonly isFirst: boolean }) {
  const id = useId();
  const { register, handleSubmit } = useForm<SignIn>({ defaultValues: { mail: '', password: '' } });
  const byPassword = useLetIn(signIn);
  const byPasskey = useLetIn(signInByPasskey);
  const error = byPassword.error ?? byPasskey.error;
  return (
    <Modal
      show
      backdrop="static"
      keyboard={false}
      centered
      aria-labelledby={id}
      backdropClassName="people-behind"
    >
      <Modal.Body className="people-door">
        <h2 id={id}>Sign in to Fern Anvil</h2>
        {isFirst && (
          <p>
            Nobody has an account here yet. The link that makes the first was printed where this server was
            started.
          </p>
        )}
        <form
          onSubmit={(event) =>
            void handleSubmit((given) => {
              byPasskey.reset();
              byPassword.mutate(given);
            })(event)
          }
        >
          <label>
            Mail
            <input type="email" autoComplete="username" {...register('mail', { required: true })} />
          </label>
          <label>
            Password
            <input
              type="password"
              autoComplete="current-password"
              {...register('password', { required: true })}
            />
          </label>
          <p className="people-said" role="alert">
            {error?.message}
          </p>
          <div className="people-acts">
            <button type="submit" className="btn btn-fern" disabled={byPassword.isPending}>
              {byPassword.isPending ? 'Signing in …' : 'Sign in'}
            </button>
            {knowsPasskeys && (
              <button
                type="button"
                className="btn btn-quiet"
                disabled={byPasskey.isPending}
                onClick={() => {
                  byPassword.reset();
                  byPasskey.mutate(undefined);
                }}
              >
                Use a passkey
              </button>
            )}
          </div>
        </form>
        <p className="people-hint">Password lost? An owner of the shop makes you a link for a new one.</p>
      </Modal.Body>
    </Modal>
  );
}
