import { keysOf, recordOf } from '../../../core/kind/index.ts';
import { SALINITY, waterDensity } from '../../../core/material/index.ts';

/** Density of water at 15 °C by its kind, g/cm³. */
export const DENSITY_OF = recordOf(
  keysOf(SALINITY),
  (kind) => waterDensity({ temperature: 15, salinity: SALINITY[kind] }) / 1000,
);
