import { useEffect } from 'react';
import { useMatches } from 'react-router';

/** What the tab tells: a document's name, and the screen it is on. */
const told: { document: string; screen: string } = { document: '', screen: '' };

function tell(part: Partial<typeof told>): void {
  Object.assign(told, part);
  document.title = [told.document, told.screen, 'Fern Anvil'].filter((word) => word !== '').join(' · ');
}

/** The document that the browser's tab names while it is on screen. */
export function useTitle(name: string): void {
  useEffect(() => {
    tell({ document: name });
    return () => tell({ document: '' });
  }, [name]);
}

/** The screen that the browser's tab names: each address says its own as `handle: { title }`. */
export function useScreenTitle(): void {
  const title = useMatches()
    .map(({ handle }) => (handle as { readonly title?: string } | undefined)?.title)
    .findLast((one) => one !== undefined);
  useEffect(() => tell({ screen: title ?? 'No such screen' }), [title]);
}
