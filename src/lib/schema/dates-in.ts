/** Every date anywhere in a value of ours, by the names dates have there, each with its path. */
const DATE_KEYS = new Set([
  ...[
    'date',
    'until',
    'addedOn',
    'madeOn',
    'checkedOn',
    'consentOn',
    'sharingOn',
    'beganOn',
    'began',
    'uploadBy',
    'dueOn'
  ]
]);

export type DateAt = { readonly path: (string | number)[]; readonly date: string };

export function datesIn(value: unknown): DateAt[] {
  const found: DateAt[] = [];
  collect(value, [], false, found);
  return found;
}

/** `isDates`: whatever text stands here is a date, as those of ticks. */
function collect(value: unknown, path: (string | number)[], isDates: boolean, found: DateAt[]): void {
  if (typeof value !== 'object' || value === null) return;
  const entries = Array.isArray(value) ? value.entries() : Object.entries(value);
  for (const [key, part] of entries) {
    if (typeof part !== 'string') collect(part, [...path, key], key === 'ticks', found);
    else if (isDates || DATE_KEYS.has(String(key))) found.push({ path: [...path, key], date: part });
  }
}
