import fc from 'fast-check';

/**
 * Numbers of a range: most of them even along it, some the library's own choice. Its choice alone is even
 * over the numbers a machine can write, so that of 0 to 90 nearly all lie under one, and of −50 to 50 nearly
 * all are as good as nothing: good for finding what fails at the edge, but it would leave the middle
 * untried.
 */
export const between = (min: number, max: number) =>
  fc.oneof(
    { weight: 3, arbitrary: fc.nat(1e6).map((part) => min + ((max - min) * part) / 1e6) },
    { weight: 1, arbitrary: fc.double({ min, max, noNaN: true, noDefaultInfinity: true }) },
  );
