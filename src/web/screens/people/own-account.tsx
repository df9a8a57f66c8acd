import { useState } from 'react';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useForm } from 'react-hook-form';
import type { Own } from '../../../contract/people.ts';
import type { OwnEdit } from '../../../contract/people-requests.ts';
import { PASSWORD_LENGTH, ROLE_DESCRIPTIONS } from '../../../contract/people.ts';
import {
  editOwn,
  endDevice,
  endOwn,
  makePasskey,
  ownQuery,
  removePasskey,
  sessionQuery,
  signOut,
} from '../../data/people.ts';
import { useNotices } from '../../parts/notices.tsx';
import { Heads, Scrolls, Sheet, TakeOrLeave } from '../../parts/sheet.tsx';
import { Failed, Loading } from '../../parts/states.tsx';
import { download } from '../exchange/download.ts';
import { dateOf } from '../backups/told.ts';

/** Does something to one's own account, shows what it then is, and says why where it cannot. */
function useOwnAct<T>(act: (given: T) => Promise<unknown>, said?: string) {
  const client = useQueryClient();
  const { tell } = useNotices();
  return useMutation({
    mutationFn: act,
    onSuccess: async () => {
      if (said !== undefined) tell({ tone: 'good', text: said });
      await Promise.all(
        [ownQuery.queryKey, sessionQuery.queryKey].map((queryKey) => client.invalidateQueries({ queryKey })),
      );
    },
    onError: (error) => tell({ tone: 'bad', text: error.message }),
  });
}

/**
 * Begins the page anew, so that nothing that was fetched stays on a device others use; what is there is asked
 * for nothing any more.
 */
const leaveNothing = (): Promise<never> => {
  window.location.replace('/');
  return new Promise(() => undefined);
};

/** One's own name, mail, password, passkeys and devices. */
export function OwnAccount() {
  const { data: own, error, refetch } = useQuery(ownQuery);
  const leave = useOwnAct(async () => {
    await signOut();
    await leaveNothing();
  });
  if (error && !own) return <Failed error={error} retry={() => void refetch()} />;
  if (!own) return <Loading what="your account" />;
  const { person } = own;
  return (
    <>
      <section aria-labelledby="own">
        <h2 id="own">Your account</h2>
        <p>
          {person.name}, {person.mail}: <b>{person.role}</b> ({ROLE_DESCRIPTIONS[person.role]}).
        </p>
        <OwnForm own={own} />
        <div className="people-acts">
          <button type="button" className="btn btn-quiet" onClick={() => leave.mutate(undefined)}>
            Sign out
          </button>
          <TakeAway />
          <EndOwn />
        </div>
      </section>
      <Passkeys own={own} />
      <Devices own={own} />
    </>
  );
}

function OwnForm({ own: { person } }: { readonly own: Own }) {
  const { register, handleSubmit, reset } = useForm({
    defaultValues: { name: person.name, mail: person.mail, now: '', password: '' },
  });
  const save = useOwnAct(async (edit: OwnEdit) => {
    const kept = await editOwn(edit);
    reset({ name: kept.person.name, mail: kept.person.mail, now: '', password: '' });
  }, 'Saved.');
  const send = handleSubmit(({ name, mail, now, password }) => {
    save.mutate({
      ...(name === person.name ? {} : { name }),
      ...(mail === person.mail ? {} : { mail }),
      ...(password === '' ? {} : { password }),
      ...(now === '' ? {} : { now }),
    });
  });
  return (
    <form className="people-row" onSubmit={(event) => void send(event)}>
      <label>
        Name
        <input autoComplete="name" maxLength={80} {...register('name', { required: true })} />
      </label>
      <label>
        Mail
        <input type="email" autoComplete="username" {...register('mail', { required: true })} />
      </label>
      <label>
        New password
        <input
          type="password"
          autoComplete="new-password"
          {...register('password', {
            validate: (typed) => typed === '' || typed.length >= PASSWORD_LENGTH.least,
          })}
        />
      </label>
      {person.hasPassword && (
        <label>
          Password so far
          <input type="password" autoComplete="current-password" {...register('now')} />
        </label>
      )}
      <button type="submit" className="btn btn-fern" disabled={save.isPending}>
        Save
      </button>
    </form>
  );
}

