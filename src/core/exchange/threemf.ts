import { float64At, numberAt, uint32At } from '../numeric/at.ts';
import { MM_PER_INCH } from '../quantity/units.ts';
import { XMLParser, XMLValidator } from 'fast-xml-parser';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import type { Mesh } from '../head/mesh.ts';
import { MOST_READ } from './limits.ts';
import { escapeXml } from './text.ts';

const CORE = 'http://schemas.microsoft.com/3dmanufacturing/core/2015/02';
const TYPES = `<?xml version="1.0" encoding="UTF-8"?>
<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default Extension="model" ContentType="application/vnd.ms-package.3dmanufacturing-3dmodel+xml"/></Types>
`;
const RELATIONS = `<?xml version="1.0" encoding="UTF-8"?>
<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Target="/3D/3dmodel.model" Id="rel0" Type="http://schemas.microsoft.com/3dmanufacturing/2013/01/3dmodel"/></Relationships>
`;

/**
 * A closed mesh as 3MF (3D Manufacturing Format core specification 1.x: a zip package with one XML model), in
 * millimetres.
 */
export function writeThreeMf({ positions, triangles }: Mesh, title: string): Uint8Array {
  const out: string[] = [
    `<?xml version="1.0" encoding="UTF-8"?>`,
    `<model unit="millimeter" xml:lang="en" xmlns="${CORE}"><metadata name="Title">${escapeXml(title)}</metadata><metadata name="Application">Fern Anvil</metadata>`,
    `<resources><object id="1" type="model"><mesh><vertices>`,
  ];
  for (let i = 0; i < positions.length; i += 3)
    out.push(
      `<vertex x="${float64At(positions, i)}" y="${float64At(positions, i + 1)}" z="${float64At(positions, i + 2)}"/>`,
    );
  out.push('</vertices><triangles>');
  for (let i = 0; i < triangles.length; i += 3)
    out.push(
      `<triangle v1="${uint32At(triangles, i)}" v2="${uint32At(triangles, i + 1)}" v3="${uint32At(triangles, i + 2)}"/>`,
    );
  out.push('</triangles></mesh></object></resources><build><item objectid="1"/></build></model>\n');
  const parts = {
    '[Content_Types].xml': strToU8(TYPES),
    '_rels/.rels': strToU8(RELATIONS),
    '3D/3dmodel.model': strToU8(out.join('\n')),
  };
  // One moment for all: the same solid gives the same bytes, whenever it is written.
  return zipSync(parts, { mtime: new Date(1980, 0, 1) });
}

/** Lengths a 3MF may be in (core specification 1.3, section 3.4), in mm. */
const UNITS: Readonly<Record<string, number>> = {
  micron: 0.001,
  millimeter: 1,
  centimeter: 10,
  inch: MM_PER_INCH,
  foot: 304.8,
  meter: 1000,
};

/**
 * Most bytes of the model that are unpacked, some three times those of the most facets read: a few kilobytes
 * of zip can hold gigabytes.
 */
const MOST_BYTES = 24e6;
/** Longest run of blanks that is taken for XML and not for padding. */
const PADDING = /\s{65536}/;
/** Most tags of the model: a corner or a facet is one. */
const MOST_TAGS = 4 * MOST_READ;
/** Most placed objects that are followed: they multiply where objects are made of objects. */
const MOST_PLACED = 10_000;
/** Objects made of objects are followed so deep; deeper, they run in a circle. */
const MOST_DEPTH = 16;

type Matrix = readonly number[];
const UNMOVED: Matrix = [1, 0, 0, 0, 1, 0, 0, 0, 1, 0, 0, 0];

