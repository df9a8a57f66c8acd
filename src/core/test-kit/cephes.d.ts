/** What the tests hold distributions against; the package's own declarations are not among its exports. */
declare module 'cephes' {
  export const compiled: Promise<void>;
  export function gamma(x: number): number;
  /** Share of the standard normal distribution below z. */
  export function ndtr(z: number): number;
  export function ndtri(share: number): number;
  /** Student's quantile of a whole number of degrees of freedom. */
  export function stdtri(freedom: number, share: number): number;
}
