/**
 * Place of the least value of a function with one valley, by golden section (Kiefer 1953), to 1e-7 of the
 * span.
 */
export function leastOf(f: (x: number) => number, low: number, high: number): number {
  const golden = (Math.sqrt(5) - 1) / 2;
  let [a, b] = [low, high];
  let [c, d] = [b - golden * (b - a), a + golden * (b - a)];
  let [fc, fd] = [f(c), f(d)];
  while (b - a > 1e-7 * (high - low)) {
    if (fc < fd) {
      b = d;
      [d, fd] = [c, fc];
      c = b - golden * (b - a);
      fc = f(c);
    } else {
      a = c;
      [c, fc] = [d, fd];
      d = a + golden * (b - a);
      fd = f(d);
    }
  }
  return (a + b) / 2;
}
