import type { HeadColumn } from '../../../core/exchange/heads-table/index.ts';
import { HEAD_FIELD_KEYS, HEAD_FIELDS, unitsOf } from '../../../core/exchange/heads-table/index.ts';
import { Heads, Scrolls } from '../../parts/sheet.tsx';

interface Props {
  readonly columns: readonly HeadColumn[];
  readonly rows: readonly (readonly string[])[];
  readonly onColumn: (at: number, column: HeadColumn) => void;
}

/** Which column tells what, as it was read from the headings, to be put right. */
export function ColumnTable({ columns, rows, onColumn }: Props) {
  return (
    <Scrolls label="Columns of the table">
      <table className="heads-columns">
        <Heads of={['Heading', 'First cells', 'Tells', 'Unit']} />
        <tbody>
          {columns.map((column, i) => (
            // Two columns may have one heading.
            <tr key={`${i} ${column.heading}`}>
              <th scope="row">{column.heading || '(empty)'}</th>
              <td>
                {rows
                  .slice(0, 3)
                  .map((row) => row[i] ?? '')
                  .filter(Boolean)
                  .join(' · ')}
              </td>
              <td>
                <select
                  aria-label={`${column.heading}: what it tells`}
                  value={column.field ?? ''}
                  onChange={(event) =>
                    onColumn(i, {
                      heading: column.heading,
                      field: HEAD_FIELD_KEYS.find((key) => key === event.currentTarget.value),
                      unit: undefined,
                    })
                  }
                >
                  <option value="">not imported</option>
                  {HEAD_FIELD_KEYS.map((field) => (
                    <option key={field} value={field}>
                      {HEAD_FIELDS[field].title}
                    </option>
                  ))}
                </select>
              </td>
              <td>
                <UnitChoice column={column} onColumn={(next) => onColumn(i, next)} />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </Scrolls>
  );
}

function UnitChoice({
  column,
  onColumn,
}: {
  readonly column: HeadColumn;
  readonly onColumn: (column: HeadColumn) => void;
}) {
  const units = column.field === undefined ? [] : unitsOf(column.field);
  if (units.length < 2) return null;
  return (
    <>
      <select
        aria-label={`${column.heading}: unit`}
        aria-invalid={column.problem !== undefined}
        value={column.unit ?? ''}
        onChange={(event) =>
          onColumn({
            heading: column.heading,
            field: column.field,
            unit: event.currentTarget.value || undefined,
          })
        }
      >
        <option value="">as written, else metric</option>
        {units.map(([key, label]) => (
          <option key={key} value={key}>
            {label}
          </option>
        ))}
      </select>
      {column.problem !== undefined && <p className="field-said">{column.problem}</p>}
    </>
  );
}
