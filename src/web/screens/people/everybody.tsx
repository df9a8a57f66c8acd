import { useState } from 'react';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { PersonRow, Role, Ticket } from '../../../contract/people.ts';
import type { PersonEdit } from '../../../contract/people-requests.ts';
import { ROLE_DESCRIPTIONS, ROLES } from '../../../contract/people.ts';
import { editPerson, endPerson, invite, peopleQuery, resetPassword } from '../../data/people.ts';
import { Choice } from '../../parts/choice.tsx';
import { useNotices } from '../../parts/notices.tsx';
import { Heads, Scrolls, Sheet, TakeOrLeave } from '../../parts/sheet.tsx';
import { Failed, Loading } from '../../parts/states.tsx';
import { dateOf } from '../backups/told.ts';

/** Does something to the accounts, shows what they then are, and says why where it cannot. */
function usePeopleAct<G, T>(act: (given: G) => Promise<T>, then?: (came: T) => void) {
  const client = useQueryClient();
  const { tell } = useNotices();
  return useMutation({
    mutationFn: act,
    onSuccess: (came) => then?.(came),
    onError: (error) => tell({ tone: 'bad', text: error.message }),
    onSettled: () => client.invalidateQueries({ queryKey: peopleQuery.queryKey }),
  });
}

/** What a ticket is for, and its link. */
interface Told {
  readonly about: string;
  readonly ticket: Ticket;
}

/** Everybody who has an account, for owners: what they may, and who else comes in. */
export function Everybody({ own }: { readonly own: string }) {
  const { data: people, error, refetch } = useQuery(peopleQuery);
  const [told, setTold] = useState<Told | undefined>(undefined);
  const [ending, setEnding] = useState<PersonRow | undefined>(undefined);
  const edit = usePeopleAct(({ id, version, ...rest }: PersonEdit & { id: string; version: number }) =>
    editPerson(id, rest, version),
  );
  const reset = usePeopleAct(async ({ id, name }: PersonRow): Promise<Told> => {
    const ticket = await resetPassword(id);
    return { about: `${name} sets a new password by it`, ticket };
  }, setTold);
  const end = usePeopleAct(
    ({ id, version }: PersonRow) => endPerson(id, version),
    () => setEnding(undefined),
  );
  if (error && !people) return <Failed error={error} retry={() => void refetch()} />;
  if (!people) return <Loading what="the people" />;
  return (
    <section aria-labelledby="everybody">
      <h2 id="everybody">Everybody</h2>
      <Scrolls label="Table of accounts">
        <table>
          <Heads of={['Name', 'Mail', 'Role', 'Sees costs', 'Since', 'Actions']} />
          <tbody>
            {people.map((person) => (
              <tr key={person.id}>
                <th scope="row">{person.name}</th>
                <td>{person.mail}</td>
                <td>
                  <select
                    aria-label={`Role of ${person.name}`}
                    value={person.role}
                    onChange={({ target }) =>
                      edit.mutate({ id: person.id, version: person.version, role: target.value as Role })
                    }
                  >
                    {ROLES.map((role) => (
                      <option key={role}>{role}</option>
                    ))}
                  </select>
                </td>
                <td>
                  <SeesCosts
                    person={person}
                    onChange={(seesPrices) =>
                      edit.mutate({ id: person.id, version: person.version, seesPrices })
                    }
                  />
                </td>
                <td>{dateOf(person.since)}</td>
                <td>
                  <span className="people-row">
                    <button
                      type="button"
                      className="btn btn-sm btn-quiet"
                      aria-label={`New password for ${person.name}`}
                      onClick={() => reset.mutate(person)}
                    >
                      New password
                    </button>
                    {person.id !== own && (
                      <button
                        type="button"
                        className="btn btn-sm btn-quiet"
                        aria-label={`Delete the account of ${person.name}`}
                        onClick={() => setEnding(person)}
                      >
                        Delete
                      </button>
                    )}
                  </span>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </Scrolls>
      <Invite onTold={setTold} />
      {told && <Link told={told} />}
      <Sheet
        title={`Delete the account of ${ending?.name ?? ''}?`}
        show={ending !== undefined}
        onHide={() => setEnding(undefined)}
        footer={
          <TakeOrLeave
            take="Delete it for good"
            disabled={end.isPending}
            onTake={() => ending && end.mutate(ending)}
            onLeave={() => setEnding(undefined)}
          />
        }
      >
        <p>
          Name, mail, passkeys and devices are deleted at once. What was made by it stays with the shop,
          without the name.
        </p>
      </Sheet>
    </section>
  );
}

/**
 * Whether somebody at the counter sees what things cost the shop; other roles do, or do not, by what they
 * are.
 */
function SeesCosts({
  person,
  onChange,
}: {
  readonly person: PersonRow;
  readonly onChange: (sees: boolean) => void;
}) {
  if (person.role !== 'counter') return person.role === 'guide' ? 'no' : 'yes';
  return (
    <input
      type="checkbox"
      aria-label={`${person.name} sees costs`}
      checked={person.seesPrices}
      onChange={({ target }) => onChange(target.checked)}
    />
  );
}

function Invite({ onTold }: { readonly onTold: (told: Told) => void }) {
  const [role, setRole] = useState<Role>('maker');
  const [seesPrices, setSees] = useState(false);
  const make = usePeopleAct(async (given: Parameters<typeof invite>[0]): Promise<Told> => {
    const ticket = await invite(given);
    return { about: `Whoever opens it first becomes ${given.role}`, ticket };
  }, onTold);
  return (
    <form
      className="people-row"
      onSubmit={(event) => {
        event.preventDefault();
        make.mutate({ role, ...(role === 'counter' ? { seesPrices } : {}) });
      }}
    >
      <Choice
        label="Invite a"
        value={role}
        options={ROLES.map((one) => [one, one] as const)}
        onChange={setRole}
      />
      {role === 'counter' && (
        <label className="people-row">
          <input type="checkbox" checked={seesPrices} onChange={({ target }) => setSees(target.checked)} />
          sees costs
        </label>
      )}
      <button type="submit" className="btn btn-fern" disabled={make.isPending}>
        Make a link
      </button>
      <span className="people-hint">{ROLE_DESCRIPTIONS[role]}</span>
    </form>
  );
}

/** A link that is shown once, to be handed over. */
function Link({ told: { about, ticket } }: { readonly told: Told }) {
  const { tell } = useNotices();
  const address = `${window.location.origin}/join#${ticket.token}`;
  return (
    <div className="people-word" role="status">
      <p>
        {about}. Good once, until {dateOf(ticket.until)}; it is shown only now. Hand it over yourself.
      </p>
      <p>{address}</p>
      <button
        type="button"
        className="btn btn-sm btn-quiet"
        onClick={() =>
          void navigator.clipboard.writeText(address).then(
            () => tell({ tone: 'good', text: 'Copied.' }),
            () => tell({ tone: 'bad', text: 'It could not be copied. Mark it and copy it by hand.' }),
          )
        }
      >
        Copy the link
      </button>
    </div>
  );
}
