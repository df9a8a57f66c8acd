import { useState } from 'react';
import type { ReactNode } from 'react';
import type { Drop } from '../../../core/document/index.ts';
import { LINE_KINDS } from '../../../core/material/index.ts';
import { useUnits } from '../../data/units.ts';

type Field = (key: string, label: string, hint: string) => ReactNode;

/** What is told of a timed drop beside its depth. */
export function DropFields({
  field,
  water,
  onWater,
  onSeconds,
}: {
  readonly field: Field;
  readonly water: Drop['water'];
  readonly onWater: (water: Drop['water']) => void;
  /** what the stop watch of this page took */
  readonly onSeconds: (seconds: number) => void;
}) {
  const { format } = useUnits();
  const [began, setBegan] = useState<number | undefined>(undefined);
  return (
    <>
      {field('seconds', 'Time', '3.2 s')}
      <button
        type="button"
        className="btn btn-quiet"
        onClick={() => {
          if (began === undefined) return setBegan(performance.now());
          setBegan(undefined);
          onSeconds((performance.now() - began) / 1000);
        }}
      >
        {began === undefined ? '▶ Drop' : '■ On the bottom'}
      </button>
      <label>
        Water
        <select value={water} onChange={(event) => onWater(event.currentTarget.value as Drop['water'])}>
          <option value="fresh">fresh</option>
          <option value="brackish">brackish</option>
          <option value="salt">salt</option>
        </select>
      </label>
      {field('temperature', 'Temperature', format(15, 'temperature'))}
    </>
  );
}

/** What is told of a running depth beside it. */
export function TowFields({
  field,
  line,
  onLine,
}: {
  readonly field: Field;
  readonly line: string;
  readonly onLine: (line: string) => void;
}) {
  const { format } = useUnits();
  return (
    <>
      {field('speed', 'Speed through the water', format(0.5, 'speed'))}
      {field('lineOut', 'Line out', format(20, 'depth'))}
      <label>
        Line
        <select value={line} onChange={(event) => onLine(event.currentTarget.value)}>
          {LINE_KINDS.map(({ key, name }) => (
            <option key={key} value={key}>
              {name}
            </option>
          ))}
        </select>
      </label>
      {field('test', 'Its test', format(4.5, 'lineTest'))}
    </>
  );
}
