import type { Static } from '@sinclair/typebox';
import { Type } from '@sinclair/typebox';
import { MEASURED, StyleSchema } from '../hook/schema.ts';

/** A hook the shop has measured for itself, as a document of its own. Lengths in mm. */
export const HookSchema = Type.Object(
  {
    format: Type.Literal('fern-anvil/hook', { description: 'Marks the document' }),
    version: Type.Literal(1, { description: 'Version of the document format' }),
    name: Type.String({
      minLength: 1,
      maxLength: 120,
      pattern: '^$|\\S',
      description: 'What the shop calls it',
    }),
    size: Type.String({ minLength: 1, maxLength: 12, description: 'Hook size as spoken: #8 … 8/0' }),
    style: StyleSchema,
    ...MEASURED,
    notes: Type.Optional(Type.String({ maxLength: 8000 })),
  },
  { additionalProperties: false, $id: 'fern-anvil-hook-1', title: 'Fern Anvil hook, version 1' },
);

/** A measured hook’s document. */
export type HookDocument = Static<typeof HookSchema>;
