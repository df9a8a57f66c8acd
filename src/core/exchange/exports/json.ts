import type { Design } from '../../document/design.ts';
import { exportKind } from './kind.ts';

const asText = (design: Design): string => `${JSON.stringify(design, null, 2)}\n`;

/** The design’s document itself. */
export const json = exportKind({
  key: 'json',
  name: 'Design, JSON',
  does: 'to import again',
  mediaType: 'application/json',
  asIs: asText,
  write: ({ design }) => Promise.resolve(asText(design)),
});
