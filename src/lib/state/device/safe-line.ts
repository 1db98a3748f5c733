/** Browsers keep, record and play little of a page that came over plain http from another machine: what is missing then, and how it is had. */
export const hasSafeLine = (): boolean => isSecureContext;

export const sayNoSafeLine = (what: string): string =>
  `${what} a safe address (https), or this very machine. Whoever runs the studio starts it with --network: it prints where a device learns to trust it, once.`;
