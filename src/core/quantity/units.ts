/**
 * The kinds of quantity a person types or reads, the unit each is stored in, and the units it may be typed
 * in. Stored units are fixed (mm, g, s, °C and so on); display units are chosen by the reader and never touch
 * storage.
 */

/** Which family of units the reader looks at. */
export type UnitSystem = 'imperial' | 'metric';

/** A kind of quantity: which units it is shown and stored in. */
export type QuantityKind =
  | 'mass' // stored in g
  | 'size' // a dimension of a head, hook or plastic, stored in mm
  | 'depth' // water depth, stored in m
  | 'speed' // stored in m/s
  | 'temperature' // stored in °C
  | 'lineTest' // breaking strain of line, stored in kg
  | 'force' // stored in gram-force
  | 'pull' // what a line or hook takes, stored in N
  | 'area' // stored in mm²
  | 'volume' // stored in mm³
  | 'density' // stored in g/cm³
  | 'angle' // stored in degrees
  | 'time' // stored in s
  | 'share' // 0..1, shown in per cent
  | 'money' // in the shop's own money, whichever it is
  | 'count'
  | 'number';

/** A unit: how it is shown, typed and stored. */
export interface UnitDefinition {
  /** What the unit is called when shown. */
  readonly label: string;
  /** Everything a person may type for it, lower case, without dots. */
  readonly spellings: readonly string[];
  readonly toStored: (value: number) => number;
  readonly fromStored: (value: number) => number;
}

const scaled = (label: string, spellings: readonly string[], factor: number): UnitDefinition => ({
  label,
  spellings,
  toStored: (value) => value * factor,
  fromStored: (value) => value / factor,
});

/** Standard gravity, m/s² (CGPM 1901). */
export const GRAVITY = 9.80665;
/** Grams in one avoirdupois ounce: exact by the international yard and pound agreement of 1959. */
export const GRAMS_PER_OUNCE = 28.349523125;
/** Kilograms in one avoirdupois pound: exact, same agreement. */
export const KILOGRAMS_PER_POUND = 0.45359237;
/** Millimetres in one inch: exact, same agreement. */
export const MM_PER_INCH = 25.4;
/** Metres in one foot: exact, same agreement. */
export const METRES_PER_FOOT = 0.3048;

const inchSpellings = ['in', 'inch', 'inches', '"', '”', '″'];
const footSpellings = ['ft', 'foot', 'feet', "'", '’', '′'];

