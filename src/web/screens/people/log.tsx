import { useInfiniteQuery } from '@tanstack/react-query';
import { AUDIT_ACTS } from '../../../contract/people.ts';
import { readLog } from '../../data/people.ts';
import { Heads, Scrolls } from '../../parts/sheet.tsx';
import { Failed, Loading } from '../../parts/states.tsx';
import { dateOf } from '../backups/told.ts';

/** What people did that the shop may have to account for, the newest first. */
export function Log() {
  const { data, error, refetch, hasNextPage, fetchNextPage, isFetching } = useInfiniteQuery({
    queryKey: ['people', 'log'],
    queryFn: ({ pageParam }) => readLog(pageParam === '' ? undefined : pageParam),
    initialPageParam: '',
    getNextPageParam: ({ next }) => next,
  });
  if (error && !data) return <Failed error={error} retry={() => void refetch()} />;
  if (!data) return <Loading what="the log" />;
  return (
    <section aria-labelledby="log">
      <h2 id="log">What was done</h2>
      <Scrolls label="Table of the log">
        <table>
          <caption>Sign-ins, refusals, what was exported or deleted; kept for a year</caption>
          <Heads of={['When', 'Who', 'What', 'From']} />
          <tbody>
            {data.pages
              .flatMap(({ items }) => items)
              .map((row) => (
                <tr key={row.id}>
                  <th scope="row">{dateOf(row.at)}</th>
                  <td>{row.person ?? 'nobody'}</td>
                  <td>
                    {AUDIT_ACTS[row.act]} {row.what}
                  </td>
                  <td>{row.address}</td>
                </tr>
              ))}
          </tbody>
        </table>
      </Scrolls>
      {hasNextPage && (
        <button
          type="button"
          className="btn btn-quiet"
          disabled={isFetching}
          onClick={() => void fetchNextPage()}
        >
          Earlier
        </button>
      )}
    </section>
  );
}
