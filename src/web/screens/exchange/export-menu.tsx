import { fixed, localised } from '../../data/locale.ts';
import { useState } from 'react';
import Dropdown from 'react-bootstrap/Dropdown';
import type { ExportType } from '../../../core/exchange/index.ts';
import { EXPORTS } from '../../../core/exchange/index.ts';
import { useSettings } from '../../data/settings.ts';
import { useUnits } from '../../data/units.ts';
import { useNotices } from '../../parts/notices.tsx';
import { Choice } from '../../parts/choice.tsx';
import { QuantityField } from '../../parts/quantity-field.tsx';
import { download } from './download.ts';
import './exchange.css';

/**
 * How far facets may lie from the surface, mm: for a printer that cannot see more, as a rule, and for a
 * mould.
 */
const CHORDS = ['0.05', '0.02', '0.01', '0.005', '0.002'] as const;

/** Everything a design goes out as. What is unsaved is saved first, so that the file is what is on screen. */
export function ExportMenu({ id, flush }: { readonly id: string; readonly flush: () => Promise<boolean> }) {
  const { system } = useUnits();
  const { arrangement, dual } = useSettings();
  const { tell } = useNotices();
  const [shrink, setShrink] = useState(0);
  const [chord, setChord] = useState<(typeof CHORDS)[number]>('0.01');
  const save = async (format: ExportType) => {
    if (!(await flush())) {
      tell({
        tone: 'bad',
        text: 'What is on screen could not be saved yet, so the file would be older than it. Try again in a moment.',
      });
      return;
    }
    const query = new URLSearchParams({
      arrangement,
      units: dual ? 'both' : system,
      ...(shrink > 0 ? { shrink: String(shrink * 100) } : {}),
      chord,
    });
    await download(`/designs/${encodeURIComponent(id)}/export/${format}?${query}`, (text) =>
      tell({ tone: 'bad', text }),
    );
  };
  return (
    <Dropdown align="end" autoClose="outside">
      <Dropdown.Toggle size="sm" variant="quiet" id="bench-export">
        Export
      </Dropdown.Toggle>
      <Dropdown.Menu className="export-menu">
        {EXPORTS.map(({ key, name, does }) => (
          <Dropdown.Item key={key} as="button" type="button" onClick={() => void save(key)}>
            <b>{name}</b> <small>{does}</small>
          </Dropdown.Item>
        ))}
        <Dropdown.Divider />
        <div className="export-shrink">
          <QuantityField
            label="Shrinkage"
            kind="share"
            value={shrink}
            min={0}
            max={0.1}
            step={0.001}
            note="The solids are enlarged so that a mould cut to them casts the drawn size after the metal has shrunk by this much of its length."
            onCommit={setShrink}
          />
          <small>
            {shrink > 0
              ? `Solids go out ${fixed(100 / (1 - shrink) - 100, 2)}% larger, for the mould.`
              : 'Solids go out as cast.'}
          </small>
          <Choice
            label="Facets within"
            value={chord}
            options={CHORDS.map((mm) => [mm, localised(`${mm} mm`)] as const)}
            onChange={setChord}
          />
          <small>No facet of a solid lies farther from the true surface; finer files are larger.</small>
        </div>
      </Dropdown.Menu>
    </Dropdown>
  );
}
