/**
 * The doors where a password is asked: each address comes in at a pace, a few at once and then four a second. Who comes faster waits in
 * turn, and where the turn is far off is told to come again; a crowd at the door costs those inside next to nothing.
 */
const BETWEEN_MS = 250;
/** A class that signs in together: so many need not wait. */
const AT_ONCE = 4;
/** A browser's patience, and no more (judgement). */
const LONGEST_WAIT_MS = 8000;
/** Told so at once, who hammers would only come again at once. */
const REFUSED_AFTER_MS = 1000;
/** Addresses are forgotten when there are so many and their turn is over. */
const MOST_KNOWN = 1000;

type Wait = (ms: number) => Promise<void>;

export class Door {
  /** When the next from an address may come in, in milliseconds. */
  readonly #turns = new Map<string, number>();

  constructor(
    private readonly now: () => number,
    private readonly wait: Wait
  ) {}

  /** Resolves when it is this one's turn: true, or false where it would take too long. */
  async enter(address: string): Promise<boolean> {
    const nowMs = this.now();
    this.#forget(nowMs);
    const turnMs = Math.max(this.#turns.get(address) ?? 0, nowMs - (AT_ONCE - 1) * BETWEEN_MS);
    const waitMs = turnMs - nowMs;
    if (waitMs > LONGEST_WAIT_MS) {
      await this.wait(REFUSED_AFTER_MS);
      return false;
    }
    this.#turns.set(address, turnMs + BETWEEN_MS);
    if (waitMs > 0) await this.wait(waitMs);
    return true;
  }

  #forget(nowMs: number): void {
    if (this.#turns.size < MOST_KNOWN) return;
    for (const [address, turnMs] of this.#turns)
      if (turnMs < nowMs - AT_ONCE * BETWEEN_MS) this.#turns.delete(address);
  }
}
