import { sveltekit } from '@sveltejs/kit/vite';
import { svelteTesting } from '@testing-library/svelte/vite';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  plugins: [sveltekit(), svelteTesting()],
  worker: { format: 'es' },
  // how long plugins took is no warning
  build: { rolldownOptions: { checks: { pluginTimings: false } } },
  test: {
    globalSetup: './tests/fixtures/run-folder.ts',
    // on two cores the default is one
    maxWorkers: '100%',
    projects: [
      {
        extends: true,
        test: {
          name: 'unit',
          testTimeout: 120_000,
          hookTimeout: 120_000,
          environment: 'node',
          include: ['src/**/*.test.ts', 'tests/docs/**/*.test.ts', 'tests/kills/**/*.test.ts'],
          exclude: ['src/**/*.svelte.test.ts']
        }
      },
      {
        extends: true,
        test: { name: 'dom', testTimeout: 60_000, environment: 'jsdom', include: ['src/**/*.svelte.test.ts'] }
      }
    ]
  }
});
