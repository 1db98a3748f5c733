/** What is read from a long list once, and asked for often: kept for as long as the list is, and read anew when it has grown. */
export function perList<One, Read>(read: (list: readonly One[]) => Read): (list: readonly One[]) => Read {
  const kept = new WeakMap<readonly One[], { readonly length: number; readonly read: Read }>();
  return (list) => {
    const known = kept.get(list);
    if (known?.length === list.length) return known.read;
    const fresh = { length: list.length, read: read(list) };
    kept.set(list, fresh);
    return fresh.read;
  };
}
