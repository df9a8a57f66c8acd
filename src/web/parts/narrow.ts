import { useMedia } from './media.ts';

/** The width at and below which screens are laid out for a phone, as style sheets say it too. */
const PHONE = '(max-width: 560px)';

/** Whether the window is as narrow as a phone’s: what is shown first, and what is folded, follows it. */
export const useNarrow = (): boolean => useMedia(PHONE);
