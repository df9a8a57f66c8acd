import { beforeEach, onTestFailed } from 'vitest';
import { collectEvidence } from './evidence.ts';

// Whatever fails, a wait that ended in nothing above all, leaves what page, workers and server were doing.
beforeEach(() => {
  onTestFailed(({ task }) => collectEvidence(task.name), 60_000);
});
