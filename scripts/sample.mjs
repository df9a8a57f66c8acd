// What the two tools that change the core share: its rooms, its source files, and a sample that is the same
// for the same seed.
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './ensure.mjs';

const core = join(root, 'src/core');

/** The folder of a room of the core; ends the program in words where there is none of that name. */
export function roomFolder(name) {
  const rooms = readdirSync(core, { withFileTypes: true }).flatMap((entry) =>
    entry.isDirectory() && entry.name !== 'test-kit' ? [entry.name] : [],
  );
  if (!rooms.includes(name)) {
    console.error(`Name a room of the core: ${rooms.join(', ')}.`);
    process.exit(2);
  }
  return join(core, name);
}

/** Every source file of a folder that is not a test. */
export const sources = (folder) =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) return sources(path);
    return /(?<!\.test|\.test-kit|\.test-setup)\.ts$/.test(entry.name) ? [path] : [];
  });

/** So many of a list, the same for the same seed (numbers after Park & Miller 1988). */
export function sample(list, count, seed) {
  let state = Number(seed) % 2147483647 || 1;
  const random = () => (state = (state * 48271) % 2147483647) / 2147483647;
  return list
    .map((one) => [random(), one])
    .sort(([a], [b]) => a - b)
    .slice(0, Number(count))
    .map(([, one]) => one);
}
