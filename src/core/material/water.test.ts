import { describe, expect, it } from 'vitest';
import { freshDensity, seaDensity, waterDensity, waterViscosity } from './water.ts';

describe('water', () => {
  // Kell 1975, table of recommended densities (from memory).
  it.each([
    [4, 999.97],
    [15, 999.1],
    [20, 998.2],
    [25, 997.05],
  ])('fresh at %s °C weighs %s kg/m³', (t, rho) => {
    expect(freshDensity(t)).toBeCloseTo(rho, 1);
  });

  // UNESCO technical papers in marine science 44 (1983), check values for EOS-80 at one atmosphere.
  it.each([
    [0, 5, 999.96675],
    [35, 5, 1027.67547],
    [35, 25, 1023.34306],
  ])('salinity %s at %s °C weighs %s kg/m³', (s, t, rho) => {
    expect(seaDensity(t, s)).toBeCloseTo(rho, 4);
  });

  it('joins fresh and sea water without a step', () => {
    expect(waterDensity({ temperature: 12, salinity: 1e-9 })).toBeCloseTo(freshDensity(12), 1);
  });

  // IAPWS R12-08 / Huber et al. 2009 for fresh water: 1.0016 mPa·s at 20 °C, 0.8900 at 25 °C; 1.792 at 0 °C.
  it.each([
    [20, 1.0016],
    [25, 0.89],
    [0, 1.792],
  ])('viscosity at %s °C is %s mPa·s', (temperature, expected) => {
    expect(waterViscosity({ temperature, salinity: 0 }) * 1000).toBeCloseTo(expected, 3);
  });

  // ITTC 7.5-02-01-03 (2011) gives 1.0765 mPa·s for sea water of 35.16 g/kg at 20 °C (from memory).
  it('sea water is thicker by 7-8%', () => {
    expect(waterViscosity({ temperature: 20, salinity: 35 }) * 1000).toBeCloseTo(1.077, 2);
  });
});
