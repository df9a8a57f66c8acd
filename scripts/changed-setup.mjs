// In a worker of npm run constants: hands out every number and term as it is, but the one that is changed,
// and writes down which were asked for.
import { Worker } from 'node:worker_threads';
import { afterEach, beforeEach, inject } from 'vitest';

const changed = inject('changed');
// A change may make a loop endless, which no timer of its own thread would end.
if (changed >= 0)
  new Worker('setTimeout(() => process.kill(process.pid, "SIGKILL"), 300_000)', { eval: true }).unref();
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
