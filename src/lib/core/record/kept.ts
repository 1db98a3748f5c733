/** A record as it is read: nobody changes one in place. */
export type Kept<T> = T extends readonly (infer Item)[]
  ? readonly Kept<Item>[]
  : T extends object
    ? { readonly [K in keyof T]: Kept<T[K]> }
    : T;
