import { sveltekit } from '@sveltejs/kit/vite';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  plugins: [tailwindcss(), sveltekit()],
  worker: { format: 'es' },
  build: {
    rolldownOptions: {
      treeshake: {
        // Without this one button brings all of the component library.
        moduleSideEffects: [{ test: /flowbite-svelte\/dist\/(?!.*type=style)/, sideEffects: false }],
      },
    },
  },
  test: {
    include: ['src/**/*.test.ts', 'scripts/**/*.test.ts'],
    environment: 'node',
    // Modules are loaded once a thread: what they hold beside rows is cached by identity, and no test leaves anything behind.
    pool: 'threads',
    isolate: false,
    // What hangs is found all the same; a busy machine is no fault of a test.
    testTimeout: 30_000,
  },
});
