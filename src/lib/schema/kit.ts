/** What the studio says to a device that asks what to keep. */
export type KeptHere = {
  /** By the studio's clock. */
  readonly nowMs: number;
  /** By id. */
  readonly auditions: readonly string[];
};
