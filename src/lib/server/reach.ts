/**
 * Whether a link opens elsewhere than on this machine. A studio that listens on every address is known under that of the local network too;
 * one that listens here alone is reached by nobody else, and the link says so.
 */
import { networkInterfaces } from 'node:os';
import type { SharedLink } from '../schema/view';

const HERE = ['localhost', '127.0.0.1', '[::1]'];

/** IPv4 addresses of this machine in its networks, as a link has them. */
const ofNetworks = () =>
  Object.values(networkInterfaces())
    .flatMap((all) => all ?? [])
    .filter(
      ({ family, internal, address }) => family === 'IPv4' && !internal && !address.startsWith('169.254.')
    )
    .map(({ address }) => address);

/** `origin`: the address that was fixed when the studio was started; undefined where it answers on all. */
export function linkFor(
  asked: URL,
  path: string,
  origin: string | undefined = process.env.ORIGIN,
  networks: readonly string[] = ofNetworks()
): SharedLink {
  const address = `${asked.origin}${path}`;
  if (!HERE.includes(asked.hostname)) return { address, isHereOnly: false };
  const [network] = networks;
  if (origin !== undefined || network === undefined) return { address, isHereOnly: true };
  const elsewhere = new URL(asked.origin);
  elsewhere.hostname = network;
  return { address: `${elsewhere.origin}${path}`, isHereOnly: false };
}
