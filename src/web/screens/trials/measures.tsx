import { useState } from 'react';
import type { Kept } from '../../../contract/api.ts';
import type { Design, Drop, Trial } from '../../../core/document/index.ts';
import type { QuantityKind } from '../../../core/quantity/index.ts';
import { MOST_DROPS } from '../../../core/document/index.ts';
import { LINE_KINDS } from '../../../core/material/index.ts';
import { parseQuantity } from '../../../core/quantity/index.ts';
import { useUnits } from '../../data/units.ts';

interface Props {
  readonly trial: Trial;
  readonly designs: readonly Kept<Design>[];
  readonly edit: (change: (trial: Trial) => Trial) => void;
}

/** Drops timed beside a measure, and depths a head ran at: what a design's drag is measured from. */
export function Measures({ trial, designs, edit }: Props) {
  const { format, system } = useUnits();
  const [kind, setKind] = useState<'drop' | 'tow'>('drop');
  const [design, setDesign] = useState('');
  const [texts, setTexts] = useState<Readonly<Record<string, string>>>({});
  const [water, setWater] = useState<Drop['water']>('fresh');
  const [line, setLine] = useState('fluorocarbon');
  const [said, setSaid] = useState('');
  const [began, setBegan] = useState<number | undefined>(undefined);
  const nameOf = (id: string) =>
    designs.find((row) => row.id === id)?.document.name ?? 'a head since deleted';
  const read = (
    key: string,
    label: string,
    of: QuantityKind,
    least: number,
    most: number,
  ): number | undefined => {
    const parsed = parseQuantity(texts[key] ?? '', of, system);
    if (!parsed.ok) {
      setSaid(`${label}: ${parsed.message}`);
      return undefined;
    }
    if (!(parsed.value >= least && parsed.value <= most)) {
      setSaid(`${label}: enter a value from ${format(least, of)} to ${format(most, of)}.`);
      return undefined;
    }
    return parsed.value;
  };
  const add = () => {
    if (!design) return setSaid('Head: choose one of the Rack.');
    if (trial.drops.length + trial.tows.length >= MOST_DROPS)
      return setSaid(`A day keeps ${MOST_DROPS} measurements. Note more on another day.`);
    const depth = read('depth', 'Depth', 'depth', 0.2, 100);
    if (depth === undefined) return;
    if (kind === 'drop') {
      const seconds = read('seconds', 'Time', 'time', 0.05, 600);
      const temperature = texts['temperature']?.trim()
        ? read('temperature', 'Water', 'temperature', -2, 40)
        : 15;
      if (seconds === undefined || temperature === undefined) return;
      edit((now) => ({ ...now, drops: [...now.drops, { design, depth, seconds, water, temperature }] }));
      setTexts((now) => ({ ...now, seconds: '' }));
    } else {
      const speed = read('speed', 'Speed', 'speed', 0.05, 4);
      const lineOut = read('lineOut', 'Line out', 'depth', 1, 300);
      const test = read('test', 'Line test', 'lineTest', 0.3, 60);
      if (speed === undefined || lineOut === undefined || test === undefined) return;
      edit((now) => ({ ...now, tows: [...now.tows, { design, depth, speed, lineOut, line, test }] }));
    }
    setSaid('');
  };
  const field = (key: string, label: string, hint: string) => (
    <label>
      {label}
      <input
        inputMode="decimal"
        value={texts[key] ?? ''}
        placeholder={hint}
        onChange={(event) => {
          const { value } = event.currentTarget;
          setTexts((now) => ({ ...now, [key]: value }));
        }}
      />
    </label>
  );
  return (
    <details open={trial.drops.length + trial.tows.length > 0}>
      <summary>Measured: timed drops and running depths ({trial.drops.length + trial.tows.length})</summary>
      <form
        className="trial-form"
        aria-label="A measurement"
        onSubmit={(event) => {
          event.preventDefault();
          add();
        }}
      >
        <label>
          What
          <select value={kind} onChange={(event) => setKind(event.currentTarget.value as 'drop' | 'tow')}>
            <option value="drop">a timed drop</option>
            <option value="tow">a running depth</option>
          </select>
        </label>
        <label>
          Head, bare
          <select value={design} onChange={(event) => setDesign(event.currentTarget.value)}>
            <option value="">choose</option>
            {designs.map(({ id, document }) => (
              <option key={id} value={id}>
                {document.name}
              </option>
            ))}
          </select>
        </label>
        {field('depth', 'Depth', format(3, 'depth'))}
        {kind === 'drop' ? (
          <>
            {field('seconds', 'Time', '3.2 s')}
            <button
              type="button"
              className="btn btn-quiet"
              onClick={() => {
                if (began === undefined) return setBegan(performance.now());
                const seconds = (performance.now() - began) / 1000;
                setBegan(undefined);
                setTexts((now) => ({ ...now, seconds: `${seconds.toFixed(2)} s` }));
              }}
            >
              {began === undefined ? '▶ Drop' : '■ On the bottom'}
            </button>
            <label>
              Water
              <select
                value={water}
                onChange={(event) => setWater(event.currentTarget.value as Drop['water'])}
              >
                <option value="fresh">fresh</option>
                <option value="brackish">brackish</option>
                <option value="salt">salt</option>
              </select>
            </label>
            {field('temperature', 'Temperature', format(15, 'temperature'))}
          </>
        ) : (
          <>
            {field('speed', 'Speed through the water', format(0.5, 'speed'))}
            {field('lineOut', 'Line out', format(20, 'depth'))}
            <label>
              Line
              <select value={line} onChange={(event) => setLine(event.currentTarget.value)}>
                {LINE_KINDS.map(({ key, name }) => (
                  <option key={key} value={key}>
                    {name}
                  </option>
                ))}
              </select>
            </label>
            {field('test', 'Its test', format(4.5, 'lineTest'))}
          </>
        )}
        <button type="submit" className="btn btn-fern">
          Add
        </button>
        {said && (
          <p className="field-said" role="alert">
            {said}
          </p>
        )}
      </form>
      <ul>
        {trial.drops.map((drop, i) => (
          <li key={`drop ${i}`}>
            {nameOf(drop.design)}: {format(drop.depth, 'depth')} in {format(drop.seconds, 'time')},{' '}
            {drop.water}{' '}
            <button
              type="button"
              className="btn-x"
              aria-label={`Delete drop ${i + 1}`}
              onClick={() => edit((now) => ({ ...now, drops: now.drops.filter((_, k) => k !== i) }))}
            >
              ×
            </button>
          </li>
        ))}
        {trial.tows.map((tow, i) => (
          <li key={`tow ${i}`}>
            {nameOf(tow.design)}: ran at {format(tow.depth, 'depth')} at {format(tow.speed, 'speed')},{' '}
            {format(tow.lineOut, 'depth')} of {format(tow.test, 'lineTest')} {tow.line}{' '}
            <button
              type="button"
              className="btn-x"
              aria-label={`Delete depth ${i + 1}`}
              onClick={() => edit((now) => ({ ...now, tows: now.tows.filter((_, k) => k !== i) }))}
            >
              ×
            </button>
          </li>
        ))}
      </ul>
    </details>
  );
}
