import { useState } from 'react';
import { wordName } from '../../../core/document/index.ts';
import { FACTS } from '../../../core/match/index.ts';
import { SearchField } from '../../parts/search-field.tsx';

/** Facts shown at once: more are found by searching. */
const SHOWN = 24;

/** Choices of a fact that are listed. */
const CHOICES = 6;

/** A choice as a condition writes it, with what the screens call it where that is another word. */
function choiceText(choice: string): string {
  const said = wordName(choice);
  return said === choice ? choice : `${choice} (${said})`;
}

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
            {'choices' in fact ? fact.choices.slice(0, CHOICES).map(choiceText).join(', ') : fact.quantity}
          </li>
        ))}
      </ul>
    </div>
  );
}
