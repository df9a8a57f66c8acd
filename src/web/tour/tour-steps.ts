/** Addresses the tour goes through: of the head and the brief that it makes. */
export interface TourPlaces {
  readonly head: string;
  readonly brief: string;
}

/** A stop of the tour: where it is, what it points at, and what it says. */
export interface TourStop {
  readonly title: string;
  readonly text: string;
  /** its address; undefined where it is asked for before there is one */
  readonly path: (places: Partial<TourPlaces>) => string | undefined;
  /** what is pointed at, a CSS selector; the first that is on the page */
  readonly at: string;
  /** what must be made before the next stop, if anything */
  readonly makes?: 'head' | 'brief';
  /** what the button to the next stop says */
  readonly next: string;
}

const bench = ({ head }: Partial<TourPlaces>) => head && `/designs/${head}`;

/** The stops: a head is made, tried in the water, and asked of in a brief. */
export const TOUR: readonly TourStop[] = [
  {
    title: 'The Rack',
    text: 'Every head you design hangs here, drawn to one scale. The tour makes one: a ball.',
    path: () => '/',
    at: '.rack-new .btn-fern',
    makes: 'head',
    next: 'Make a head',
  },
  {
    title: 'The Bench: the drawing',
    text: 'The head as it comes out of the mould, with its dimensions. Drag a brass handle and it follows.',
    path: bench,
    at: '.bench-plate',
    next: 'Next',
  },
  {
    title: 'The Bench: the specification',
    text: 'Type what you would say: 3/8, 10 g, 5/0. The size follows the weight. Every change is saved.',
    path: bench,
    at: '.bench-stages',
    next: 'Next',
  },
  {
    title: 'The Bench: readings',
    text: 'What the head weighs and does. Open a reading to see how it is computed and how sure it is.',
    path: bench,
    at: '.bench-readings',
    next: 'Try it in the water',
  },
  {
    title: 'The Tank',
    text: 'The same head in water: how it falls, lies on the bottom, comes through cover and swims.',
    path: ({ head }) => head && `/designs/${head}/water`,
    at: '.tank-view',
    makes: 'brief',
    next: 'Ask where it fits',
  },
  {
    title: 'A brief',
    text: 'A situation on the water and the heads that fit it, best first. Each mark says why, or why not.',
    path: ({ brief }) => brief && `/briefs/${brief}`,
    at: '.answer-place',
    next: 'Next',
  },
  {
    title: 'Your own heads',
    text: 'Import a price list, measure a bought head, or pick a shape. Help has the glossary and this tour.',
    path: () => '/',
    at: '.rack-new',
    next: 'Done',
  },
];
