/** The server's own threads and processes, each one file beside the built server. */
import { defineConfig } from 'vite';
import { packagesWithin } from './vite.built.mjs';

export default defineConfig({
  plugins: [packagesWithin],
  build: {
    ssr: true,
    outDir: 'build/workers',
    rolldownOptions: {
      input: ['archive/reader', 'laying/laying', 'demo/seed'].map(
        (name) => `src/lib/server/${name}.worker.ts`
      ),
      output: { entryFileNames: '[name].js' }
    }
  },
  publicDir: false
});
