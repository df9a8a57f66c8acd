import { useQueryClient } from '@tanstack/react-query';
import { plasticKindOf } from '../../../core/index.ts';
import type { PlasticRow } from '../../../core/exchange/plastics-csv.ts';
import { takeShop } from '../../data/api.ts';
import { useUnits } from '../../data/units.ts';
import { useNotices } from '../../parts/notices.tsx';
import { Heads, Sheet, TakeOrLeave } from '../../parts/sheet.tsx';

/** What a table of plastics holds, row by row, before anything is taken: all of it, or nothing. */
export function PlasticsPreview({
  file,
  rows,
  onHide,
}: {
  readonly file: string;
  readonly rows: readonly PlasticRow[];
  readonly onHide: () => void;
}) {
  const { format } = useUnits();
  const { tell } = useNotices();
  const client = useQueryClient();
  const wrong = rows.filter(({ plastic }) => !plastic).length;
  const take = async () => {
    try {
      const plastics = rows.flatMap(({ plastic }) =>
        plastic ? [{ id: crypto.randomUUID(), document: plastic }] : [],
      );
      await takeShop(JSON.stringify({ format: 'fern-anvil/shop', version: 1, plastics }), false);
      await client.invalidateQueries();
      tell({ tone: 'good', text: `${plastics.length} plastics are taken in.` });
      onHide();
    } catch (error) {
      tell({ tone: 'bad', text: (error as Error).message });
    }
  };
  return (
    <Sheet
      title={`Bring in ${file}`}
      onHide={onHide}
      footer={
        <TakeOrLeave
          take={`Take ${rows.length} in`}
          disabled={wrong > 0 || rows.length === 0}
          onTake={() => void take()}
          onLeave={onHide}
        />
      }
    >
      <p role={wrong > 0 ? 'alert' : 'status'}>
        {wrong > 0
          ? `${wrong} of ${rows.length} rows are wrong. Nothing is taken in until they are mended in the file.`
          : `${rows.length} plastics, all sound.`}
      </p>
      <table className="intake">
        <Heads of={['Line', 'Name', 'Kind', 'Length', 'Breadth', 'Height', 'Toughness']} />
        <tbody>
          {rows.map(({ line, plastic, problems }) =>
            plastic ? (
              <tr key={line}>
                <td>{line}</td>
                <th scope="row">{plastic.name}</th>
                <td>{plasticKindOf(plastic.kind).name}</td>
                <td>{format(plastic.length, 'size')}</td>
                <td>{format(plastic.breadth, 'size')}</td>
                <td>{format(plastic.height, 'size')}</td>
                <td>{plastic.toughness}</td>
              </tr>
            ) : (
              <tr key={line} data-bad>
                <td>{line}</td>
                <td colSpan={6}>■ {problems.map(({ message }) => message).join(' ')}</td>
              </tr>
            ),
          )}
        </tbody>
      </table>
    </Sheet>
  );
}
