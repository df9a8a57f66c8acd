/** Whether every random check is run whole, as before a change lands, or its everyday share. */
export const isWhole = process.env['FERN_ANVIL_WHOLE'] === '1';

/** Runs of a random check that is costly: all of them before a change lands, a sixth (and some at the least) every day. */
export const runs = (whole: number): number =>
  isWhole ? whole : Math.max(Math.min(whole, 3), Math.ceil(whole / 6));
