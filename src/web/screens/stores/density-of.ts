import { SALINITY, waterDensity } from '../../../core/material/index.ts';

/** Density of water at 15 °C by its kind, g/cm³. */
export const DENSITY_OF = Object.fromEntries(
  Object.entries(SALINITY).map(([kind, salinity]) => [
    kind,
    waterDensity({ temperature: 15, salinity }) / 1000,
  ]),
) as Readonly<Record<keyof typeof SALINITY, number>>;
