import type { Kept } from '../../../contract/api.ts';
import type { Plastic } from '../../../core/plastic/index.ts';
import { plasticKindOf } from '../../../core/plastic/index.ts';
import { useDraft } from '../../data/draft.ts';
import { useDraftSteps } from '../../parts/keys.ts';
import { useRemove } from '../../data/queries.ts';
import { SaveBadge } from '../../parts/save-badge.tsx';
import { StaleDraft } from '../../parts/stale-dialog.tsx';
import { PlasticFacts } from './plastic-facts.tsx';
import { PlasticFields } from './plastic-fields.tsx';
import { PlasticHeads } from './plastic-heads.tsx';
import { PlasticPlate } from './plastic-plate.tsx';
import { PlasticStations } from './plastic-stations.tsx';

/**
 * One plastic: drawn from two sides with handles that pull, its fields, what follows from them, and the heads
 * it goes on.
 */
export function PlasticEditor({
  kept,
  onClose,
}: {
  readonly kept: Kept<Plastic>;
  readonly onClose: () => void;
}) {
  const draft = useDraft('plastics', kept);
  useDraftSteps(draft.step);
  const remove = useRemove('plastics');
  const { document: plastic, edit } = draft;
  const set = (change: Partial<Plastic>) => edit((now) => ({ ...now, ...change }));
  return (
    <aside className="plastic-editor" aria-label={`The plastic ${plastic.name}`}>
      <div className="plastic-editor-head">
        <input
          aria-label="Name"
          key={plastic.name}
          defaultValue={plastic.name}
          maxLength={120}
          onBlur={(event) => {
            const name = event.currentTarget.value.trim();
            if (name && name !== plastic.name) set({ name });
            else event.currentTarget.value = plastic.name;
          }}
        />
        <SaveBadge state={draft.state} />
        <button type="button" className="btn btn-sm btn-quiet" onClick={onClose}>
          Close
        </button>
      </div>
      {draft.problems.map(({ message }) => (
        <p key={message} className="field-said" role="alert">
          {message}
        </p>
      ))}
      <PlasticPlate plastic={plastic} onChange={set} />
      {plasticKindOf(plastic.kind).isOwn && (
        <PlasticStations plastic={plastic} onChange={(stations) => set({ stations })} />
      )}
      <PlasticFacts plastic={plastic} />
      <PlasticFields plastic={plastic} set={set} />
      <PlasticHeads plastic={plastic} id={kept.id} />
      <button
        type="button"
        className="btn btn-sm btn-quiet"
        onClick={() => {
          remove.mutate({ id: kept.id, name: plastic.name, version: kept.version });
          onClose();
        }}
      >
        Delete {plastic.name}
      </button>
      <StaleDraft collection="plastics" draft={draft} />
    </aside>
  );
}
