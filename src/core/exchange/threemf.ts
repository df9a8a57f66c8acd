import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import type { Mesh } from '../head/mesh.ts';
import { escapeXml } from './xml.ts';

const CORE = 'http://schemas.microsoft.com/3dmanufacturing/core/2015/02';
const TYPES = `<?xml version="1.0" encoding="UTF-8"?>
<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default Extension="model" ContentType="application/vnd.ms-package.3dmanufacturing-3dmodel+xml"/></Types>
`;
const RELATIONS = `<?xml version="1.0" encoding="UTF-8"?>
<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Target="/3D/3dmodel.model" Id="rel0" Type="http://schemas.microsoft.com/3dmanufacturing/2013/01/3dmodel"/></Relationships>
`;

/** A closed mesh as 3MF (3D Manufacturing Format core specification 1.x: a zip package with one XML model), in millimetres. */
export function writeThreeMf({ positions, triangles }: Mesh, title: string): Uint8Array {
  const out: string[] = [
    `<?xml version="1.0" encoding="UTF-8"?>`,
    `<model unit="millimeter" xml:lang="en" xmlns="${CORE}"><metadata name="Title">${escapeXml(title)}</metadata><metadata name="Application">Fern Anvil</metadata>`,
    `<resources><object id="1" type="model"><mesh><vertices>`,
  ];
  for (let i = 0; i < positions.length; i += 3)
    out.push(
      `<vertex x="${positions[i] as number}" y="${positions[i + 1] as number}" z="${positions[i + 2] as number}"/>`,
    );
  out.push('</vertices><triangles>');
  for (let i = 0; i < triangles.length; i += 3)
    out.push(
      `<triangle v1="${triangles[i] as number}" v2="${triangles[i + 1] as number}" v3="${triangles[i + 2] as number}"/>`,
    );
  out.push('</triangles></mesh></object></resources><build><item objectid="1"/></build></model>\n');
  return zipSync({
    '[Content_Types].xml': strToU8(TYPES),
    '_rels/.rels': strToU8(RELATIONS),
    '3D/3dmodel.model': strToU8(out.join('\n')),
  });
}

/** The mesh of a 3MF of one object. Throws with a sentence when there is none. */
export function readThreeMf(bytes: Uint8Array): Mesh {
  const files = unzipSync(bytes);
  const model = files['3D/3dmodel.model'];
  if (!model) throw new Error('This file is no 3MF: it has no model in it.');
  const text = strFromU8(model);
  const numbers = (pattern: RegExp) =>
    [...text.matchAll(pattern)].flatMap(([, a, b, c]) => [Number(a), Number(b), Number(c)]);
  const positions = Float64Array.from(numbers(/<vertex x="([^"]+)" y="([^"]+)" z="([^"]+)"\s*\/>/g));
  const triangles = Uint32Array.from(numbers(/<triangle v1="(\d+)" v2="(\d+)" v3="(\d+)"\s*\/>/g));
  if (triangles.length === 0) throw new Error('This 3MF holds no triangles.');
  return { positions, triangles };
}
