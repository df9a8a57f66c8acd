import { readdirSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import ts from 'typescript';
import { expect, it } from 'vitest';

const source = fileURLToPath(new URL('../src', import.meta.url));

/** Source files that ship, as paths below src. */
const files = readdirSync(source, { recursive: true, encoding: 'utf8' }).filter(
  (name) => /\.tsx?$/.test(name) && !/\.test|test-kit|test-setup|\.d\.ts$/.test(name),
);

/** Exported names of a file that no docstring stands over. */
function bare(name: string): string[] {
  const text = readFileSync(`${source}/${name}`, 'utf8');
  const file = ts.createSourceFile(name, text, ts.ScriptTarget.Latest, true);
  return file.statements.flatMap((statement) => {
    const isExported =
      ts.canHaveModifiers(statement) &&
      ts.getModifiers(statement)?.some(({ kind }) => kind === ts.SyntaxKind.ExportKeyword);
    if (!isExported || ts.getJSDocCommentsAndTags(statement).length > 0) return [];
    const line = file.getLineAndCharacterOfPosition(statement.getStart()).line + 1;
    return [`${name}:${line} ${statement.getText().slice(0, 60)}`];
  });
}

it('every exported name has a docstring', () => {
  expect(files.length).toBeGreaterThan(400);
  expect(files.flatMap(bare)).toEqual([]);
});
