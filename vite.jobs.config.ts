import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vite';

const at = (path: string) => fileURLToPath(new URL(path, import.meta.url));

/** The thread that computes what takes long, beside the built application. */
export default defineConfig({
  publicDir: false,
  resolve: { alias: { $lib: at('src/lib'), $demo: at('src/demo') } },
  build: {
    ssr: at('src/lib/server/jobs/worker.ts'),
    outDir: 'build/jobs',
    target: 'node20',
    rolldownOptions: { output: { entryFileNames: 'worker.js' } },
  },
});
