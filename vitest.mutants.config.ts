import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { defineConfig } from 'vitest/config';

/** The tests nearest to one room of the core, for runs in which one thing of it is changed: all of them would make each change take minutes. */
const room = process.env['MUTANTS_ROOM'] ?? '*';

interface Change {
  readonly file: string;
  readonly from: number;
  readonly to: number;
  readonly put: string;
}
/** A number to be read as another, for one run. */
const change = process.env['MUTANT'] ? (JSON.parse(process.env['MUTANT']) as Change) : undefined;

export default defineConfig({
  plugins: change
    ? [
        {
          name: 'one number changed',
          enforce: 'pre',
          load(id) {
            if (id.split('?')[0] !== join(import.meta.dirname, change.file)) return null;
            const text = readFileSync(join(import.meta.dirname, change.file), 'utf8');
            return text.slice(0, change.from) + change.put + text.slice(change.to);
          },
        },
      ]
    : [],
  test: {
    include: [`src/core/${room}/**/*.test.ts`],
    exclude: ['src/core/judge/wild-*.test.ts'],
    setupFiles: ['src/core/test-kit/setup.test-setup.ts'],
    testTimeout: 60_000,
    maxWorkers: 1,
  },
});
