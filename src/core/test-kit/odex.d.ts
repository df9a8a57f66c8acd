/**
 * Of the solver of differential equations that tests compare with, what they use; the package ships its
 * sources, which our settings do not compile.
 */
declare module 'odex' {
  export class Solver {
    constructor(dimension: number);
    absoluteTolerance: number;
    relativeTolerance: number;
    maxSteps: number;
    solve(
      rates: (x: number, y: number[]) => number[],
      from: number,
      start: number[],
      to: number,
    ): { y: number[] };
  }
}
