import { readFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import { join } from 'node:path';

const resolve = createRequire(import.meta.url).resolve;

/** Reads a file of the typefaces installed with the application, by its place below their packages. */
export const typefaceFile = (place: string): Promise<Uint8Array> => {
  const [name = '', ...rest] = place.split('/');
  return readFile(join(resolve(`@fontsource/${name}/unicode.json`), '..', ...rest));
};
