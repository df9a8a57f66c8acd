import { messageOf } from '../../../core/kind/index.ts';
import { useRef, useState } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import type { Problem } from '../../../core/document/index.ts';
import { takeShop } from '../../data/api.ts';
import { momentText } from '../../data/dates.ts';
import { fingerprint, importedAt, rememberImport } from '../../data/imported.ts';
import { useUnits } from '../../data/units.ts';
import { useNotices } from '../../parts/notices.tsx';
import { Heads, Sheet, TakeOrLeave } from '../../parts/sheet.tsx';
import { ImportRefused } from '../exchange/import-refused.tsx';
import { TemplateMenu } from '../exchange/template-menu.tsx';
import { download } from '../exchange/download.ts';

/** A row of a table as it came: what it holds, or what is wrong with it. */
export interface RowIn {
  readonly line: number;
  readonly document: object | undefined;
  readonly problems: readonly Problem[];
}

interface Came<R> {
  readonly turn: number;
  readonly name: string;
  readonly rows: readonly R[];
  /** what the file is known again by */
  readonly print: string;
}

interface Props<R extends RowIn> {
  /** collection of a shop the rows go into, which is also what they are called */
  readonly what: 'hooks' | 'plastics' | 'trials';
  readonly read: (text: string) => Promise<readonly R[]>;
  readonly heads: readonly string[];
  /** what a sound row shows, the first its name */
  readonly cells: (row: R) => readonly string[];
}

/**
 * A shelf brought in and taken out as a table. What comes in is shown first: all of it is taken, or nothing.
 */
export function TableFiles<R extends RowIn>({ what, read, heads, cells }: Props<R>) {
  const { tell } = useNotices();
  const input = useRef<HTMLInputElement>(null);
  const [came, setCame] = useState<Came<R> | undefined>(undefined);
  const [refused, setRefused] = useState<{ name: string; message: string } | undefined>(undefined);
  const turns = useRef(0);
  const readFile = async (file: File) => {
    try {
      const text = await file.text();
      const rows = await read(text);
      const print = await fingerprint(what, text);
      setCame({ turn: (turns.current += 1), name: file.name, rows, print });
    } catch (error) {
      setRefused({ name: file.name, message: messageOf(error) });
    }
  };
  return (
    <>
      <button type="button" className="btn btn-sm btn-quiet" onClick={() => input.current?.click()}>
        Import CSV…
      </button>
      <button
        type="button"
        className="btn btn-sm btn-quiet"
        onClick={() => void download(`/${what}.csv`, (text) => tell({ tone: 'bad', text }))}
      >
        Export CSV
      </button>
      <TemplateMenu of={what} />
      <input
        ref={input}
        hidden
        type="file"
        accept=".csv,text/csv"
        aria-label={`Table of ${what}`}
        onChange={(event) => {
          const file = event.currentTarget.files?.[0];
          event.currentTarget.value = '';
          if (file) void readFile(file);
        }}
      />
      {came && (
        <Preview
          key={came.turn}
          what={what}
          came={came}
          heads={heads}
          cells={cells}
          onHide={() => setCame((now) => (now === came ? undefined : now))}
        />
      )}
      {refused && (
        <ImportRefused
          file={refused.name}
          refusals={[{ message: refused.message }]}
          onHide={() => setRefused(undefined)}
        />
      )}
    </>
  );
}

function Preview<R extends RowIn>({
  what,
  came: { name: file, rows, print },
  heads,
  cells,
  onHide,
}: Omit<Props<R>, 'read'> & {
  readonly came: Came<R>;
  readonly onHide: () => void;
}) {
  const { tell } = useNotices();
  const { say } = useUnits();
  const before = importedAt(print);
  const client = useQueryClient();
  const wrong = rows.filter(({ document }) => !document).length;
  const [isTaking, setTaking] = useState(false);
  const take = async () => {
    setTaking(true);
    try {
      const taken = rows.flatMap(({ document }) => (document ? [{ id: crypto.randomUUID(), document }] : []));
      await takeShop(JSON.stringify({ format: 'fern-anvil/shop', version: 1, [what]: taken }));
      rememberImport(print);
      onHide();
      tell({ tone: 'good', text: `${taken.length} ${what} imported.` });
      await client.invalidateQueries();
    } catch (error) {
      tell({ tone: 'bad', text: messageOf(error) });
      setTaking(false);
    }
  };
  return (
    <Sheet
      title={`Import ${file}`}
      onHide={onHide}
      footer={
        <TakeOrLeave
          take={`Import ${rows.length}${before === undefined ? '' : ' again'}`}
          disabled={wrong > 0 || rows.length === 0 || isTaking}
          onTake={() => void take()}
          onLeave={onHide}
        />
      }
    >
      <p role={wrong > 0 ? 'alert' : 'status'}>
        {wrong > 0
          ? `${wrong} of ${rows.length} rows are wrong. Nothing is imported until they are corrected in the file.`
          : `${rows.length} ${what}, all sound.`}
      </p>
      {before !== undefined && (
        <p className="import-again" role="alert">
          ▲ This file was imported before: {momentText(before)}. Importing it again makes doubles.
        </p>
      )}
      <table className="intake">
        <Heads of={['Line', ...heads]} />
        <tbody>
          {rows.map((row) => {
            const [name, ...others] = row.document ? cells(row) : [];
            return row.document ? (
              <tr key={row.line}>
                <td>{row.line}</td>
                <th scope="row">{name}</th>
                {others.map((text, i) => (
                  <td key={heads[i + 1]}>{text}</td>
                ))}
              </tr>
            ) : (
              <tr key={row.line} data-bad>
                <td>{row.line}</td>
                <td colSpan={heads.length}>■ {say(row.problems.map(({ message }) => message).join(' '))}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </Sheet>
  );
}
