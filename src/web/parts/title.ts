import { useEffect } from 'react';

/** What the browser's tab is called while a document is on screen. */
export function useTitle(name: string): void {
  useEffect(() => {
    document.title = `${name} · Fern Anvil`;
    return () => {
      document.title = 'Fern Anvil';
    };
  }, [name]);
}
