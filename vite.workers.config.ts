/** The server's own workers, each one file beside the built server. */
import { defineConfig } from 'vite';

export default defineConfig({
  build: {
    ssr: 'src/lib/server/archive/reader.worker.ts',
    outDir: 'build/workers',
    rolldownOptions: { output: { entryFileNames: '[name].js' } }
  },
  publicDir: false
});
