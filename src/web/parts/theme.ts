import { useMedia } from './media.ts';

const DARK = '(prefers-color-scheme: dark)';

const media = () => window.matchMedia(DARK);

/**
 * Follows the system’s setting of light or dark, at once and whenever it changes: style sheets look at the
 * mark this leaves on the page.
 */
export function followTheme(): void {
  const mark = () => {
    document.documentElement.dataset['bsTheme'] = media().matches ? 'dark' : 'light';
  };
  mark();
  media().addEventListener('change', mark);
}

/** Whether it is dark: what is painted by hand is painted anew when that changes. */
export const useDark = (): boolean => useMedia(DARK);

/** Returns a colour of the style sheets by its token, such as `--paper`, as it is now. */
export const token = (name: `--${string}`): string =>
  getComputedStyle(document.documentElement).getPropertyValue(name).trim();
