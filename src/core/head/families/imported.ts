import type { Dimensions, Family, Given } from '../family.ts';
import { threeSizes } from '../family.ts';
import { envelopeProfile, importedSolid, solidFlaw, stretchedMesh } from '../imported.ts';
import type { Mesh } from '../mesh.ts';
import { EMPTY_SECTION } from '../profile.ts';

let last: { readonly key: unknown; readonly sizes: string; readonly mesh: Mesh } | undefined;

/** The mesh at its present size; the last one is kept, since every part of an evaluation asks for it. */
function presentMesh(dimensions: Readonly<Record<string, number>>, { solid }: Given): Mesh | undefined {
  const unpacked = solid && importedSolid(solid);
  if (!unpacked) return undefined;
  const sizes = `${dimensions['length']}.${dimensions['breadth']}.${dimensions['height']}`;
  if (last?.key === unpacked && last.sizes === sizes) return last.mesh;
  const mesh = stretchedMesh(unpacked, dimensions);
  last = { key: unpacked, sizes, mesh };
  return mesh;
}

/**
 * A closed solid imported from a file. Its mass properties are those of its own mesh; its stations are only
 * its envelope.
 */
export const imported: Family = {
  key: 'imported',
  name: 'Imported solid',
  group: 'own',
  purpose: 'A head modelled elsewhere, weighed, hooked and judged like any other.',
  badAt: 'Its shape cannot be changed here but for its three sizes.',
  fromFile: true,
  own: ({ solid }): Dimensions => {
    const read = solid && importedSolid(solid);
    return read ? { length: read.length, breadth: read.breadth, height: read.height } : {};
  },
  mesh: presentMesh,
  check: ({ solid, features = {} }) => {
    if (!solid) {
      return [
        {
          field: 'solid',
          message:
            'Solid: an imported head needs its solid. Import one from an STL file, or choose another family.',
        },
      ];
    }
    const flaw = solidFlaw(solid);
    if (flaw) return [{ field: 'solid', message: `Solid: ${flaw}` }];
    const [named] = Object.keys(features);
    if (named === undefined) return [];
    return [
      {
        field: `features/${named}`,
        message:
          'Features: an imported solid is taken as it is. Model the cut where the solid comes from, ' +
          'or draw the head here as an own profile.',
      },
    ];
  },
  dimensions: threeSizes([1, 15, 200], [1, 10, 150], [1, 10, 150]),
  profile: (dimensions, { solid }: Given = {}) => {
    const unpacked = solid && importedSolid(solid);
    if (!unpacked)
      return {
        length: dimensions['length'] ?? 0,
        breaks: [0, dimensions['length'] ?? 0],
        section: () => EMPTY_SECTION,
      };
    return envelopeProfile(unpacked, dimensions);
  },
};
