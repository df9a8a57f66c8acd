import { BufferGeometry, Float32BufferAttribute, Mesh as Object3D, Uint32BufferAttribute } from 'three';
import { STLExporter } from 'three/examples/jsm/exporters/STLExporter.js';
import type { Mesh } from '../head/mesh.ts';

const HEADER = 80;
const FACET = 50;

/**
 * A mesh as binary STL (the format of the 1988 stereolithography interface: 80-byte header, facet count, then
 * per facet a normal, three corners and two spare bytes, little-endian floats). Coordinates go out as they
 * are: mm.
 */
export function writeStl({ positions, triangles }: Mesh, title: string): Uint8Array {
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new Float32BufferAttribute(positions, 3));
  geometry.setIndex(new Uint32BufferAttribute(triangles, 1));
  const { buffer, byteLength } = new STLExporter().parse(new Object3D(geometry), { binary: true });
  const bytes = new Uint8Array(buffer, 0, byteLength);
  // A header that begins with "solid" would be taken for the text form.
  const header = `fern anvil, mm: ${title}`.replace(/[^\x20-\x7e]/g, '?').slice(0, HEADER);
  bytes.set(new TextEncoder().encode(header));
  return bytes;
}

/** Gathers corners, one for each place. */
function gather() {
  const positions: number[] = [];
  const known = new Map<string, number>();
  return {
    positions,
    add: (x: number, y: number, z: number): number => {
      const key = `${x} ${y} ${z}`;
      let index = known.get(key);
      if (index === undefined) {
        index = positions.length / 3;
        known.set(key, index);
        positions.push(x, y, z);
      }
      return index;
    },
  };
}

/** A text STL (`solid … facet … vertex …`) as a mesh. */
function readTextStl(text: string): Mesh {
  const { positions, add } = gather();
  const triangles: number[] = [];
  for (const [, x, y, z] of text.matchAll(/vertex\s+(\S+)\s+(\S+)\s+(\S+)/gi)) {
    const point = [Number(x), Number(y), Number(z)] as const;
    if (!point.every((value) => Number.isFinite(value)))
      throw new Error(`“${x} ${y} ${z}” is not a corner: it needs three numbers. Export the STL again.`);
    triangles.push(add(...point));
  }
  if (triangles.length === 0 || triangles.length % 3 !== 0)
    throw new Error('This text is no STL, or it is cut short: corners do not come in threes.');
  return { positions: Float64Array.from(positions), triangles: Uint32Array.from(triangles) };
}

/**
 * An STL, binary or text, as a mesh, corners at the same place joined. Throws with a sentence when the bytes
 * are neither.
 */
export function readStl(bytes: Uint8Array): Mesh {
  const start = new TextDecoder().decode(bytes.subarray(0, 512));
  if (/^\s*solid\b/i.test(start) && /facet|endsolid/i.test(start))
    return readTextStl(new TextDecoder().decode(bytes));
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  if (bytes.length < HEADER + 4) throw new Error('This file is too short to be an STL.');
  const count = view.getUint32(HEADER, true);
  if (bytes.length !== HEADER + 4 + count * FACET) {
    throw new Error(
      `This file says it holds ${count} facets, but its length does not agree. Save it as binary STL again.`,
    );
  }
  const { positions, add } = gather();
  const triangles = new Uint32Array(count * 3);
  for (let i = 0; i < count; i++) {
    for (let k = 0; k < 3; k++) {
      const at = HEADER + 4 + i * FACET + 12 + 12 * k;
      triangles[3 * i + k] = add(
        view.getFloat32(at, true),
        view.getFloat32(at + 4, true),
        view.getFloat32(at + 8, true),
      );
    }
  }
  return { positions: Float64Array.from(positions), triangles };
}
