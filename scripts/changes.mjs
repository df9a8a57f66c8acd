// What npm run constants changes of a source file: its numbers, and the terms of its sums and products.
import { relative } from 'node:path';
import ts from 'typescript';
import { root } from './ensure.mjs';

/** Fields that say how a thing is shown, or named, and not what is computed. */
const SHOWN = new Set(['decimals', 'digits', 'step', 'maxLength', 'maxItems', 'minLength', 'version']);
const { PlusToken, MinusToken, AsteriskToken, SlashToken, AsteriskAsteriskToken } = ts.SyntaxKind;
const SUMS = new Set([PlusToken, MinusToken]);
const PRODUCTS = new Set([AsteriskToken, SlashToken, AsteriskAsteriskToken]);

const bare = (node) => (ts.isParenthesizedExpression(node) ? bare(node.expression) : node);
const isOf = (operators, node) =>
  ts.isBinaryExpression(bare(node)) && operators.has(bare(node).operatorToken.kind);
const isNumber = (node) => ts.isNumericLiteral(bare(node));

/**
 * The parts of files that are changed, each with its place, what it says and its kind; numbered in the order
 * they stand.
 */
export function changesIn(files) {
  const { options } = ts.parseJsonConfigFileContent(
    ts.readConfigFile(`${root}/tsconfig.json`, ts.sys.readFile).config,
    ts.sys,
    root,
  );
  const program = ts.createProgram(files, { ...options, noEmit: true });
  const checker = program.getTypeChecker();
  const counts = (node) => (checker.getTypeAtLocation(node).flags & ts.TypeFlags.NumberLike) !== 0;
  const found = [];
  for (const file of files) {
    const source = program.getSourceFile(file);
    const add = (node, kind, put) =>
      found.push({
        id: found.length,
        kind,
        file: relative(root, file),
        from: node.getStart(),
        to: node.getEnd(),
        put,
        line: source.getLineAndCharacterOfPosition(node.getStart()).line + 1,
        was: node.getText().replace(/\s+/g, ' '),
      });
    const visit = (node) => {
      if (ts.isTypeNode(node) || ts.isImportDeclaration(node)) return;
      if (ts.isPropertyAssignment(node) && SHOWN.has(node.name.getText())) return;
      // Indices and the counting of loops are structure.
      if (ts.isElementAccessExpression(node)) return visit(node.expression);
      if (ts.isForStatement(node)) return visit(node.statement);
      if (ts.isPropertyAssignment(node)) return visit(node.initializer);
      if (ts.isNumericLiteral(node)) {
        // None of 0, 1 and 2, which are mostly structure; and a count stays a count.
        const [value, changed] = [Number(node.text), Number(node.text) * 1.1];
        if (![0, 1, 2].includes(value))
          add(node, 'number', /^\d+$/.test(node.text) ? Math.max(Math.round(changed), value + 1) : changed);
        return;
      }
      if (ts.isBinaryExpression(node) && counts(node)) {
        if (isOf(SUMS, node))
          for (const side of [node.left, node.right])
            if (!isOf(SUMS, side) && !isNumber(side)) add(side, 'term', undefined);
        if (isOf(PRODUCTS, node)) {
          let above = node.parent;
          while (ts.isParenthesizedExpression(above)) above = above.parent;
          if (!isOf(PRODUCTS, above) && !isOf(SUMS, above)) add(node, 'term', undefined);
        }
      }
      ts.forEachChild(node, visit);
    };
    visit(source);
  }
  return found;
}

/** A file's text in which each of its changes is asked for by its number as it is reckoned. */
export function askedFor(text, changes) {
  const marks = changes.flatMap(({ id, from, to, put }) => [
    { at: from, size: to - from, open: true, put: `$changed(${id}, ` },
    { at: to, size: to - from, open: false, put: `, ${put})` },
  ]);
  // From the back, so that places stay; of two that begin together the longer is the outer one.
  marks.sort(
    (a, b) =>
      b.at - a.at || (a.open === b.open ? (a.open ? a.size - b.size : b.size - a.size) : a.open ? -1 : 1),
  );
  return marks.reduce((now, { at, put }) => now.slice(0, at) + put + now.slice(at), text);
}
