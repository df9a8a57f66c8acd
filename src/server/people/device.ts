/** What browsers and systems call themselves, the more particular before what they also claim to be. */
const BROWSERS = [
  [/Firefox\//, 'Firefox'],
  [/Edg\w*\//, 'Edge'],
  [/OPR\//, 'Opera'],
  [/Chrom(?:e|ium)\//, 'Chromium'],
  [/Safari\//, 'Safari'],
] as const;
const SYSTEMS = [
  [/Android/, 'Android'],
  [/iPhone/, 'iPhone'],
  [/iPad/, 'iPad'],
  [/Windows/, 'Windows'],
  [/Mac OS X/, 'Mac'],
  [/CrOS/, 'ChromeOS'],
  [/Linux/, 'Linux'],
] as const;

/** What a device is called in a list, from its User-Agent: enough to know one's own phone by. */
export function deviceOf(agent: string): string {
  const of = (list: readonly (readonly [RegExp, string])[]) =>
    list.find(([pattern]) => pattern.test(agent))?.[1];
  const [browser, system] = [of(BROWSERS), of(SYSTEMS)];
  if (browser === undefined) return 'Another program';
  return system === undefined ? browser : `${browser} on ${system}`;
}
