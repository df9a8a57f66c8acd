import { useState } from 'react';
import Dropdown from 'react-bootstrap/Dropdown';
import { useQueryClient } from '@tanstack/react-query';
import { Link, useNavigate } from 'react-router';
import type { Kept } from '../../../contract/api.ts';
import type { Design } from '../../../core/document/index.ts';
import type { Metal } from '../../../core/material/index.ts';
import type { useDraft } from '../../data/draft.ts';
import { useArchive, useDuplicate, versionNow } from '../../data/queries.ts';
import { useTray } from '../../data/tray.ts';
import { useUnits } from '../../data/units.ts';
import { RedoSign, UndoSign } from '../../parts/icons.tsx';
import { SaveBadge } from '../../parts/save-badge.tsx';
import { ExportMenu } from '../exchange/export-menu.tsx';
import type { HistoryHand } from './use-history.ts';

/** What may stand open beside the drawing. */
export type BenchPanel = '' | 'history' | 'metals' | 'photo';

interface Props {
  readonly kept: Kept<Design>;
  readonly draft: ReturnType<typeof useDraft<'designs'>>;
  /** the design as it is on the screen, while something is pulled too */
  readonly shown: Design;
  readonly metals: readonly Metal[];
  /** of metal; undefined until it was first built */
  readonly grams: number | undefined;
  readonly pulling: boolean;
  readonly hand: HistoryHand;
  readonly panel: BenchPanel;
  readonly onPanel: (panel: BenchPanel) => void;
}

/**
 * The head of the Bench: name, what it is in a line, whether it is saved, and what can be done with the whole
 * of it.
 */
export function BenchHead({ kept, draft, shown, metals, grams, pulling, hand, panel, onPanel }: Props) {
  const { format } = useUnits();
  const { ids, toggle } = useTray();
  const navigate = useNavigate();
  const duplicate = useDuplicate();
  const away = useArchive();
  const client = useQueryClient();
  const { name } = draft.document;
  const inTray = ids.includes(kept.id);
  return (
    <div className="bench-head">
      <NameField key={name} name={name} onCommit={(next) => draft.edit((now) => ({ ...now, name: next }))} />
      <p className="bench-line">
        <b>{grams === undefined ? '…' : format(grams, 'mass')}</b>{' '}
        {metals.find(({ key }) => key === shown.head.metal)?.name ?? shown.head.metal} · {shown.hook.size} ·
        eye {format(shown.eye.angle, 'angle')}
      </p>
      <SaveBadge state={pulling ? 'waiting' : draft.state} />
      {kept.archived && <span className="bench-away">archived</span>}
      <div className="bench-tools">
        <button
          type="button"
          className="btn btn-sm btn-quiet"
          onClick={hand.undo}
          disabled={!hand.canUndo}
          title={hand.canUndo ? `Undo: ${hand.undoWords} (Ctrl+Z)` : 'Nothing to undo'}
          aria-label="Undo"
        >
          <UndoSign />
        </button>
        <button
          type="button"
          className="btn btn-sm btn-quiet"
          onClick={hand.redo}
          disabled={!hand.canRedo}
          title={hand.canRedo ? `Redo: ${hand.redoWords} (Ctrl+Shift+Z)` : 'Nothing to redo'}
          aria-label="Redo"
        >
          <RedoSign />
        </button>
        <button
          type="button"
          className="btn btn-sm btn-quiet"
          aria-pressed={panel === 'history'}
          onClick={() => onPanel(panel === 'history' ? '' : 'history')}
          title="Y"
        >
          History
        </button>
        <button
          type="button"
          className="btn btn-sm btn-quiet"
          aria-pressed={inTray}
          onClick={() => toggle(kept.id)}
          title="T"
        >
          {inTray ? '✓ In the tray' : 'Add to tray'}
        </button>
        <ExportMenu id={kept.id} flush={draft.flush} />
        <Dropdown align="end">
          <Dropdown.Toggle size="sm" variant="quiet" id="bench-more">
            More
          </Dropdown.Toggle>
          <Dropdown.Menu>
            <Dropdown.Item onClick={() => onPanel('metals')}>Every metal</Dropdown.Item>
            <Dropdown.Item
              onClick={() =>
                duplicate.mutate(kept.id, { onSuccess: (copy) => void navigate(`/designs/${copy.id}`) })
              }
            >
              Make a copy
            </Dropdown.Item>
            <Dropdown.Item
              onClick={() =>
                // What is typed goes first: it would be a save from an older version afterwards.
                void draft.flush().then(() =>
                  away.mutate({
                    id: kept.id,
                    name,
                    away: !kept.archived,
                    version: versionNow(client, kept.id, kept.version),
                  }),
                )
              }
            >
              {kept.archived ? 'Unarchive' : 'Archive'}
            </Dropdown.Item>
          </Dropdown.Menu>
        </Dropdown>
        <Link className="btn btn-sm btn-quiet" to={`/designs/${kept.id}/ladder`} title="L">
          Ladder
        </Link>
        <Link className="btn btn-sm btn-quiet" to={`/designs/${kept.id}/water`} title="W">
          In the water
        </Link>
        <Link className="btn btn-sm btn-quiet" to={`/designs/${kept.id}/uses`} title="F">
          Uses
        </Link>
        <Link className="btn btn-sm btn-quiet" to={`/designs/${kept.id}/mould`} title="M">
          Mould
        </Link>
        <Link className="btn btn-sm btn-fern" to={`/designs/${kept.id}/rig`}>
          Rig
        </Link>
      </div>
    </div>
  );
}

/** The name, edited in place. */
function NameField({ name, onCommit }: { readonly name: string; readonly onCommit: (name: string) => void }) {
  const [text, setText] = useState(name);
  const trimmed = text.trim();
  const bad =
    trimmed === ''
      ? 'Give the design a name.'
      : trimmed.length > 120
        ? `The name has ${trimmed.length} characters; at most 120 fit. Shorten it.`
        : '';
  const commit = () => {
    if (!bad && trimmed !== name) onCommit(trimmed);
  };
  return (
    <span className="name-field">
      <input
        aria-label="Name"
        aria-invalid={Boolean(bad)}
        value={text}
        onChange={(event) => setText(event.currentTarget.value)}
        onBlur={commit}
        onKeyDown={(event) => {
          if (event.key === 'Enter') commit();
          if (event.key === 'Escape') setText(name);
        }}
      />
      {bad && (
        <span className="field-said" role="alert">
          {bad}
        </span>
      )}
    </span>
  );
}
