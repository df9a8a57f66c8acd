import { useEffect, useMemo, useRef, useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { NavLink, Outlet, useLocation, useNavigate } from 'react-router';
import { backupsQuery, useFew } from '../data/queries.ts';
import { useAllowed } from '../data/people.ts';
import { useMoneyHeard } from '../data/money.ts';
import { useTray } from '../data/tray.ts';
import { useUnits } from '../data/units.ts';
import { MetalPatterns } from '../drawing/side-figure.tsx';
import { SignInGate, AccountLink } from './sign-in-gate.tsx';
import { HelpSheet } from './help.tsx';
import { useKeys } from './keys.ts';
import { useLeaving } from './leaving.ts';
import { useNarrow } from './narrow.ts';
import { useScreenTitle } from './title.ts';
import { Tray } from './tray.tsx';
import { Panel } from './panel.tsx';
import { PlaceLinks, ThumbBar } from './places.tsx';
import './shell.css';

/** What stands around every screen: the bar with its places, the screen, and the tray at its foot. */
export function Shell() {
  const { system, flip } = useUnits();
  // Only what is still there is counted, as the tray shows it.
  const { rows: held } = useFew(useTray().ids);
  const isOwner = useAllowed('own the shop');
  const { data: backups } = useQuery({ ...backupsQuery, enabled: isOwner });
  const [helping, setHelping] = useState(false);
  const navigate = useNavigate();
  useScreenTitle();
  useLeaving();
  useMoneyHeard();
  const main = useFocusOnChange();
  const isNarrow = useNarrow();
  useKeys(
    useMemo(
      () => ({
        u: flip,
        '?': () => setHelping(true),
        '1': () => void navigate('/'),
        '2': () => void navigate('/briefs'),
        '3': () => void navigate('/compare'),
        '4': () => void navigate('/stores'),
        '5': () => void navigate('/rules'),
        '6': () => void navigate('/sayings'),
        '7': () => void navigate('/range'),
        '8': () => void navigate('/batches'),
        '9': () => void navigate('/trials'),
      }),
      [flip, navigate],
    ),
  );
  return (
    <div className="shell">
      <MetalPatterns />
      <a className="skip" href="#main">
        Skip to the screen
      </a>
      <header className="bar">
        <NavLink to="/" className="brand" aria-label="Fern Anvil, to the Rack">
          <svg viewBox="0 0 32 32" aria-hidden="true">
            <path
              d="M3 19h8c3 0 4 3 4 5v3h-4v3h14v-3h-3v-3c0-3 2-5 7-6v-5H9c-3 0-6 2-6 6z"
              className="brand-iron"
            />
            <path d="M10 12C12 6 17 3 24 2c-1 6-4 10-11 10M12 12c3-4 6-6 10-8" className="brand-fern" />
          </svg>
          <span>Fern Anvil</span>
        </NavLink>
        {!isNarrow && (
          <nav aria-label="Places">
            <PlaceLinks held={held.length} />
          </nav>
        )}
        <div className="bar-tools">
          {backups?.isOld === true && (
            <NavLink className="bar-warns" to="/backups">
              ▲ No backup for a week
            </NavLink>
          )}
          <AccountLink />
          <button type="button" className="unit-flip" onClick={flip} title="Change units (U)">
            <span className="visually-hidden">
              Units, now {system === 'imperial' ? 'imperial' : 'metric'}:
            </span>
            <span data-on={system === 'imperial'}>oz · in</span>
            <span data-on={system === 'metric'}>g · mm</span>
          </button>
          <button
            type="button"
            className="btn btn-sm btn-bar"
            onClick={() => setHelping(true)}
            title={isNarrow ? 'Help' : 'Keys and help (?)'}
          >
            {isNarrow ? (
              'Help'
            ) : (
              <>
                Keys <kbd>?</kbd>
              </>
            )}
          </button>
        </div>
      </header>
      <main id="main" tabIndex={-1} ref={main}>
        <Outlet />
      </main>
      <Panel what="The tray">
        <Tray isNarrow={isNarrow} />
      </Panel>
      {isNarrow && <ThumbBar held={held.length} />}
      <SignInGate />
      <HelpSheet show={helping} onHide={() => setHelping(false)} />
    </div>
  );
}

/**
 * The screen, which takes the focus when the address leads to another: who goes by keyboard or ear goes on
 * from its beginning, and not from the bar. A screen that has put the focus somewhere itself keeps it.
 */
function useFocusOnChange() {
  const main = useRef<HTMLElement>(null);
  const { pathname } = useLocation();
  const before = useRef(pathname);
  useEffect(() => {
    if (before.current === pathname) return;
    before.current = pathname;
    const { current } = main;
    if (current && !current.contains(document.activeElement)) current.focus({ preventScroll: true });
  }, [pathname]);
  return main;
}
