/** Why a root could not be found. */
export type RootFailure = { readonly ok: false; readonly atLow: number; readonly atHigh: number };
/** A root, or why none was found. */
export type Root = { readonly ok: true; readonly x: number } | RootFailure;

/**
 * Root of a continuous function on [low, high] by the Illinois form of false position (Dowell & Jarratt
 * 1971), which keeps the root bracketed at every step. Stops when the bracket is narrower than `tolerance` or
 * after 100 steps. Fails when the ends have one sign.
 */
export function findRoot(f: (x: number) => number, low: number, high: number, tolerance = 1e-10): Root {
  let [a, b] = [low, high];
  let [fa, fb] = [f(a), f(b)];
  if (fa === 0) return { ok: true, x: a };
  if (fb === 0) return { ok: true, x: b };
  if (!(fa * fb < 0)) return { ok: false, atLow: fa, atHigh: fb };
  let side = 0;
  for (let step = 0; step < 100; step++) {
    const x = (a * fb - b * fa) / (fb - fa);
    const fx = f(x);
    if (fx === 0 || Math.abs(b - a) < tolerance) return { ok: true, x };
    if (fx * fb < 0) {
      a = b;
      fa = fb;
      side = 0;
    } else {
      // The same end stayed twice: halve its weight so that it, too, moves.
      if (side !== 0) fa /= 2;
      side = 1;
    }
    b = x;
    fb = fx;
    if (Math.abs(fx) < tolerance * 1e-3) return { ok: true, x };
  }
  return { ok: true, x: b };
}

/** A place and the value of a function there. */
type Known = readonly [x: number, f: number];

/**
 * Where a function goes from above zero to zero or below between two places whose values are known, within
 * `tolerance`: along the chord first, then by inverse quadratic interpolation where that is safe, and halving
 * elsewhere (Chandrupatla, Advances in Engineering Software 28 (1997) 145). It needs no continuous function:
 * of a jump it finds the place, in as many steps as halving takes.
 */
export function crossing(f: (x: number) => number, low: Known, high: Known, tolerance: number): number {
  let [[a, fa], [b, fb]]: [Known, Known] = [high, low];
  let c: number;
  let fc: number;
  // Along the chord first, as what is smooth is nearly straight.
  for (let share = fa / (fa - fb); ;) {
    // Without a chord, as where an end is infinite, in the middle.
    const x = a + (Number.isFinite(share) ? share : 0.5) * (b - a);
    const fx = f(x);
    if (fx > 0 === fa > 0) [c, fc] = [a, fa];
    else [c, fc, b, fb] = [b, fb, a, fa];
    [a, fa] = [x, fx];
    // Numbers themselves lie no nearer to each other.
    const nearest = Math.max(tolerance, 4 * Number.EPSILON * Math.max(Math.abs(a), Math.abs(b)));
    const least = nearest / Math.abs(b - a);
    if (least > 0.5 || fa === 0) return Math.abs(fa) < Math.abs(fb) ? a : b;
    const [xi, phi] = [(a - b) / (c - b), (fa - fb) / (fc - fb)];
    share =
      phi * phi < xi && (1 - phi) ** 2 < 1 - xi
        ? ((fa / (fb - fa)) * fc) / (fb - fc) + ((((c - a) / (b - a)) * fa) / (fc - fa)) * (fb / (fc - fb))
        : 0.5;
    share = Math.min(1 - least, Math.max(least, share));
  }
}
