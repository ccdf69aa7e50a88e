import { defineConfig } from 'vite';

/** The page's pure functions as one module for Node. */
export default defineConfig({
  ssr: { noExternal: true },
  build: {
    ssr: 'src/answers.ts',
    target: 'node20',
    rollupOptions: { output: { entryFileNames: 'answers.mjs' } },
  },
});
