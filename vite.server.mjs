/** What of the packages goes into the built server: all but what the machine it runs on decides, which `dependencies` of package.json names. */
import manifest from './package.json' with { type: 'json' };

/** One file is read where hundreds were: a studio starts in half the time. @type {import('vite').Plugin} */
export const packagesWithin = {
  name: 'packages-within',
  apply: 'build',
  config: () => ({ ssr: { noExternal: true, external: Object.keys(manifest.dependencies) } })
};
