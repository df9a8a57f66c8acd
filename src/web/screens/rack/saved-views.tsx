import { isObject } from '../../../core/kind/index.ts';
import Dropdown from 'react-bootstrap/Dropdown';
import { useSearchParams } from 'react-router';
import { useLocal } from '../../data/local.ts';
import { NameForm } from '../../parts/name-form.tsx';

interface View {
  readonly name: string;
  /** the Rack's address without its path */
  readonly params: string;
}

const isViews = (value: unknown): value is View[] =>
  Array.isArray(value) &&
  value.every(
    (view) => isObject(view) && typeof view['name'] === 'string' && typeof view['params'] === 'string',
  );

/** Most views kept. */
const MOST = 30;

/** Searches, filters and orders of the Rack under names of one's own, kept in this browser. */
export function SavedViews({ onOpen }: { readonly onOpen: (params: string) => void }) {
  const [views, setViews] = useLocal<View[]>('fern-anvil.rack-views', [], isViews);
  const [search, setSearch] = useSearchParams();
  const now = search.toString();
  const current = views.find(({ params }) => params === now);
  const keep = (name: string) =>
    setViews((known) => [...known.filter((view) => view.name !== name), { name, params: now }].slice(-MOST));
  return (
    <Dropdown>
      <Dropdown.Toggle size="sm" variant="quiet" id="rack-views">
        {current ? `View: ${current.name}` : 'Views'}
      </Dropdown.Toggle>
      <Dropdown.Menu className="views-menu">
        {views.length === 0 && (
          <p>No saved views yet. Set search, filters and order, then give them a name.</p>
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
              aria-label={`Delete the view ${view.name}`}
              onClick={() => setViews((known) => known.filter((other) => other.name !== view.name))}
            >
              ×
            </button>
          </div>
        ))}
        <NameForm label="Name of this view" placeholder="Name of this view" most={60} onKeep={keep} />
      </Dropdown.Menu>
    </Dropdown>
  );
}
