import { useSyncExternalStore } from 'react';

/** Whether a media query holds, now and whenever that changes. */
export const useMedia = (query: string): boolean =>
  useSyncExternalStore(
    (tell) => {
      const media = window.matchMedia(query);
      media.addEventListener('change', tell);
      return () => media.removeEventListener('change', tell);
    },
    () => window.matchMedia(query).matches,
  );
