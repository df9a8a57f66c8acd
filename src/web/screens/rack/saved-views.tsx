import { useState } from 'react';
import Dropdown from 'react-bootstrap/Dropdown';
import { useSearchParams } from 'react-router';
import { useLocal } from '../../data/local.ts';

interface View {
  readonly name: string;
  /** the Rack's address without its path */
  readonly params: string;
}

const isViews = (value: unknown): value is View[] =>
  Array.isArray(value) &&
  value.every((view) => typeof (view as View).name === 'string' && typeof (view as View).params === 'string');

/** Most views kept. */
const MOST = 30;

/** Searches, filters and orders of the Rack under names of one's own, kept in this browser. */
export function SavedViews({ onOpen }: { readonly onOpen: (params: string) => void }) {
  const [views, setViews] = useLocal<View[]>('fern-anvil.rack-views', [], isViews);
  const [search, setSearch] = useSearchParams();
  const [name, setName] = useState('');
  const now = search.toString();
  const current = views.find(({ params }) => params === now);
  const keep = () => {
    const trimmed = name.trim().slice(0, 60);
    if (!trimmed) return;
    setViews((known) =>
      [...known.filter((view) => view.name !== trimmed), { name: trimmed, params: now }].slice(-MOST),
    );
    setName('');
  };
  return (
    <Dropdown>
      <Dropdown.Toggle size="sm" variant="quiet" id="rack-views">
        {current ? `View: ${current.name}` : 'Views'}
      </Dropdown.Toggle>
      <Dropdown.Menu className="views-menu">
        {views.length === 0 && (
          <p>No view is kept yet. Set search, filters and order, then give them a name.</p>
        )}
        {views.map((view) => (
          <div key={view.name} className="views-row">
            <Dropdown.Item
              active={view.params === now}
              onClick={() => {
                setSearch(view.params, { replace: true });
                onOpen(view.params);
              }}
            >
              {view.name}
            </Dropdown.Item>
            <button
              type="button"
              className="btn btn-sm btn-quiet"
              aria-label={`Forget the view ${view.name}`}
              onClick={() => setViews((known) => known.filter((other) => other.name !== view.name))}
            >
              ×
            </button>
          </div>
        ))}
        <form
          className="views-new"
          onSubmit={(event) => {
            event.preventDefault();
            keep();
          }}
        >
          <input
            aria-label="Name of this view"
            placeholder="Name of this view"
            value={name}
            maxLength={60}
            onChange={(event) => setName(event.currentTarget.value)}
          />
          <button type="submit" className="btn btn-sm btn-fern" disabled={name.trim() === ''}>
            Keep
          </button>
        </form>
      </Dropdown.Menu>
    </Dropdown>
  );
}
