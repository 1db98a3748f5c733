import { sveltekit } from '@sveltejs/kit/vite';
import { svelteTesting } from '@testing-library/svelte/vite';
import { defineConfig } from 'vitest/config';
import { BaseSequencer, type TestSpecification } from 'vitest/node';
import { packagesWithin, sharedInOne } from './vite.built.mjs';

/** What is known to take longest begins first, so that no worker waits for it at the end. */
class LongestFirst extends BaseSequencer {
  override async sort(files: TestSpecification[]) {
    const isLong = (file: TestSpecification) =>
      Number(/kills|every-season|solver|remedy|demo\/seed|vandal/.test(file.moduleId));
    return (await super.sort(files)).sort((a, b) => isLong(b) - isLong(a));
  }
}

export default defineConfig({
  plugins: [sveltekit(), packagesWithin, sharedInOne],
  worker: { format: 'es' },
  // how long plugins took is no warning; what packages say of themselves to their readers is not built
  build: { rolldownOptions: { checks: { pluginTimings: false }, output: { comments: { jsdoc: false } } } },
  test: {
    globalSetup: './tests/fixtures/run-folder.ts',
    // on two cores the default is one
    maxWorkers: '100%',
    sequence: { sequencer: LongestFirst },
    projects: [
      {
        extends: true,
        test: {
          name: 'unit',
          // tests of this project leave nothing behind in the modules they share
          isolate: false,
          testTimeout: 120_000,
          hookTimeout: 120_000,
          environment: 'node',
          include: [
            'src/**/*.test.ts',
            'tests/docs/**/*.test.ts',
            'tests/kills/**/*.test.ts',
            'tests/network/**/*.test.ts'
          ],
          exclude: ['src/**/*.svelte.test.ts']
        }
      },
      {
        extends: true,
        plugins: [svelteTesting()],
        test: {
          name: 'dom',
          setupFiles: './tests/fixtures/patience.ts',
          // as above: what is rendered is taken away after each test
          isolate: false,
          testTimeout: 60_000,
          environment: 'jsdom',
          include: ['src/**/*.svelte.test.ts']
        }
      }
    ]
  }
});
