import type { ReactNode } from 'react';
import type { ColumnDef, ColumnDefTemplate, RowData } from '@tanstack/react-table';
import { getCoreRowModel, getSortedRowModel, useReactTable } from '@tanstack/react-table';

declare module '@tanstack/react-table' {
  // The names are the library’s own.
  // eslint-disable-next-line @typescript-eslint/no-unused-vars
  interface ColumnMeta<TData extends RowData, TValue> {
    /** the cell that names its row */
    readonly isRowHead?: boolean;
    readonly className?: string;
  }
}

/** Columns of a table. */
export type Columns<T> = readonly ColumnDef<T, unknown>[];

interface Props<T> {
  readonly columns: Columns<T>;
  readonly rows: readonly T[];
  readonly rowKey: (row: T, index: number) => string;
  readonly caption?: string;
  readonly className?: string;
  /** attributes of a row, such as what it is marked by */
  readonly rowProps?: (row: T) => Readonly<Record<`data-${string}`, boolean | undefined>>;
  /** words in place of the cells from a column on, where a row has nothing to show there */
  readonly instead?: (
    row: T,
  ) => { readonly from: string; readonly to?: string; readonly words: ReactNode } | undefined;
}

/** A table by its columns; a click on the head of one that can be ordered orders by it. */
export function DataTable<T>({ columns, rows, rowKey, caption, className, rowProps, instead }: Props<T>) {
  // The table keeps its state in refs of its own and must not be memoised by the compiler.
  // eslint-disable-next-line react-hooks/incompatible-library
  const table = useReactTable<T>({
    data: rows as T[],
    columns: columns as ColumnDef<T, unknown>[],
    getRowId: rowKey,
    getCoreRowModel: getCoreRowModel(),
    getSortedRowModel: getSortedRowModel(),
  });
  return (
    <table className={className}>
      {caption && <caption>{caption}</caption>}
      <thead>
        {table.getHeaderGroups().map((group) => (
          <tr key={group.id}>
            {group.headers.map(({ id, column, getContext }) => {
              const order = column.getIsSorted();
              const head = drawn(column.columnDef.header, getContext());
              // Over buttons stands nothing, which is no heading.
              if (head === '') return <td key={id} />;
              return (
                <th
                  key={id}
                  scope="col"
                  aria-sort={order ? (order === 'asc' ? 'ascending' : 'descending') : undefined}
                >
                  {column.getCanSort() ? (
                    <button type="button" className="th-sort" onClick={column.getToggleSortingHandler()}>
                      {head} <span aria-hidden>{order === 'asc' ? '▲' : order === 'desc' ? '▼' : ''}</span>
                    </button>
                  ) : (
                    head
                  )}
                </th>
              );
            })}
          </tr>
        ))}
      </thead>
      <tbody>
        {table.getRowModel().rows.map((row) => {
          const other = instead?.(row.original);
          const cells = row.getVisibleCells();
          const from = other ? cells.findIndex(({ column }) => column.id === other.from) : -1;
          const to = other?.to ? cells.findIndex(({ column }) => column.id === other.to) : cells.length - 1;
          return (
            <tr key={row.id} {...rowProps?.(row.original)}>
              {cells.map(({ id, column, getContext }, i) => {
                if (from >= 0 && i > from && i <= to) return null;
                if (other && i === from) {
                  return (
                    <td key={id} colSpan={to - from + 1} className="field-said">
                      {other.words}
                    </td>
                  );
                }
                const cell = drawn(column.columnDef.cell, getContext());
                const { isRowHead, className: own } = column.columnDef.meta ?? {};
                return isRowHead ? (
                  <th key={id} scope="row" className={own}>
                    {cell}
                  </th>
                ) : (
                  <td key={id} className={own}>
                    {cell}
                  </td>
                );
              })}
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

/**
 * What a cell or head shows. The function is called and not rendered as a component: columns are made anew
 * with every result, and a component that is another each time would be built anew too, and with it the field
 * that is being typed in.
 */
function drawn<C extends object>(template: ColumnDefTemplate<C> | undefined, context: C): ReactNode {
  return typeof template === 'function' ? (template(context) as ReactNode) : template;
}

/** A column whose cell is made from the row; one with a value can be ordered by it. */
export function column<T>(
  id: string,
  header: string,
  cell: (row: T, index: number) => ReactNode,
  {
    by,
    head = () => header,
    ...meta
  }: {
    readonly by?: (row: T) => string | number;
    /** what stands in the head, in place of its words */
    readonly head?: () => ReactNode;
    readonly isRowHead?: boolean;
    readonly className?: string;
  } = {},
): ColumnDef<T, unknown> {
  return {
    id,
    header: head,
    cell: ({ row }) => cell(row.original, row.index),
    meta,
    ...(by ? { accessorFn: by } : { enableSorting: false, accessorFn: () => undefined }),
  };
}
