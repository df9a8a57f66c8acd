import type { RuleSet } from '../../../core/document/index.ts';
import { QUESTIONS } from '../../../core/match/index.ts';
import { useAddress } from '../../parts/address.ts';
import { Choice } from '../../parts/choice.tsx';
import { SearchField } from '../../parts/search-field.tsx';
import { keepFile } from '../exchange/download.ts';

interface Props {
  /** how many rules are shown */
  readonly shown: number;
  readonly document: RuleSet;
  /** whether the shop has rules of its own */
  readonly isOwn: boolean;
  readonly onNew: () => void;
  readonly onFile: (file: File) => void;
  readonly onRestore: () => void;
}

/** Search and question of the rules, and what is done with all of them. */
export function RulesTools({ shown, document, isOwn, onNew, onFile, onRestore }: Props) {
  const { search, set } = useAddress();
  return (
    <div className="rules-tools">
      <SearchField
        label="Search the rules"
        value={search.get('find') ?? ''}
        onChange={(text) => set('find', text)}
      />
      <Choice
        label="Question"
        value={search.get('question') ?? ''}
        options={[['', 'all of them'] as const, ...QUESTIONS.map(({ key, name }) => [key, name] as const)]}
        onChange={(key) => set('question', key)}
      />
      <span role="status">
        {shown} of {document.rules.length} rules
      </span>
      <button type="button" className="btn btn-sm btn-fern" onClick={onNew}>
        + New rule
      </button>
      <button
        type="button"
        className="btn btn-sm btn-quiet"
        onClick={() =>
          keepFile('rules.json', new Blob([JSON.stringify(document, null, 2)], { type: 'application/json' }))
        }
      >
        Export
      </button>
      <label className="btn btn-sm btn-quiet">
        Import
        <input
          type="file"
          accept=".json,application/json"
          className="visually-hidden"
          onChange={(event) => {
            const file = event.currentTarget.files?.[0];
            event.currentTarget.value = '';
            if (file) onFile(file);
          }}
        />
      </label>
      {isOwn && (
        <button type="button" className="btn btn-sm btn-brass" onClick={onRestore}>
          Restore the shipped rules
        </button>
      )}
    </div>
  );
}
