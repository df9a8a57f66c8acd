import react from '@vitejs/plugin-react';
import type { Plugin } from 'vite';
import { defineConfig } from 'vite';

/** Screens that work where there is no network. */
const OFFLINE_SCREENS = /\/screens\/trials\//;
/**
 * What they start that no import names: the worker that finds a head’s drag, and its solids; and the typeface
 * of most of the world’s tackle shops.
 */
const OFFLINE_FILES = /make\.worker|manifold-.*wasm|archivo-latin-(standard|wght).*woff2/;

/**
 * Writes offline.json: every built file that a day on the water needs, to be kept by the browser before the
 * network is gone.
 */
const offlineList = (): Plugin => ({
  name: 'offline-list',
  generateBundle(_, bundle) {
    const files = new Set<string>();
    const add = (name: string): void => {
      const chunk = bundle[name];
      if (chunk === undefined || files.has(name)) return;
      files.add(name);
      if (chunk.type !== 'chunk') return;
      for (const style of chunk.viteMetadata?.importedCss ?? []) files.add(style);
      chunk.imports.forEach(add);
    };
    for (const [name, chunk] of Object.entries(bundle)) {
      const isScreen = chunk.type === 'chunk' && chunk.moduleIds.some((id) => OFFLINE_SCREENS.test(id));
      if (isScreen || (chunk.type === 'chunk' && chunk.isEntry) || OFFLINE_FILES.test(name)) add(name);
      // What those screens load when it is first shown.
      if (isScreen) chunk.dynamicImports.forEach(add);
    }
    const source = JSON.stringify([...files].sort().map((name) => `/${name}`));
    this.emitFile({ type: 'asset', fileName: 'offline.json', source });
  },
});

/**
 * The typeface of the interface, asked for with the page itself and not only when its first text is laid out.
 */
const typefaceFirst = (): Plugin => ({
  name: 'typeface-first',
  transformIndexHtml: {
    order: 'post',
    handler: (_, { bundle = {} }) =>
      Object.keys(bundle)
        .filter((name) => /archivo-latin-standard.*woff2$/.test(name))
        .map((name) => ({
          tag: 'link',
          attrs: { rel: 'preload', href: `/${name}`, as: 'font', type: 'font/woff2', crossorigin: true },
          injectTo: 'head-prepend',
        })),
  },
});

export default defineConfig({
  root: 'src/web',
  plugins: [react(), offlineList(), typefaceFirst()],
  build: { outDir: '../../dist/web', emptyOutDir: true, target: 'es2022', manifest: true },
  worker: { format: 'es' },
});