interface Attributes {
  readonly [name: string]: string | undefined;
}
interface Placed {
  readonly objectid: string;
  readonly transform?: string;
  readonly path?: string;
}
interface XmlObject {
  readonly id: string;
  readonly mesh?: {
    readonly vertices?: { readonly vertex?: readonly Attributes[] };
    readonly triangles?: { readonly triangle?: readonly Attributes[] };
  };
  readonly components?: { readonly component?: readonly Placed[] };
}
interface XmlModel {
  readonly unit?: string;
  readonly resources?: { readonly object?: readonly XmlObject[] };
  readonly build?: { readonly item?: readonly Placed[] };
}

const parser = new XMLParser({
  ignoreAttributes: false,
  attributeNamePrefix: '',
  // Any prefix may stand for the core's namespace.
  removeNSPrefix: true,
  parseTagValue: false,
  isArray: (name) => ['vertex', 'triangle', 'object', 'item', 'component', 'Relationship'].includes(name),
});

/** One part of the package; undefined where it has none of that name. Nothing else is unpacked. */
function unpacked(bytes: Uint8Array, wanted: string): Uint8Array | undefined {
  let large = '';
  let files: Record<string, Uint8Array>;
  try {
    files = unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        if (name !== wanted || large) return false;
        if (originalSize > MOST_BYTES) large = name;
        return originalSize <= MOST_BYTES;
      },
    });
  } catch (cause) {
    throw new Error('This file is no 3MF, or it is cut short: it does not unpack. Save it again.', { cause });
  }
  if (large)
    throw new Error(
      `This 3MF is too large: ${large} is over ${MOST_BYTES / 1e6} MB unpacked. Export it coarser.`,
    );
  return files[wanted];
}

function parsed(text: string): Record<string, unknown> {
  if (PADDING.test(text))
    throw new Error('The model in this 3MF is padded with blanks, as no program writes it. Save it again.');
  let tags = 0;
  for (let at = text.indexOf('<'); at >= 0; at = text.indexOf('<', at + 1)) tags++;
  if (tags > MOST_TAGS)
    throw new Error(
      `The model in this 3MF holds ${tags} tags; at most ${MOST_TAGS} are read. Export it coarser.`,
    );
  const model = soundXml(text);
  if (!model) throw new Error('The model in this 3MF is no sound XML. Save it again.');
  return model;
}

/**
 * A text parsed; undefined where it is no sound XML. The validator passes some that the parser still stumbles
 * over.
 */
function soundXml(text: string): Record<string, unknown> | undefined {
  try {
    return XMLValidator.validate(text) === true ? (parser.parse(text) as Record<string, unknown>) : undefined;
  } catch {
    return undefined;
  }
}

