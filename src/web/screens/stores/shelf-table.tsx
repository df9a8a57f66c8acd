import type { ReactNode } from 'react';

/** A shelf whose rows are edited in place. */
export function Table({
  heads,
  children,
}: {
  readonly heads: readonly string[];
  readonly children: ReactNode;
}) {
  return (
    <div className="stores-table" tabIndex={0} role="region" aria-label="Shelf">
      <table>
        <thead>
          <tr>
            {heads.map((head) => (
              <th key={head} scope="col">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>{children}</tbody>
      </table>
    </div>
  );
}
