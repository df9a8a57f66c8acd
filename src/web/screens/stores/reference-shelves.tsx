import { messageOf } from '../../../core/kind/index.ts';
import { fixed, localised } from '../../data/locale.ts';
import { useQueryClient } from '@tanstack/react-query';
import { HEAD_RANGES } from '../../../core/head/index.ts';
import type { LineRow, Stores, WaterRow } from '../../../contract/api.ts';
import type { MetalEdit } from '../../../contract/requests.ts';
import { editMetal } from '../../data/api.ts';
import { useUnits } from '../../data/units.ts';
import type { Columns } from '../../parts/data-table.tsx';
import { column, DataTable } from '../../parts/data-table.tsx';
import { useNotices } from '../../parts/notices.tsx';
import { QuantityField } from '../../parts/quantity-field.tsx';
import { MoneyFields } from './money-fields.tsx';
import { LinePictures, MetalPictures, WaterPictures } from './shelf-pictures.tsx';

type MetalRow = Stores['metals'][number];

/** Rows whose words hold what is searched for. */
const found = <T extends object>(rows: readonly T[], find: string) =>
  rows.filter((row) => Object.values(row).join(' ').toLowerCase().includes(find));

function Shelf<T>({
  columns,
  rows,
  rowKey,
}: {
  readonly columns: Columns<T>;
  readonly rows: readonly T[];
  readonly rowKey: (row: T) => string;
}) {
  return (
    <div className="stores-table" tabIndex={0} role="region" aria-label="Shelf">
      <DataTable columns={columns} rows={rows} rowKey={rowKey} />
    </div>
  );
}

interface ShelfProps {
  readonly stores: Stores;
  readonly find: string;
}

/** Metals, with the density and price the shop found for itself. */
export function MetalShelf({ stores, find }: ShelfProps) {
  const client = useQueryClient();
  const { tell } = useNotices();
  const put = async (metal: MetalRow, edit: MetalEdit) => {
    try {
      await editMetal(metal.key, edit, metal.version);
    } catch (error) {
      tell({ tone: 'bad', text: messageOf(error) });
    }
    await client.invalidateQueries();
  };
  const rows = found(stores.metals, find);
  const columns: Columns<MetalRow> = [
    column('name', 'Metal', ({ name }) => name, { by: ({ name }) => name, isRowHead: true }),
    column('density', 'Density', (metal) => <Density metal={metal} put={put} />, {
      by: ({ density }) => density,
      className: 'stores-density',
    }),
    column('span', 'Typical range', ({ densityRange: [low, high] }) => localised(`${low} to ${high}`)),
    column('price', 'Price a kilogram', (metal) => <Price metal={metal} put={put} />, {
      by: ({ price }) => price,
      className: 'stores-density',
    }),
    column('making', 'Made by', ({ making }) => making, { by: ({ making }) => making }),
    column('source', 'Source', ({ source }) => localised(source), { className: 'stores-words' }),
    column('care', 'Care', ({ caution }) => caution, { className: 'stores-words' }),
  ];
  return (
    <>
      <MoneyFields />
      <MetalPictures metals={rows} />
      <Shelf columns={columns} rows={rows} rowKey={({ key }) => key} />
    </>
  );
}

interface MetalField {
  readonly metal: MetalRow;
  readonly put: (metal: MetalRow, edit: MetalEdit) => Promise<void>;
}

function Density({ metal, put }: MetalField) {
  return (
    <>
      <QuantityField
        label={`Density of ${metal.name}`}
        kind="density"
        value={metal.density}
        min={HEAD_RANGES.density[0]}
        max={HEAD_RANGES.density[1]}
        step={0.05}
        onCommit={(density) => void put(metal, { density })}
        onLive={() => undefined}
      />
      {metal.density !== metal.reference && (
        <button
          type="button"
          className="btn-link-brass"
          onClick={() => void put(metal, { density: metal.reference })}
        >
          back to {fixed(metal.reference, 2)}
        </button>
      )}
    </>
  );
}

function Price({ metal, put }: MetalField) {
  return (
    <QuantityField
      label={`Price of a kilogram of ${metal.name}`}
      kind="money"
      value={metal.price}
      min={0}
      max={100_000}
      step={0.5}
      onCommit={(price) => void put(metal, { price })}
      onLive={() => undefined}
    />
  );
}

/** The generic hook chart. */
export function ChartShelf({ stores, find }: ShelfProps) {
  const { format } = useUnits();
  const size = (id: 'gap' | 'shank' | 'wire', head: string) =>
    column<Stores['hooks'][number]>(id, head, (row) => format(row[id], 'size'), { by: (row) => row[id] });
  const columns: Columns<Stores['hooks'][number]> = [
    column('size', 'Size', ({ size: name }) => name, { isRowHead: true }),
    size('gap', 'Gap'),
    size('shank', 'Straight shank'),
    size('wire', 'Wire'),
  ];
  return <Shelf columns={columns} rows={found(stores.hooks, find)} rowKey={({ size: name }) => name} />;
}

/** Waters with their salt. */
export function WaterShelf({ stores, find }: ShelfProps) {
  const { format } = useUnits();
  const rows = found(stores.waters, find);
  const columns: Columns<WaterRow> = [
    column('name', 'Water', ({ name }) => name, { by: ({ name }) => name, isRowHead: true }),
    column('temperature', 'Temperature', ({ temperature }) => format(temperature, 'temperature'), {
      by: ({ temperature }) => temperature,
    }),
    column('salinity', 'Salinity', ({ salinity }) => `${salinity} g/kg`, { by: ({ salinity }) => salinity }),
    column('source', 'Source', ({ source }) => localised(source)),
  ];
  return (
    <>
      <WaterPictures waters={rows} />
      <Shelf columns={columns} rows={rows} rowKey={({ key }) => key} />
    </>
  );
}

/** What lines are made of. */
export function LineShelf({ stores, find }: ShelfProps) {
  const { format } = useUnits();
  const rows = found(stores.lines, find);
  const columns: Columns<LineRow> = [
    column('material', 'Line', ({ material }) => material, {
      by: ({ material }) => material,
      isRowHead: true,
    }),
    column('density', 'Density', ({ density }) => format(density, 'density'), {
      by: ({ density }) => density,
    }),
    column('source', 'Source', ({ source }) => localised(source)),
  ];
  return (
    <>
      <LinePictures lines={rows} />
      <Shelf columns={columns} rows={rows} rowKey={({ key }) => key} />
    </>
  );
}
