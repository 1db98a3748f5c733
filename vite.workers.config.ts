/** The server's own threads, each one file beside the built server. */
import { defineConfig } from 'vite';

export default defineConfig({
  build: {
    ssr: true,
    outDir: 'build/workers',
    rolldownOptions: {
      input: ['src/lib/server/archive/reader.worker.ts', 'src/lib/server/laying/laying.worker.ts'],
      output: { entryFileNames: '[name].js' }
    }
  },
  publicDir: false
});
