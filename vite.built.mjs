/** How the application is put into files when it is built. */
import manifest from './package.json' with { type: 'json' };

/** Of some sixty pages; from fifteen on a page would bring along what it never uses. */
const EVERYWHERE = { name: 'everywhere', minShareCount: 25 };

/** The packages are in the built server, but for those that package.json names as `dependencies`: one file is read where hundreds were. @type {import('vite').Plugin} */
export const packagesWithin = {
  name: 'packages-within',
  apply: 'build',
  config: () => ({ ssr: { noExternal: true, external: Object.keys(manifest.dependencies) } })
};

/** What so many pages share comes in one file, so that a page asks for three in four of the files it asked for, and for fewer bytes. @type {import('vite').Plugin} */
export const sharedInOne = {
  name: 'shared-in-one',
  apply: 'build',
  config: ({ build }) =>
    // the server's own files are read from a disk
    build?.ssr ? {} : { build: { rolldownOptions: { output: { codeSplitting: { groups: [EVERYWHERE] } } } } }
};
