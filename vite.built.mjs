/** How the application is put into files when it is built. */
import manifest from './package.json' with { type: 'json' };

/** Of some sixty pages; from fifteen on a page would bring along what it never uses. */
const EVERYWHERE = { name: 'everywhere', minShareCount: 25 };

/** The packages are in the built server, but for those that package.json names as `dependencies`: a start reads few files. @type {import('vite').Plugin} */
export const packagesWithin = {
  name: 'packages-within',
  apply: 'build',
  config: () => ({ ssr: { noExternal: true, external: Object.keys(manifest.dependencies) } })
};

/** What so many pages share comes in one file: a page asks for fewer, and packed together they are smaller. @type {import('vite').Plugin} */
export const sharedInOne = {
  name: 'shared-in-one',
  apply: 'build',
  config: ({ build }) =>
    // the server's own files are read from a disk
    build?.ssr ? {} : { build: { rolldownOptions: { output: { codeSplitting: { groups: [EVERYWHERE] } } } } }
};
