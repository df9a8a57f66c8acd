import type { HookDocument } from '../../core/document/index.ts';
import { HookSchema } from '../../core/document/index.ts';
import { checker } from '../checker.ts';
import { plainCollection } from './collection.ts';

/** Hooks measured by the shop. */
export const hooks = plainCollection({
  key: 'hooks',
  noun: 'hook',
  schema: HookSchema,
  check: checker<HookDocument>(HookSchema),
});