function TakeAway() {
  const { tell } = useNotices();
  return (
    <button
      type="button"
      className="btn btn-quiet"
      onClick={() => void download('/own/everything', (text) => tell({ tone: 'bad', text }))}
    >
      Download all there is of you
    </button>
  );
}

function EndOwn() {
  const [isAsking, setAsking] = useState(false);
  const end = useOwnAct(async () => {
    await endOwn();
    await leaveNothing();
  });
  return (
    <>
      <button type="button" className="btn btn-quiet" onClick={() => setAsking(true)}>
        Delete your account …
      </button>
      <Sheet
        title="Delete your account?"
        show={isAsking}
        onHide={() => setAsking(false)}
        footer={
          <TakeOrLeave
            take="Delete it for good"
            disabled={end.isPending}
            onTake={() => end.mutate(undefined, { onSettled: () => setAsking(false) })}
            onLeave={() => setAsking(false)}
          />
        }
      >
        <p>
          Your name, mail, passkeys and devices are deleted at once. What you made stays with the shop,
          without your name.
        </p>
      </Sheet>
    </>
  );
}

function Passkeys({ own: { passkeys } }: { readonly own: Own }) {
  const [name, setName] = useState('');
  const make = useOwnAct(makePasskey, 'The passkey is kept.');
  const remove = useOwnAct(removePasskey);
  return (
    <section aria-labelledby="passkeys">
      <h2 id="passkeys">Passkeys</h2>
      <p className="people-hint">
        A finger, a face or a key in place of a password; nothing that could be stolen from the shop lets
        anybody in.
      </p>
      {passkeys.length > 0 && (
        <Scrolls label="Table of passkeys">
          <table>
            <Heads of={['Name', 'Made', 'Last used', 'Actions']} />
            <tbody>
              {passkeys.map((key) => (
                <tr key={key.id}>
                  <th scope="row">{key.name}</th>
                  <td>{dateOf(key.since)}</td>
                  <td>{key.used === undefined ? 'never' : dateOf(key.used)}</td>
                  <td>
                    <button
                      type="button"
                      className="btn btn-sm btn-quiet"
                      aria-label={`Remove the passkey ${key.name}`}
                      onClick={() => remove.mutate(key.id)}
                    >
                      Remove
                    </button>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </Scrolls>
      )}
      <form
        className="people-row"
        onSubmit={(event) => {
          event.preventDefault();
          make.mutate(name.trim() || 'Passkey', { onSuccess: () => setName('') });
        }}
      >
        <label>
          Name of a new one
          <input value={name} maxLength={80} onChange={({ target }) => setName(target.value)} />
        </label>
        <button type="submit" className="btn btn-fern" disabled={make.isPending}>
          Add a passkey
        </button>
      </form>
    </section>
  );
}

function Devices({ own: { devices } }: { readonly own: Own }) {
  const end = useOwnAct(endDevice);
  return (
    <section aria-labelledby="devices">
      <h2 id="devices">Where you are signed in</h2>
      <Scrolls label="Table of devices">
        <table>
          <Heads of={['Device', 'Address', 'Since', 'Last used', 'Actions']} />
          <tbody>
            {devices.map((device) => (
              <tr key={device.id}>
                <th scope="row">
                  {device.device}
                  {device.isThis && ' (this one)'}
                </th>
                <td>{device.address}</td>
                <td>{dateOf(device.since)}</td>
                <td>{dateOf(device.seen)}</td>
                <td>
                  {!device.isThis && (
                    <button
                      type="button"
                      className="btn btn-sm btn-quiet"
                      aria-label={`Sign out ${device.device} at ${device.address}`}
                      onClick={() => end.mutate(device.id)}
                    >
                      Sign out
                    </button>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </Scrolls>
    </section>
  );
}
