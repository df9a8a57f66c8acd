import { useEffect, useMemo } from 'react';
import { Link, useLocation } from 'react-router';
import api from '../../../../docs/api.md?raw';
import glossary from '../../../../docs/glossary.md?raw';
import readings from '../../../../docs/readings.md?raw';
import changes from '../../../../CHANGELOG.md?raw';
import { MADE_BY } from '../../../contract/version.ts';
import { Scrolls } from '../../parts/sheet.tsx';
import { anchorOf, htmlOf, lineOf, termsOf } from './texts.ts';
import { useTour } from '../../tour/use-tour.ts';
import './help.css';

/** Pages of the help, as its address names them. */
const PAGES = [
  ['', 'Glossary'],
  ['computing', 'How we compute'],
  ['api', 'For programs'],
  ['changes', 'Version and changes'],
] as const;

/** Help: the trade’s words, how each reading is made, and what is new. */
export function HelpScreen() {
  const tour = useTour();
  const { search, hash } = useLocation();
  const page = new URLSearchParams(search).get('page') ?? '';
  useEffect(() => {
    if (hash !== '') document.getElementById(decodeURIComponent(hash.slice(1)))?.scrollIntoView();
  }, [hash, page]);
  return (
    <div className="help-screen">
      <h1>Help</h1>
      <p>
        <button type="button" className="btn btn-fern" onClick={() => void tour()}>
          Take the tour
        </button>{' '}
        Three minutes: make a head, try it in the water, ask where it fits.
      </p>
      <nav className="help-pages" aria-label="Pages of the help">
        {PAGES.map(([key, title]) => (
          <Link
            key={key}
            to={key === '' ? '/help' : `/help?page=${key}`}
            aria-current={page === key ? 'page' : undefined}
          >
            {title}
          </Link>
        ))}
      </nav>
      {page === 'computing' ? (
        <Document markdown={readings} label="How we compute" />
      ) : page === 'api' ? (
        <Document markdown={api} label="The server’s interface" />
      ) : page === 'changes' ? (
        <>
          <p>This is {MADE_BY}.</p>
          <Document markdown={changes} label="Changes" />
        </>
      ) : (
        <Glossary />
      )}
    </div>
  );
}

/** The trade’s words, each at its mark. */
function Glossary() {
  const terms = useMemo(() => termsOf(glossary), []);
  return (
    <dl className="help-terms">
      {terms.map(({ word, meant }) => (
        <div key={word} id={anchorOf(word)}>
          <dt>{word}</dt>
          {/* Our own document, not what anyone typed. */}
          <dd dangerouslySetInnerHTML={{ __html: lineOf(meant) }} />
        </div>
      ))}
    </dl>
  );
}

/** One of our documents, without its own title, which the page has. */
function Document({ markdown, label }: { readonly markdown: string; readonly label: string }) {
  const html = useMemo(() => htmlOf(withoutHead(markdown)), [markdown]);
  return (
    <Scrolls label={label}>
      <article className="help-document" dangerouslySetInnerHTML={{ __html: html }} />
    </Scrolls>
  );
}

/** A document without its own title and the note on how it is made. */
const withoutHead = (markdown: string): string =>
  markdown
    .split('\n')
    .filter((line) => !line.startsWith('# ') && !line.startsWith('Made from `'))
    .join('\n');
