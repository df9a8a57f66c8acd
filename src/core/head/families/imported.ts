import type { Family, Given } from '../family.ts';
import { threeSizes } from '../family.ts';
import { envelopeProfile, importedSolid } from '../imported.ts';
import { EMPTY_SECTION } from '../profile.ts';

/** A closed solid brought in from outside. Its mass properties are those of its own mesh; its stations are only its envelope. */
export const imported: Family = {
  key: 'imported',
  name: 'Imported solid',
  group: 'own',
  purpose: 'A head modelled elsewhere, weighed, hooked and judged like any other.',
  badAt: 'Its shape cannot be changed here but for its three sizes.',
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
