import type { Operation } from '../src/contract/openapi/operations.ts';
import { OPERATIONS } from '../src/contract/openapi/operations.ts';

/** What a request brings along, in words. */
function bringsOf({ query, body, isGuarded, canCreate }: Operation): string {
  const fields = Object.keys((query?.['properties'] as object | undefined) ?? {});
  const sent =
    body === undefined
      ? ''
      : 'document' in body
        ? `a document of [${body.document}](formats.md)`
        : 'file' in body
          ? `a file, ${body.file}`
          : 'a small document, see openapi.json';
  return [
    ...(fields.length > 0 ? [`\`?${fields.join('&')}\``] : []),
    ...(sent === '' ? [] : [sent]),
    ...(isGuarded ? [canCreate ? '`If-Match`, or `If-None-Match: *`' : '`If-Match`'] : []),
  ].join(', ');
}

/** Returns docs/api.md: how the server is spoken to, with examples, and everything it can be asked for. */
export function apiPage(): string {
  const tags = [...new Set(OPERATIONS.map(({ tag }) => tag))];
  const sections = tags.map((tag) => {
    const rows = OPERATIONS.filter((operation) => operation.tag === tag).map(
      (operation) =>
        `| \`${operation.method.toUpperCase()} ${operation.path}\` | ${operation.summary} | ${bringsOf(operation)} | ${operation.status} |`,
    );
    return `## ${tag[0]?.toUpperCase() ?? ''}${tag.slice(1)}

| request | what it does | brings | answers |
| --- | --- | --- | --- |
${rows.join('\n')}
`;
  });
  return `# The server’s interface

Made from \`src/contract/openapi/\` by \`npm run docs\`; do not edit by hand.

Every address below stands under \`/api\` of a running program. The same is served as OpenAPI 3.1 at \`/api/openapi.json\`, with the schema of every
document. Quantities are in the units of [the documents](formats.md): millimetres, grams, degrees, metres, seconds.

A document that is read comes with its version as \`ETag\`. Whoever changes it names that version by \`If-Match\`: a save from an older one gets 412 and
changes nothing, one that names none gets 428. What is wrong with a request comes back as problem details (RFC 9457), field by field.

\`\`\`sh
# Heads, the first ten
curl 'http://127.0.0.1:4600/api/designs?limit=10'

# One head with its version, kept as a file; then saved again from that version
curl -D - 'http://127.0.0.1:4600/api/designs/ledge-ball-1-4' -o head.json
node -e "const h = require('./head.json'); console.log(JSON.stringify({ ...h.document, notes: 'Seen by a script' }))" > document.json
curl -X PUT -H 'Content-Type: application/json' -H 'If-Match: "v1"' --data @document.json \\
  'http://127.0.0.1:4600/api/designs/ledge-ball-1-4'

# A closed solid for a slicer
curl 'http://127.0.0.1:4600/api/designs/ledge-ball-1-4/export/stl' -o head.stl

# The shop’s heads as the table that Import reads
curl 'http://127.0.0.1:4600/api/heads.csv' -o heads.csv
\`\`\`

${sections.join('\n')}`;
}
