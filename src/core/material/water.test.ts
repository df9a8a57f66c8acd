import { describe, expect, it } from 'vitest';
import { freshDensity, seaDensity, waterDensity, waterViscosity } from './water.ts';

describe('water', () => {
  // Kell 1975, table of recommended densities (from memory).
  it.each([
    [4, 999.97],
    [15, 999.1],
    [20, 998.2],
    [25, 997.05],
    [30, 995.65],
    [40, 992.22],
  ])('fresh at %s °C weighs %s kg/m³', (t, rho) => {
    expect(Math.abs(freshDensity(t) - rho)).toBeLessThan(0.006);
    expect(waterDensity({ temperature: t, salinity: 0 })).toBe(freshDensity(t));
  });

  // UNESCO technical papers in marine science 44 (1983), check values for EOS-80 at one atmosphere.
  it.each([
    [0, 5, 999.96675],
    [35, 5, 1027.67547],
    [35, 25, 1023.34306],
  ])('salinity %s at %s °C weighs %s kg/m³', (s, t, rho) => {
    expect(seaDensity(t, s)).toBeCloseTo(rho, 4);
    if (s > 0) expect(waterDensity({ temperature: t, salinity: s })).toBe(seaDensity(t, s));
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

  // ITTC 7.5-02-01-03 (2011), sea water of 35.16 g/kg: kinematic viscosity times density (from memory).
  it.each([
    [0, 1.9061],
    [10, 1.3971],
    [15, 1.22],
    [20, 1.0765],
    [25, 0.9586],
    [30, 0.8609],
  ])('sea water at %s °C is as thick as the towing tanks have it, %s mPa·s', (temperature, expected) => {
    const told = waterViscosity({ temperature, salinity: 35.16 }) * 1000;
    expect(Math.abs(told / expected - 1)).toBeLessThan(0.0006);
  });
});
