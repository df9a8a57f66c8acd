import { driver } from 'driver.js';
import 'driver.js/dist/driver.css';
import './tour.css';
import type { TourPlaces } from './tour-steps.ts';
import { TOUR } from './tour-steps.ts';

/** What a tour needs of the page it goes through. */
export interface Guide {
  /** leads to an address */
  readonly go: (path: string) => Promise<void> | void;
  /** makes the head or the brief of the tour; its id. Rejects, and has told why, where the server does. */
  readonly make: (what: keyof TourPlaces) => Promise<string>;
  /** the tour is over, with what it made */
  readonly onEnd: (made: Partial<TourPlaces>) => void;
}

/** How long a stop is waited for: a screen that loads and computes, ms. */
const WAIT = 20_000;
/** What the library puts on whatever it points at, and only a button may have. */
const OF_A_BUTTON = ['aria-haspopup', 'aria-expanded', 'aria-controls'] as const;

/** Goes through the stops, one button press each; Escape or its cross ends it anywhere. */
export function runTour({ go, make, onEnd }: Guide): void {
  const made: { -readonly [K in keyof TourPlaces]?: TourPlaces[K] } = {};
  let isBusy = false;
  const onKey = (event: KeyboardEvent) => {
    if (event.key === 'Escape') tour.destroy();
  };
  /** To a stop; what must be there first is made. */
  const move = async (to: number): Promise<void> => {
    const { makes } = TOUR[to - 1] ?? {};
    const stop = TOUR[to];
    if (isBusy || !stop) return;
    isBusy = true;
    try {
      if (makes) made[makes] ??= await make(makes);
      const path = stop.path(made);
      if (path !== undefined && path !== window.location.pathname) await go(path);
      tour.moveTo(to);
    } catch {
      tour.destroy();
    } finally {
      isBusy = false;
    }
  };
  const here = () => tour.getActiveIndex() ?? 0;
  const tour = driver({
    steps: TOUR.map(({ title, text, at, next }) => ({
      element: at,
      popover: { title, description: text, nextBtnText: next, doneBtnText: next },
    })),
    waitForElement: WAIT,
    showProgress: true,
    progressText: '{{current}} of {{total}}',
    prevBtnText: 'Back',
    popoverClass: 'tour',
    animate: !window.matchMedia('(prefers-reduced-motion: reduce)').matches,
    // Arrows pull handles and walk along the Rack; a click beside a stop is a slip.
    allowKeyboardControl: false,
    overlayClickBehavior: () => undefined,
    onHighlighted: (element, _, { state }) => {
      state.popover?.nextButton.focus();
      if (element && element.tagName !== 'BUTTON')
        for (const name of OF_A_BUTTON) element.removeAttribute(name);
    },
    onNextClick: () => void move(here() + 1),
    onPrevClick: () => void move(here() - 1),
    onDoneClick: () => tour.destroy(),
    onPopoverRender: ({ closeButton, title, footer }) => {
      closeButton.setAttribute('aria-label', 'End the tour');
      // The library marks these as the head and the foot of the page, which has its own.
      title.setAttribute('role', 'none');
      footer.setAttribute('role', 'none');
    },
    onDestroyed: () => {
      window.removeEventListener('keydown', onKey, true);
      onEnd(made);
    },
  });
  window.addEventListener('keydown', onKey, true);
  tour.drive();
}
