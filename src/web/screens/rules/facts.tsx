import { useState } from 'react';
import { FACTS } from '../../../core/match/index.ts';
import { SearchField } from '../../parts/search-field.tsx';

/** Facts shown at once: more are found by searching. */
const SHOWN = 24;

/** What a condition may ask, found by its name or its words. */
export function Facts() {
  const [find, setFind] = useState('');
  const facts = FACTS.filter((fact) =>
    `${fact.name} ${fact.words}`.toLowerCase().includes(find.toLowerCase()),
  ).slice(0, SHOWN);
  return (
    <div>
      <SearchField label="Search the facts" value={find} placeholder="Search the facts" onChange={setFind} />
      <ul className="rule-facts">
        {facts.map((fact) => (
          <li key={fact.name}>
            <code>{fact.name}</code> {fact.words}:{' '}
            {'choices' in fact ? fact.choices.slice(0, 6).join(', ') : fact.quantity}
          </li>
        ))}
      </ul>
    </div>
  );
}
