/** Bars from and to, both included. */
export type BarRange = { readonly fromBar: number; readonly toBar: number };

export const sayBars = ({ fromBar, toBar }: BarRange): string =>
  fromBar === toBar ? `bar ${fromBar}` : `bars ${fromBar}–${toBar}`;
/** Whether bars lie in others. */
export const isInside = (inner: BarRange, outer: BarRange): boolean =>
  inner.fromBar >= outer.fromBar && inner.toBar <= outer.toBar;
export const isSameBars = (a: BarRange | null, b: BarRange | null): boolean =>
  a?.fromBar === b?.fromBar && a?.toBar === b?.toBar;
