import { fileURLToPath } from 'node:url';

/** The project's folder. */
export const root = fileURLToPath(new URL('..', import.meta.url));
