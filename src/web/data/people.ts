import { queryOptions, useQuery } from '@tanstack/react-query';
import type {
  AuditRow,
  Permission,
  Own,
  PersonRow,
  SessionState,
  Ticket,
  TicketRead,
} from '../../contract/people.ts';
import type { Acceptance, Invitation, OwnEdit, PersonEdit, SignIn } from '../../contract/people-requests.ts';
import { isAllowed } from '../../contract/people.ts';
import { call } from './api.ts';

const post = <T>(path: string, body?: object): Promise<T> =>
  call(path, { method: 'POST', ...(body === undefined ? {} : { body: JSON.stringify(body) }) });
const gone = (path: string): Promise<void> => call(path, { method: 'DELETE' });
const person = (id: string): string => `/people/${encodeURIComponent(id)}`;

/** Whether accounts are asked for, and who is signed in. */
export const sessionQuery = queryOptions({
  queryKey: ['session'],
  queryFn: () => call<SessionState>('/session'),
  staleTime: 5 * 60_000,
});

/** Signs in by mail and password. */
export const signIn = (given: SignIn): Promise<SessionState> => post('/session', given);
/** Signs this device out. */
export const signOut = (): Promise<void> => gone('/session');

/** Signs in by a passkey, whichever the person picks. */
export async function signInByPasskey(): Promise<SessionState> {
  const { startAuthentication } = await import('@simplewebauthn/browser');
  const optionsJSON =
    await post<Parameters<typeof startAuthentication>[0]['optionsJSON']>('/session/passkey/question');
  return post('/session/passkey', { answer: await startAuthentication({ optionsJSON }) });
}

/** Makes a passkey on this device, or a key or phone beside it, and keeps it under a name. */
export async function makePasskey(name: string): Promise<Own> {
  const { startRegistration } = await import('@simplewebauthn/browser');
  const optionsJSON =
    await post<Parameters<typeof startRegistration>[0]['optionsJSON']>('/own/passkeys/question');
  return post('/own/passkeys', { name, answer: await startRegistration({ optionsJSON }) });
}

/** Removes a passkey. */
export const removePasskey = (id: string): Promise<void> => gone(`/own/passkeys/${encodeURIComponent(id)}`);

/** What the token of an invitation leads to. */
export const readWord = (token: string): Promise<TicketRead> => post('/invitation', { token });
/** Takes up an invitation, or sets a password anew. */
export const accept = (given: Acceptance): Promise<SessionState> => post('/invitation/accept', given);

/** One's own account, devices and passkeys. */
export const ownQuery = queryOptions({ queryKey: ['own'], queryFn: () => call<Own>('/own') });
/** Changes one's own name, mail or password. */
export const editOwn = (edit: OwnEdit): Promise<Own> =>
  call('/own', { method: 'PUT', body: JSON.stringify(edit) });
/** Deletes one's own account. */
export const endOwn = (): Promise<void> => gone('/own');
/** Signs one of one's own devices out. */
export const endDevice = (id: string): Promise<void> => gone(`/own/devices/${id}`);

/** Everybody who has an account. */
export const peopleQuery = queryOptions({
  queryKey: ['people'],
  queryFn: () => call<PersonRow[]>('/people'),
});
/** Offers an account; the token of it is told once. */
export const invite = (given: Invitation): Promise<Ticket> => post('/people/invitations', given);
/** Changes what somebody may. */
export const editPerson = (id: string, edit: PersonEdit, version: number): Promise<PersonRow> =>
  call(person(id), { method: 'PUT', body: JSON.stringify(edit), version });
/** Deletes an account. */
export const endPerson = (id: string, version: number): Promise<void> =>
  call(person(id), { method: 'DELETE', version });
/** Makes a link by which somebody sets his password anew. */
export const resetPassword = (id: string): Promise<Ticket> => post(`${person(id)}/reset`);
/** A page of what people did, the newest first. */
export const readLog = (before?: string): Promise<{ items: AuditRow[]; next?: string }> =>
  call(`/people/log${before === undefined ? '' : `?before=${encodeURIComponent(before)}`}`);

/** Whether whoever is here may do what needs this: everything, where accounts are not asked for. */
export function useAllowed(need: Permission): boolean {
  const { data } = useQuery(sessionQuery);
  return data?.isAsked !== true || (data.person !== undefined && isAllowed(data.person, need));
}
