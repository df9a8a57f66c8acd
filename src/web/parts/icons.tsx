import type { ReactNode } from 'react';

/** Edge of a drawn sign, px, where none is named. */
const SIZE = 15;

/**
 * A sign on a grid of 16, in lines of the text's colour; what it means is said by the button that carries it.
 */
const drawn = (lines: ReactNode) =>
  function Sign({ size = SIZE }: { readonly size?: number }) {
    return (
      <svg
        className="sign"
        width={size}
        height={size}
        viewBox="0 0 16 16"
        fill="none"
        stroke="currentColor"
        strokeWidth="1.3"
        strokeLinecap="round"
        strokeLinejoin="round"
        aria-hidden
      >
        {lines}
      </svg>
    );
  };

/** A turn back. */
export const UndoSign = drawn(<path d="M6 2.5 2.5 6 6 9.5M2.5 6h7a4 4 0 0 1 0 8H7" />);

/** A turn forward. */
export const RedoSign = drawn(<path d="M10 2.5 13.5 6 10 9.5M13.5 6h-7a4 4 0 0 0 0 8H9" />);

/** A closed padlock. */
export const LockedSign = drawn(
  <>
    <rect x="3" y="7" width="10" height="7" rx="1.2" />
    <path d="M5.2 7V5a2.8 2.8 0 0 1 5.6 0v2M8 10v1.4" />
  </>,
);

/** A padlock whose shackle is lifted out on one side. */
export const FreeSign = drawn(
  <>
    <rect x="3" y="7" width="10" height="7" rx="1.2" />
    <path d="M5.2 7V4.2A2.8 2.8 0 0 1 10.6 3M8 10v1.4" />
  </>,
);

/** A weight on a hook: a figure that is held. */
export const HeldSign = drawn(
  <>
    <circle cx="8" cy="3.2" r="1.7" />
    <path d="M5.5 6.5h5l2 7.5h-9zM8 4.9v1.6" />
  </>,
);
