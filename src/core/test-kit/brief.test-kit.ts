import type { Brief } from '../document/brief.ts';

/**
 * A brief that says the least there is to say: gravel at 4 m, dragged on 5 kg of fluorocarbon with a paddle
 * tail of 90 mm; with changes laid over it.
 */
export const plainBrief = (change: Partial<Brief> = {}): Brief => ({
  format: 'fern-anvil/brief',
  version: 2,
  name: 'Plain',
  water: { kind: 'fresh', depth: 4, temperature: 15 },
  bottom: { kinds: ['gravel'] },
  cover: { kinds: [] },
  fishing: { retrieve: 'drag' },
  line: { material: 'fluorocarbon', test: 5 },
  bait: { kind: 'paddle-tail', length: 90 },
  ...change,
});
