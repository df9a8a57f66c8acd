import { useMemo, useState } from 'react';
import { SITUATION_GROUPS } from '../../../core/match/index.ts';
import { SearchField } from '../../parts/search-field.tsx';

/** Situations of the trade to make a brief from, under headings, with a search over all of them. */
export function TemplateList({
  isBusy,
  onPick,
}: {
  readonly isBusy: boolean;
  readonly onPick: (key: string) => void;
}) {
  const [find, setFind] = useState('');
  const groups = useMemo(
    () =>
      SITUATION_GROUPS.map(({ name, situations }) => ({
        name,
        found: situations.filter(({ brief }) =>
          `${name} ${brief.name}`.toLowerCase().includes(find.trim().toLowerCase()),
        ),
      })).filter(({ found }) => found.length > 0),
    [find],
  );
  return (
    <section className="templates" aria-label="Start from a usual situation">
      <h2>Start from a usual situation</h2>
      <SearchField label="Search the situations" value={find} onChange={setFind} />
      {groups.length === 0 && <p>No situation found. Start with a new brief.</p>}
      <div className="template-groups">
        {groups.map(({ name, found }) => (
          <section key={name}>
            <h3>{name}</h3>
            <ul>
              {found.map(({ key, brief }) => (
                <li key={key}>
                  <button type="button" disabled={isBusy} onClick={() => onPick(key)}>
                    {brief.name}
                  </button>
                </li>
              ))}
            </ul>
          </section>
        ))}
      </div>
    </section>
  );
}
