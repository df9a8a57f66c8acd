import { useState } from 'react';
import { NavLink, useLocation } from 'react-router';
import { useAllowed } from '../data/people.ts';

/**
 * The places of the program, in the order of a day’s work; on a phone the first four stand on the bar, the
 * others under More.
 */
const PLACES = [
  { to: '/', text: 'Rack' },
  { to: '/briefs', text: 'Briefs' },
  { to: '/compare', text: 'Side by side' },
  { to: '/range', text: 'Range' },
  { to: '/batches', text: 'Batches' },
  { to: '/trials', text: 'Trials' },
  { to: '/rules', text: 'Rules' },
  { to: '/sayings', text: 'Sayings' },
  { to: '/stores', text: 'Stores' },
] as const;
/** What stands on a phone’s bar: what is asked for at a counter, at the melting pot and on the water. */
const AT_HAND = ['/', '/briefs', '/batches', '/trials'];

function PlaceLink({ to, text, held }: (typeof PLACES)[number] & { readonly held: number }) {
  return (
    <NavLink to={to} end={to === '/'}>
      {text}
      {to === '/compare' && held > 0 && <span className="bar-count">{held}</span>}
    </NavLink>
  );
}

/** Places where costs stand: not for whoever is not to see them. */
const WITH_COSTS = ['/range', '/batches'];

/** The places somebody may go to. */
function usePlaces() {
  const seesCosts = useAllowed('prices');
  return seesCosts ? PLACES : PLACES.filter(({ to }) => !WITH_COSTS.includes(to));
}

/** Every place, as the bar of a wide window has them. `held` counts the heads in the tray. */
export const PlaceLinks = ({ held }: { readonly held: number }) =>
  usePlaces().map((place) => <PlaceLink key={place.to} {...place} held={held} />);

/** The places of a phone, at its foot where the thumb is. */
export function ThumbBar({ held }: { readonly held: number }) {
  const places = usePlaces();
  const { pathname } = useLocation();
  // Going somewhere closes it.
  const [openedAt, setOpenedAt] = useState('');
  const isOpen = openedAt === pathname;
  const others = places.filter(({ to }) => !AT_HAND.includes(to));
  const isElsewhere = others.some(({ to }) => pathname.startsWith(to));
  return (
    <nav className="thumb-bar" aria-label="Places">
      {isOpen && (
        <div className="thumb-more" id="thumb-more">
          {others.map((place) => (
            <PlaceLink key={place.to} {...place} held={held} />
          ))}
        </div>
      )}
      {places
        .filter(({ to }) => AT_HAND.includes(to))
        .map((place) => (
          <PlaceLink key={place.to} {...place} held={held} />
        ))}
      <button
        type="button"
        aria-expanded={isOpen}
        aria-controls="thumb-more"
        data-on={isElsewhere}
        onClick={() => setOpenedAt(isOpen ? '' : pathname)}
      >
        More{held > 0 && <span className="bar-count">{held}</span>}
      </button>
    </nav>
  );
}
