import { messageOf } from '../../../core/kind/index.ts';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type {
  HeadBuilt,
  HeadColumn,
  KnownHeads,
  TableCells,
} from '../../../core/exchange/heads-table/index.ts';
import { doubleFinder, guessColumns, readHeads } from '../../../core/exchange/heads-table/index.ts';
import type { Metal } from '../../../core/material/index.ts';
import { makeWorker } from '../../workers/make.ts';
import { readTableFile } from './read-table-file.ts';

/** Heads built in one message: what is done is shown between. */
const AT_ONCE = 10;

/** A row is taken unless it cannot be made, is there already, or was unticked. */
export const isTaken = (row: HeadBuilt, choices: ReadonlyMap<number, boolean>): boolean =>
  row.design !== undefined && (choices.get(row.line) ?? row.doubleOf === undefined);

/**
 * A table of heads on its way in: its cells, what each column tells, the heads it makes, and which of them
 * are taken.
 */
export function useHeadsTable(known: KnownHeads, metals: readonly Metal[]) {
  const [file, setFile] = useState<(TableCells & { readonly name: string }) | undefined>(undefined);
  const [columns, setColumns] = useState<readonly HeadColumn[]>([]);
  const [choices, setChoices] = useState<ReadonlyMap<number, boolean>>(new Map());
  const [said, setSaid] = useState('');
  const open = useCallback(async (chosen: File) => {
    try {
      const cells = await readTableFile(chosen);
      setFile({ ...cells, name: chosen.name });
      setColumns(guessColumns(cells.heading));
      setChoices(new Map());
      setSaid('');
    } catch (error) {
      setSaid(messageOf(error));
    }
  }, []);
  const read = useMemo(() => (file ? readHeads(columns, file.rows, metals) : []), [file, columns, metals]);
  const { built, isStopped, stop } = useBuilt(read, metals);
  const rows = useMemo<readonly HeadBuilt[]>(() => {
    const doubleOf = doubleFinder(known);
    return built.map((row) => ({ ...row, doubleOf: doubleOf(row) }));
  }, [built, known]);
  return {
    file,
    columns,
    rows,
    /** heads the table has */
    count: read.length,
    isStopped,
    choices,
    said,
    open,
    stop,
    close: () => setFile(undefined),
    setColumn: (at: number, column: HeadColumn) =>
      setColumns((now) =>
        now.map((old, i) =>
          // What a column tells no other does.
          i === at
            ? column
            : old.field !== undefined && old.field === column.field
              ? { heading: old.heading, field: undefined, unit: undefined }
              : old,
        ),
      ),
    choose: (line: number, isOn: boolean) => setChoices((now) => new Map(now).set(line, isOn)),
    chooseAll: (lines: readonly number[], isOn: boolean) =>
      setChoices((now) => new Map([...now, ...lines.map((line) => [line, isOn] as const)])),
  };
}

/** Everything the screen knows of a table on its way in. */
export type HeadsTable = ReturnType<typeof useHeadsTable>;

type Rows = ReturnType<typeof readHeads>;

/** Heads built in a worker, some at a time; a table read anew begins anew. */
function useBuilt(read: Rows, metals: readonly Metal[]) {
  const [state, setState] = useState<{
    readonly of: Rows;
    readonly built: readonly Omit<HeadBuilt, 'doubleOf'>[];
    readonly isStopped: boolean;
  }>({ of: read, built: [], isStopped: false });
  const isWanted = useRef({ of: read });
  useEffect(() => {
    const mine = { of: read };
    isWanted.current = mine;
    const work = async () => {
      for (let at = 0; at < read.length; at += AT_ONCE) {
        const some = await makeWorker().heads(read.slice(at, at + AT_ONCE), metals);
        if (isWanted.current !== mine) return;
        setState((now) => ({
          of: read,
          built: [...(now.of === read ? now.built : []), ...some],
          isStopped: false,
        }));
      }
    };
    void work();
    return () => {
      if (isWanted.current === mine) isWanted.current = { of: [] };
    };
  }, [read, metals]);
  return {
    built: state.of === read ? state.built : [],
    isStopped: state.of === read && state.isStopped,
    stop: () => {
      isWanted.current = { of: [] };
      setState((now) => ({ ...now, isStopped: true }));
    },
  };
}
