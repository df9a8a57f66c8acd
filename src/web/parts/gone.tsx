import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { Collection } from '../../contract/collections/index.ts';
import { archiveQuery, useBringBack } from '../data/queries.ts';
import { dayText } from '../data/dates.ts';

/**
 * Where a document was asked for that is not there: it was deleted, and can be brought back, or it never was.
 */
export function Gone({ collection, id }: { readonly collection: Collection; readonly id: string }) {
  const archive = useQuery(archiveQuery);
  const bringBack = useBringBack();
  const row = archive.data?.rows.find((one) => one.collection === collection && one.id === id);
  return (
    <div className="state" role="alert">
      <h1>{row ? `${row.name} was deleted` : 'Not found'}</h1>
      {row ? (
        <>
          <p>It was deleted on {dayText(row.at)}, and can be restored for thirty days.</p>
          <button
            type="button"
            className="btn btn-fern"
            disabled={bringBack.isPending}
            onClick={() => bringBack.mutate(row)}
          >
            Restore {row.name}
          </button>
        </>
      ) : (
        <>
          <p>Nothing is kept at this address. It may have been deleted more than thirty days ago.</p>
          <Link className="btn btn-fern" to="/archive">
            Open the Archive
          </Link>
        </>
      )}
    </div>
  );
}
