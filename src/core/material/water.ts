export { GRAVITY } from '../quantity/units.ts';

/** The water a head works in. */
export interface Water {
  /** °C, −1 to 40 */
  readonly temperature: number;
  /** Practical salinity, 0 (fresh) to 42; 35 is the open sea */
  readonly salinity: number;
}

/** Everyday names for salinities (brackish differs from place to place; common practice, no source). */
export const SALINITY: Readonly<Record<'fresh' | 'brackish' | 'sea', number>> = {
  fresh: 0,
  brackish: 8,
  sea: 35,
};

/**
 * Density of air-free fresh water at one atmosphere, kg/m³, 0-40 °C. Kell, J. Chem. Eng. Data 20 (1975) 97,
 * equation 16 (coefficients from memory, checked in the test).
 */
export function freshDensity(t: number): number {
  const numerator =
    999.83952 +
    t * (16.945176 + t * (-7.9870401e-3 + t * (-46.170461e-6 + t * (105.56302e-9 - t * 280.54253e-12))));
  return numerator / (1 + 16.87985e-3 * t);
}

/**
 * Density of sea water at one atmosphere, kg/m³: the international equation of state EOS-80 (Millero &
 * Poisson 1981; UNESCO technical paper 44). t in °C −2..40, s 0..42.
 */
export function seaDensity(t: number, s: number): number {
  const pure =
    999.842594 +
    t * (6.793952e-2 + t * (-9.09529e-3 + t * (1.001685e-4 + t * (-1.120083e-6 + t * 6.536332e-9))));
  const a = 8.24493e-1 + t * (-4.0899e-3 + t * (7.6438e-5 + t * (-8.2467e-7 + t * 5.3875e-9)));
  const b = -5.72466e-3 + t * (1.0227e-4 - t * 1.6546e-6);
  return pure + a * s + b * s ** 1.5 + 4.8314e-4 * s * s;
}

/** Density of water in kg/m³: Kell for fresh water, EOS-80 for anything with salt in it. */
export function waterDensity({ temperature, salinity }: Water): number {
  return salinity === 0 ? freshDensity(temperature) : seaDensity(temperature, salinity);
}

/**
 * Dynamic viscosity in Pa·s. Fresh: Huber et al., J. Phys. Chem. Ref. Data 38 (2009) 101, the simple form for
 * liquid water at 0.1 MPa. Salt: Sharqawy, Lienhard & Zubair, Desalination and Water Treatment 16 (2010) 354,
 * equations 22-23.
 */
export function waterViscosity({ temperature, salinity }: Water): number {
  const reduced = (temperature + 273.15) / 300;
  const fresh =
    1e-6 *
    (280.68 * reduced ** -1.9 +
      511.45 * reduced ** -7.7 +
      61.131 * reduced ** -19.6 +
      0.45903 * reduced ** -40);
  const s = salinity / 1000;
  const a = 1.541 + 1.998e-2 * temperature - 9.52e-5 * temperature ** 2;
  const b = 7.974 - 7.561e-2 * temperature + 4.724e-4 * temperature ** 2;
  return fresh * (1 + a * s + b * s * s);
}
