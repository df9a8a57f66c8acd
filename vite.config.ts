import { createHash } from 'node:crypto';
import react from '@vitejs/plugin-react';
import { build } from 'esbuild';
import type { Plugin, Rolldown } from 'vite';
import { defineConfig } from 'vite';

/** Screens that work where there is no network. */
const OFFLINE_SCREENS = /\/screens\/trials\//;
/**
 * What they start that no import names: the worker that finds a head’s drag, and its solids; and the typeface
 * of most of the world’s tackle shops.
 */
const OFFLINE_FILES = /make\.worker|manifold-.*wasm|archivo-latin-(standard|wght).*woff2/;
/** The worker that keeps them at hand: a file of its own beside the page, whose folder is its scope. */
const SERVICE_WORKER = 'src/web/workers/trials.service-worker.ts';

type Bundle = Rolldown.OutputBundle;

/** Built files that a day on the water needs. */
function offlineFiles(bundle: Bundle): string[] {
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
  return [...files].sort();
}

/**
 * Builds the service worker with the list of those files, each named by its content, and of the page, which
 * is named by a hash.
 */
const offlineWorker = (): Plugin => ({
  name: 'offline-worker',
  generateBundle: {
    // After the page itself is written.
    order: 'post',
    async handler(_, bundle) {
      const page = bundle['index.html'];
      if (page?.type !== 'asset') this.error('The page was not there when the service worker was built.');
      const revision = createHash('sha256').update(page.source).digest('hex');
      const files = offlineFiles(bundle).map((name) => ({ url: `/${name}`, revision: null }));
      const { outputFiles } = await build({
        entryPoints: [SERVICE_WORKER],
        bundle: true,
        minify: true,
        write: false,
        format: 'iife',
        target: 'es2022',
        define: {
          'process.env.NODE_ENV': '"production"',
          'self.__WB_MANIFEST': JSON.stringify([{ url: '/index.html', revision }, ...files]),
        },
      });
      const [{ text: source } = { text: '' }] = outputFiles;
      this.emitFile({ type: 'asset', fileName: 'trials-worker.js', source });
    },
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
  plugins: [react(), offlineWorker(), typefaceFirst()],
  build: { outDir: '../../dist/web', emptyOutDir: true, target: 'es2022', manifest: true },
  worker: { format: 'es' },
});
