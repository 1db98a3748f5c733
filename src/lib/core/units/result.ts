/** An expected outcome: the value, or the faults that stand in its way, each at a path a reader can find. */
export type Fault = { readonly path: string; readonly says: string };
export type Result<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly faults: readonly Fault[] };
