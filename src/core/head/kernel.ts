import type { ManifoldToplevel } from 'manifold-3d';

let loading: Promise<ManifoldToplevel> | undefined;
let loaded: ManifoldToplevel | undefined;

/**
 * Loads the solid library once; everything that joins or cuts solids needs it, and whoever evaluates designs
 * with features awaits it first. `wasm` is the address of its binary where the bundler moves it.
 */
export function loadSolids(wasm?: string): Promise<ManifoldToplevel> {
  loading ??= import('manifold-3d').then(async ({ default: Module }) => {
    const kernel = await Module(wasm === undefined ? undefined : { locateFile: () => wasm });
    kernel.setup();
    loaded = kernel;
    return kernel;
  });
  return loading;
}

/** The solid library. Throws when `loadSolids` was not awaited, which is a mistake of the program. */
export function solids(): ManifoldToplevel {
  if (!loaded) throw new Error('The solid library is not loaded yet: await loadSolids() first.');
  return loaded;
}