/** Units by kind; the first `imperial` and first `metric` name below is what that system shows. */
export const UNITS: Readonly<Record<QuantityKind, Readonly<Record<string, UnitDefinition>>>> = {
  mass: {
    oz: scaled('oz', ['oz', 'ounce', 'ounces'], GRAMS_PER_OUNCE),
    g: scaled('g', ['g', 'gram', 'grams', 'gramme', 'grammes'], 1),
    lb: scaled('lb', ['lb', 'lbs', 'pound', 'pounds'], KILOGRAMS_PER_POUND * 1000),
    kg: scaled('kg', ['kg'], 1000),
  },
  size: {
    in: scaled('in', inchSpellings, MM_PER_INCH),
    mm: scaled('mm', ['mm', 'millimetre', 'millimetres', 'millimeter', 'millimeters'], 1),
    cm: scaled('cm', ['cm'], 10),
    ft: scaled('ft', footSpellings, METRES_PER_FOOT * 1000),
  },
  depth: {
    ft: scaled('ft', footSpellings, METRES_PER_FOOT),
    m: scaled('m', ['m', 'metre', 'metres', 'meter', 'meters'], 1),
    in: scaled('in', inchSpellings, MM_PER_INCH / 1000),
    cm: scaled('cm', ['cm'], 0.01),
  },
  speed: {
    'ft/s': scaled('ft/s', ['ft/s', 'fps', 'ft/sec'], METRES_PER_FOOT),
    'm/s': scaled('m/s', ['m/s', 'mps', 'm/sec'], 1),
    'cm/s': scaled('cm/s', ['cm/s'], 0.01),
    mph: scaled('mph', ['mph'], (METRES_PER_FOOT * 5280) / 3600),
    'km/h': scaled('km/h', ['km/h', 'kmh', 'kph'], 1 / 3.6),
    kn: scaled('kn', ['kn', 'kt', 'knot', 'knots'], 1852 / 3600),
  },
  temperature: {
    '°F': {
      label: '°F',
      spellings: ['°f', 'f', 'degf'],
      toStored: (value) => ((value - 32) * 5) / 9,
      fromStored: (value) => (value * 9) / 5 + 32,
    },
    '°C': scaled('°C', ['°c', 'c', 'degc'], 1),
  },
  lineTest: {
    lb: scaled('lb', ['lb', 'lbs', '#', 'pound', 'pounds'], KILOGRAMS_PER_POUND),
    kg: scaled('kg', ['kg'], 1),
  },
  force: {
    ozf: scaled('ozf', ['ozf', 'oz'], GRAMS_PER_OUNCE),
    gf: scaled('gf', ['gf', 'g'], 1),
    N: scaled('N', ['n'], 1000 / GRAVITY),
  },
  pull: {
    lbf: scaled('lbf', ['lbf', 'lb', 'lbs'], 4.4482216152605),
    N: scaled('N', ['n', 'newton', 'newtons'], 1),
    kgf: scaled('kgf', ['kgf', 'kg'], GRAVITY),
  },
  area: {
    'in²': scaled('in²', ['in²', 'in2', 'sq in'], MM_PER_INCH ** 2),
    'mm²': scaled('mm²', ['mm²', 'mm2'], 1),
    'cm²': scaled('cm²', ['cm²', 'cm2'], 100),
  },
  volume: {
    'in³': scaled('in³', ['in³', 'in3', 'cu in'], MM_PER_INCH ** 3),
    'mm³': scaled('mm³', ['mm³', 'mm3'], 1),
    'cm³': scaled('cm³', ['cm³', 'cm3', 'cc', 'ml'], 1000),
  },
  density: { 'g/cm³': scaled('g/cm³', ['g/cm³', 'g/cm3', 'g/cc'], 1) },
  angle: { '°': scaled('°', ['°', 'deg', 'degree', 'degrees'], 1) },
  time: { s: scaled('s', ['s', 'sec', 'second', 'seconds'], 1), min: scaled('min', ['min'], 60) },
  share: {
    '%': scaled('%', ['%', 'percent', 'per cent'], 0.01),
  },
  money: { '': scaled('', [''], 1) },
  count: { '': scaled('', [''], 1) },
  number: { '': scaled('', [''], 1) },
};

const SHOWN: Readonly<Record<QuantityKind, Readonly<Record<UnitSystem, string>>>> = {
  mass: { imperial: 'oz', metric: 'g' },
  size: { imperial: 'in', metric: 'mm' },
  depth: { imperial: 'ft', metric: 'm' },
  speed: { imperial: 'ft/s', metric: 'm/s' },
  temperature: { imperial: '°F', metric: '°C' },
  lineTest: { imperial: 'lb', metric: 'kg' },
  force: { imperial: 'ozf', metric: 'gf' },
  pull: { imperial: 'lbf', metric: 'N' },
  area: { imperial: 'in²', metric: 'mm²' },
  volume: { imperial: 'in³', metric: 'mm³' },
  density: { imperial: 'g/cm³', metric: 'g/cm³' },
  angle: { imperial: '°', metric: '°' },
  time: { imperial: 's', metric: 's' },
  share: { imperial: '%', metric: '%' },
  money: { imperial: '', metric: '' },
  count: { imperial: '', metric: '' },
  number: { imperial: '', metric: '' },
};

/** The unit a reading of this kind is shown in, under the reader's chosen system. */
export function shownUnit(kind: QuantityKind, system: UnitSystem): UnitDefinition {
  const definition = UNITS[kind][SHOWN[kind][system]];
  if (!definition) throw new Error(`No ${system} unit is defined for ${kind}.`);
  return definition;
}

/** The unit that was typed, or undefined when the kind has none of that spelling. */
export function unitSpelled(kind: QuantityKind, spelling: string): UnitDefinition | undefined {
  const wanted = spelling.trim().toLowerCase().replace(/\.$/, '');
  return Object.values(UNITS[kind]).find((unit) => unit.spellings.includes(wanted));
}
