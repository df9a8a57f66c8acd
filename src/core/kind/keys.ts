// Objects by their keys, with the keys' own type: the language's functions give back plain text.

/** The keys of an object that has these and no others, in their order. */
export const keysOf = <K extends string>(of: Readonly<Record<K, unknown>>): readonly K[] =>
  Object.keys(of) as K[];

/** Whether a text is one of an object's own keys. */
export const isKeyOf = <K extends string>(of: Readonly<Record<K, unknown>>, text: string): text is K =>
  Object.hasOwn(of, text);

/** An object with a value under each of some keys. */
export const recordOf = <K extends string, V>(keys: readonly K[], make: (key: K) => V): Record<K, V> =>
  Object.fromEntries(keys.map((key) => [key, make(key)])) as Record<K, V>;

/** Whether something is an object whose fields can be read. */
export const isObject = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null;
