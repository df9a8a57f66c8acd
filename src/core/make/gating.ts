import type { Melting } from '../material/metals/metal.ts';

/** How a sprue is made, mm. */
export interface Gating {
  /** where it meets the head, mouth of the sprue below the funnel, mouth of the funnel, and their heights */
  readonly gate: number;
  readonly sprue: number;
  readonly funnel: number;
  readonly height: number;
  readonly funnelHeight: number;
}

/**
 * Time a head of lead should fill in, s: small heads freeze within a second or so (common practice, no
 * source).
 */
const FILL = 0.3;
/** A warmed mould, °C (common practice, no source). */
const MOULD = 60;
/** Lead as it is usually poured: what other metals are held against. */
const LEAD = { density: 11.34, fusion: 23.1, heat: 0.148, liquid: 327.5, pour: 395 };
/**
 * Share of the ideal flow that a short round gate passes (sharp-edged outlet, handbook value about 0.6 to
 * 0.8; from memory).
 */
const OUTLET = 0.7;
/**
 * Narrower gates freeze shut, wider ones tear the head when the sprue is nipped, mm (common practice, no
 * source).
 */
const GATE: readonly [number, number] = [1.4, 6];
const GRAVITY = 9806.65; // mm/s²

/**
 * How long a metal stays liquid in a mould, over lead: heat to be lost for each volume against what drives it
 * out (a thin wall cooled through its skin; handbook form of Chvorinov’s rule).
 */
function liquidFor(density: number, { fusion, heat, liquid, pour }: Melting): number {
  const held = (rho: number, latent: number, capacity: number, melts: number, poured: number) =>
    (rho * (latent + capacity * (poured - melts))) / (poured - MOULD);
  return (
    held(density, fusion, heat[1], liquid, (pour[0] + pour[1]) / 2) /
    held(LEAD.density, LEAD.fusion, LEAD.heat, LEAD.liquid, LEAD.pour)
  );
}

/**
 * A sprue by metal and size: its gate passes the head's volume before it freezes (three tenths of a second
 * for lead) under the sprue's own height of metal, by Torricelli's v = √(2 g h); the sprue above it is half
 * as wide again at least. `volume` of the cavity, mm³; `density` g/cm³; sizes given go before.
 */
export function gatingFor(
  volume: number,
  density: number,
  melting: Melting | undefined,
  given: { readonly gate?: number | undefined; readonly sprue?: number | undefined } = {},
): Gating {
  const height = Math.min(22, Math.max(10, 1.4 * Math.cbrt(volume)));
  const flow = volume / (FILL * (melting ? liquidFor(density, melting) : 1));
  const wanted = Math.sqrt((4 / Math.PI) * (flow / (OUTLET * Math.sqrt(2 * GRAVITY * height))));
  const gate = given.gate ?? Math.min(GATE[1], Math.max(GATE[0], wanted));
  const sprue = Math.max(gate, given.sprue ?? Math.max(1.5 * gate, gate + 1.5));
  return { gate, sprue, funnel: 2.2 * sprue, height, funnelHeight: 0.9 * sprue };
}
