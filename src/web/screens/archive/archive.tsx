import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { ArchivedRow } from '../../../contract/api.ts';
import type { Collection } from '../../../contract/collections/index.ts';
import { archiveQuery, useBringBack } from '../../data/queries.ts';
import { dayText } from '../../data/dates.ts';
import { SearchField } from '../../parts/search-field.tsx';
import { Choice } from '../../parts/choice.tsx';
import { Heads, Scrolls } from '../../parts/sheet.tsx';
import { Empty, Failed, Loading } from '../../parts/states.tsx';
import './archive.css';

/**
 * Everything that was archived, and what was deleted in the last thirty days, each with the button that
 * brings it back.
 */
export function Archive() {
  const archive = useQuery(archiveQuery);
  const [find, setFind] = useState('');
  const [kind, setKind] = useState<Collection | ''>('');
  if (archive.isPending) return <Loading what="the Archive" />;
  if (archive.isError) return <Failed error={archive.error} retry={() => void archive.refetch()} />;
  const { rows } = archive.data;
  const kinds = [...new Map(rows.map(({ collection, noun }) => [collection, noun]))];
  const shown = rows.filter(
    ({ name, collection }) =>
      name.toLowerCase().includes(find.toLowerCase()) && (kind === '' || collection === kind),
  );
  return (
    <div className="archive">
      <div className="archive-head">
        <h1>Archive</h1>
        <SearchField label="Search the Archive" value={find} onChange={setFind} />
        <Choice label="Kind" value={kind} options={[['', 'all'] as const, ...kinds]} onChange={setKind} />
        <Link to="/backups">Older: Backups</Link>
      </div>
      {rows.length === 0 ? (
        <Empty title="The Archive is empty">
          <p>Heads you archive stay here until you unarchive them. What is deleted stays for thirty days.</p>
        </Empty>
      ) : (
        <Scrolls label="Archived and deleted">
          <table className="archive-table">
            <Heads of={['Name', 'Kind', 'What happened', '']} />
            <tbody>
              {shown.map((row) => (
                <Row key={`${row.collection} ${row.id}`} row={row} />
              ))}
            </tbody>
          </table>
        </Scrolls>
      )}
    </div>
  );
}

function Row({ row }: { readonly row: ArchivedRow }) {
  const { name, noun, is, at } = row;
  const bringBack = useBringBack();
  return (
    <tr>
      <th scope="row">{name}</th>
      <td>{noun}</td>
      <td>
        {is} on {dayText(at)}
      </td>
      <td>
        <button
          type="button"
          className="btn btn-sm btn-quiet"
          disabled={bringBack.isPending}
          onClick={() => bringBack.mutate(row)}
        >
          {is === 'deleted' ? 'Restore' : 'Unarchive'}
          <span className="visually-hidden"> {name}</span>
        </button>
      </td>
    </tr>
  );
}
