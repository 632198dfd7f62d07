import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vite';

const root = fileURLToPath(new URL('..', import.meta.url));

/** Bundles the bench for Node, as the server's code is bundled. */
export default defineConfig({
  root,
  resolve: { alias: { $lib: `${root}src/lib` } },
  build: {
    ssr: 'bench/run.ts',
    outDir: '.bench',
    emptyOutDir: true,
    minify: false,
    rolldownOptions: { external: ['better-sqlite3'], output: { entryFileNames: 'run.js' } },
  },
  logLevel: 'warn',
});
