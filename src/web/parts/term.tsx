import { useState } from 'react';
import OverlayTrigger from 'react-bootstrap/OverlayTrigger';
import Popover from 'react-bootstrap/Popover';
import { Link } from 'react-router';
import type { TermWord } from './term-words.ts';
import './term.css';

interface Found {
  readonly word: string;
  readonly html: string;
  readonly anchor: string;
}

/** Reads the glossary when it is first asked for. */
async function find(word: TermWord): Promise<Found | undefined> {
  const [{ default: glossary }, { anchorOf, lineOf, termFor, termsOf }] = await Promise.all([
    import('../../../docs/glossary.md?raw'),
    import('../screens/help/texts.ts'),
  ]);
  const term = termFor(termsOf(glossary), word);
  return term && { word: term.word, html: lineOf(term.meant), anchor: anchorOf(term.word) };
}

/** A small button beside a word of the trade that says what it means, with the way to the whole glossary. */
export function Term({ word }: { readonly word: TermWord }) {
  const [found, setFound] = useState<Found | undefined>(undefined);
  const popover = (
    <Popover id={`term-${word.replaceAll(' ', '-')}`} role="dialog" aria-label={`What “${word}” means`}>
      <Popover.Header as="h3">{found?.word ?? word}</Popover.Header>
      <Popover.Body>
        {/* Our own document, not what anyone typed. */}
        <p dangerouslySetInnerHTML={{ __html: found?.html ?? '…' }} />
        <Link to={`/help#${found?.anchor ?? ''}`}>Glossary</Link>
      </Popover.Body>
    </Popover>
  );
  return (
    <OverlayTrigger trigger="click" rootClose placement="auto" overlay={popover}>
      <button
        type="button"
        className="term"
        // The field it explains opens it by F1: a stop of its own would stand in the way of who answers by
        // Tab.
        tabIndex={-1}
        aria-label={`What “${word}” means`}
        onClick={() => void find(word).then(setFound)}
      >
        ?
      </button>
    </OverlayTrigger>
  );
}
