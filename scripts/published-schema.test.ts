import { readFileSync, readdirSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { Type } from '@sinclair/typebox';
import { Ajv2020 } from 'ajv/dist/2020.js';
import { describe, expect, it } from 'vitest';
import { publishedSchema } from '../src/contract/published-schema.ts';

const root = fileURLToPath(new URL('..', import.meta.url));
const json = (path: string): unknown => JSON.parse(readFileSync(`${root}/${path}`, 'utf8'));
const published = readdirSync(`${root}/docs/schema`);

// The validator of another hand, by the published dialect and its meta-schema (JSON Schema, 2020-12), nothing
// unknown let through.
const validator = () =>
  new Ajv2020({ strict: true, strictTypes: false, allErrors: true, allowUnionTypes: true });

describe('a published schema', () => {
  it.each(published)('%s says its dialect and is valid in it', (file) => {
    const schema = json(`docs/schema/${file}`) as { $schema: string; title: string };
    expect(schema.$schema).toBe('https://json-schema.org/draft/2020-12/schema');
    expect(schema.title).toMatch(/^Fern Anvil .*, version \d$/);
    expect(validator().validateSchema(schema)).toBe(true);
    expect(() => validator().compile(schema)).not.toThrow();
  });

  it.each(['design', 'plastic', 'brief', 'hook', 'mould', 'batch', 'range', 'trial'])(
    'of a %s takes what the demo ships, and nothing that lacks its name',
    (name) => {
      const check = validator().compile(json(`docs/schema/${name}.schema.json`) as object);
      const plural = name === 'batch' ? 'batches' : `${name}s`;
      const shipped = json(`demo/${plural}.json`) as { document: Readonly<Record<string, unknown>> }[];
      for (const { document } of shipped) {
        expect(check(document), JSON.stringify(check.errors?.[0])).toBe(true);
        const { name: _name, ...nameless } = document;
        expect(check(nameless)).toBe(false);
      }
    },
  );
});

it('a tuple keeps its length and the order of what it holds', () => {
  const check = validator().compile(publishedSchema(Type.Tuple([Type.Number(), Type.String()]), 'pair'));
  expect([check([1, 'a']), check(['a', 1]), check([1, 'a', 2]), check([1])]).toEqual([
    true,
    false,
    false,
    false,
  ]);
});
