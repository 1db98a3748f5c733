/** On which device a ballot is written: one at a time. */
import type { BallotsView } from '$lib/schema/mock-view';

const PLACE = 'irvot-ballot-device';
type Taken = { readonly wasElsewhere: boolean; readonly view: BallotsView };

/** Also where a page came without https, which has no `randomUUID`. */
const newId = () =>
  Array.from(crypto.getRandomValues(new Uint8Array(16)), (byte) => byte.toString(16).padStart(2, '0')).join(
    ''
  );

/** The id of this device, or of this page alone where the browser keeps nothing. */
export function ballotDevice(): string {
  try {
    const device = localStorage.getItem(PLACE) ?? newId();
    localStorage.setItem(PLACE, device);
    return device;
  } catch {
    return newId();
  }
}

/** From now on it is written here; null without a line, or where it opens nothing any more. */
export const takeHere = (address: string, device: string): Promise<Taken | null> =>
  fetch(address, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ device })
  }).then(
    (answer) => (answer.ok ? (answer.json() as Promise<Taken>) : null),
    () => null
  );
