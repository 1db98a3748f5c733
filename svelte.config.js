import adapter from '@sveltejs/adapter-node';
import { vitePreprocess } from '@sveltejs/vite-plugin-svelte';

/** @type {import('@sveltejs/kit').Config} */
export default {
  preprocess: vitePreprocess(),
  compilerOptions: {
    runes: ({ filename }) => (filename.split(/[/\\]/).includes('node_modules') ? undefined : true)
  },
  kit: {
    adapter: adapter({ precompress: false }),
    // the form package's one adapter that is used; its own index brings a dozen libraries that are not
    alias: { $zod4: 'node_modules/sveltekit-superforms/dist/adapters/zod4' },
    // the empty page is served at every address where there is no line
    paths: { relative: false },
    // by state/device/program.ts, where the browser has what it needs
    serviceWorker: { register: false },
    csp: {
      mode: 'auto',
      directives: {
        'default-src': ['self'],
        'script-src': ['self'],
        'style-src': ['self', 'unsafe-inline'],
        'img-src': ['self', 'data:'],
        'object-src': ['none'],
        'base-uri': ['self'],
        'form-action': ['self'],
        'frame-ancestors': ['none']
      }
    }
  }
};
