// In a worker of npm run constants: hands out every number and term as it is, but the one that is changed, and writes down which were asked for.
import { afterEach, beforeEach, inject } from 'vitest';

const changed = inject('changed');
let [seen, outside] = [new Set(), new Set()];
globalThis.$changed = (id, value, put) => {
  seen.add(id);
  return id === changed ? (put ?? value * 1.1) : value;
};

beforeEach(() => {
  // What a file reckons before a test begins, all its tests may go by.
  outside = new Set([...outside, ...seen]);
  seen = new Set();
});
afterEach(({ task }) => {
  task.meta.asked = [...new Set([...outside, ...seen])];
  seen = new Set();
});
