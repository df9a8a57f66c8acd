import { useEffect } from 'react';

/**
 * Leaves the field that is being typed in before the page is left: what is typed is then taken as it is when
 * the focus moves on.
 */
export function useLeaving(): void {
  useEffect(() => {
    const leave = () => {
      if (document.activeElement instanceof HTMLElement) document.activeElement.blur();
    };
    // Before whoever else listens: what a field gives up by this is theirs to keep.
    window.addEventListener('pagehide', leave, { capture: true });
    return () => window.removeEventListener('pagehide', leave, { capture: true });
  }, []);
}
