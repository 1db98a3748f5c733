/** Where a machine is found in its house. */
import { isIPv4 } from 'node:net';

/**
 * Names and IPv4 addresses under which a machine is asked in its house.
 * @param {string} host its name
 * @param {NodeJS.Dict<import('node:os').NetworkInterfaceInfo[]>} interfaces as the machine says them
 */
export function placesOf(host, interfaces) {
  const name = host.toLowerCase();
  const names = ['localhost', name, `${name.split('.')[0]}.local`].filter((one) =>
    /^[a-z0-9]([a-z0-9-]*[a-z0-9])?(\.[a-z0-9]([a-z0-9-]*[a-z0-9])?)*$/.test(one)
  );
  const addresses = Object.values(interfaces)
    .flatMap((all) => all ?? [])
    .map(({ address }) => address)
    .filter((address) => isIPv4(address));
  return { names: [...new Set(names)], addresses: [...new Set(['127.0.0.1', ...addresses])] };
}