/** Name in the package of the model that the root relationships point to. */
function modelName(bytes: Uint8Array): string {
  const relations = unpacked(bytes, '_rels/.rels');
  if (!relations) return '3D/3dmodel.model';
  const { Relationships } = parsed(strFromU8(relations)) as {
    Relationships?: { Relationship?: readonly Attributes[] };
  };
  const model = Relationships?.Relationship?.find(({ Type }) => Type?.endsWith('/3dmodel'));
  return (model?.['Target'] ?? '/3D/3dmodel.model').replace(/^\//, '');
}

/** The twelve numbers of a transform, rows first, the last row the shift. */
function matrixOf(text: string | undefined): Matrix {
  if (text === undefined) return UNMOVED;
  const numbers = text.trim().split(/\s+/).map(Number);
  if (numbers.length !== 12 || !numbers.every(Number.isFinite))
    throw new Error(`“${text}” in this 3MF is no transform: it needs twelve numbers. Save it again.`);
  return numbers;
}

/** First `a`, then `b`, both with points as rows. */
function then(a: Matrix, b: Matrix): Matrix {
  const at = (m: Matrix, row: number, column: number) => numberAt(m, 3 * row + column);
  return Array.from({ length: 12 }, (_, i) => {
    const [row, column] = [Math.floor(i / 3), i % 3];
    const sum = [0, 1, 2].reduce((total, k) => total + at(a, row, k) * at(b, k, column), 0);
    return row === 3 ? sum + at(b, 3, column) : sum;
  });
}

const determinant = ([a, b, c, d, e, f, g, h, i]: Matrix): number =>
  (a as number) * ((e as number) * (i as number) - (f as number) * (h as number)) -
  (b as number) * ((d as number) * (i as number) - (f as number) * (g as number)) +
  (c as number) * ((d as number) * (h as number) - (e as number) * (g as number));

/**
 * What a 3MF builds (3D Manufacturing Format core specification 1.3), as one mesh in mm: every item of its
 * build list where its transform puts it, objects made of objects taken apart, in the file's own unit. Throws
 * with a sentence when the package cannot be read, refers to what is not in it, or needs an extension that
 * keeps meshes elsewhere.
 */
export function readThreeMf(bytes: Uint8Array): Mesh {
  const file = unpacked(bytes, modelName(bytes));
  if (!file) throw new Error('This file is no 3MF: it has no model in it.');
  const { model } = parsed(strFromU8(file)) as { model?: XmlModel };
  const unit = model?.unit ?? 'millimeter';
  const scale = UNITS[unit];
  if (scale === undefined)
    throw new Error(`This 3MF is in “${unit}”, which is no unit of the format. Save it in millimetres.`);
  const objects = new Map((model?.resources?.object ?? []).map((object) => [object.id, object]));
  const positions: number[] = [];
  const triangles: number[] = [];

  let placed = 0;
  const addMesh = ({ vertices, triangles: facets }: NonNullable<XmlObject['mesh']>, move: Matrix) => {
    const first = positions.length / 3;
    const corners = vertices?.vertex ?? [];
    const facetsNow = triangles.length / 3 + (facets?.triangle?.length ?? 0);
    if (facetsNow > MOST_READ || first + corners.length > 3 * MOST_READ)
      throw new Error(`This 3MF builds over ${MOST_READ} facets. Export it coarser, or fewer pieces of it.`);
    for (const { x, y, z } of corners) {
      const [u, v, w] = [Number(x), Number(y), Number(z)];
      for (let k = 0; k < 3; k++) {
        const [a, b, c, d] = [move[k], move[3 + k], move[6 + k], move[9 + k]] as [
          number,
          number,
          number,
          number,
        ];
        positions.push(scale * (u * a + v * b + w * c + d));
      }
    }
    // A mirroring transform turns facets inside out; the format wants them turned back.
    const isMirrored = determinant(move) < 0;
    for (const { v1, v2, v3 } of facets?.triangle ?? []) {
      const three = [v1, v2, v3].map(Number);
      if (!three.every((index) => Number.isInteger(index) && index >= 0 && index < corners.length))
        throw new Error(
          `A triangle of this 3MF (${v1} ${v2} ${v3}) names a corner that is not there. Save it again.`,
        );
      if (isMirrored) three.reverse();
      triangles.push(...three.map((index) => first + index));
    }
  };
  const add = ({ objectid, transform, path }: Placed, outer: Matrix, depth: number): void => {
    const object = objects.get(objectid);
    if (path !== undefined || !object)
      throw new Error(
        `This 3MF keeps object ${objectid} in another part of the package. Save it as one plain 3MF, or as STL.`,
      );
    if (depth > MOST_DEPTH)
      throw new Error(`Object ${objectid} of this 3MF is made of itself. Save it again.`);
    if (++placed > MOST_PLACED)
      throw new Error(`This 3MF places over ${MOST_PLACED} objects. Save one head alone.`);
    const move = then(matrixOf(transform), outer);
    if (object.mesh) addMesh(object.mesh, move);
    for (const component of object.components?.component ?? []) add(component, move, depth + 1);
  };
  for (const item of model?.build?.item ?? []) add(item, UNMOVED, 0);
  if (triangles.length === 0) throw new Error('This 3MF builds nothing: its build list holds no triangles.');
  return { positions: Float64Array.from(positions), triangles: Uint32Array.from(triangles) };
}
