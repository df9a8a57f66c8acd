import type { Photo } from '../../core/document/index.ts';
import { PhotoSchema } from '../../core/document/index.ts';
import { checker } from '../checker.ts';
import { plainCollection } from './collection.ts';

/** Photographs that lie under a plate. */
export const photos = plainCollection({
  key: 'photos',
  noun: 'photograph',
  schema: PhotoSchema,
  check: checker<Photo>(PhotoSchema),
});
