/** Takes on their way from this device to the studio: sent one after the other, tried again while there is no line. */
import { endInterrupted, sendTake, waitingTakes } from './takes';

const AGAIN_MS = 15_000;

export class TakesOut {
  /** How many wait here. */
  waiting = $state(0);
  /** Of the one that is being sent, how much is. */
  share = $state(0);
  /** What the studio says to one that it refuses; empty where it refuses none. */
  refusal = $state('');
  #again: ReturnType<typeof setTimeout> | undefined;

  private constructor(private readonly owner: string) {}

  static #one: TakesOut | null = null;
  /** The page's own, for whoever is signed in. */
  static of(owner: string): TakesOut {
    if (this.#one?.owner !== owner) this.#one = new TakesOut(owner);
    return this.#one;
  }

  /** What was interrupted before ends, and is sent. Does nothing where the browser keeps nothing. */
  async open(): Promise<void> {
    if (!isSecureContext) return;
    await endInterrupted(this.owner).catch(() => {});
    await this.send();
  }

  /** One page of this device sends at a time. */
  async send(): Promise<void> {
    clearTimeout(this.#again);
    await navigator.locks.request('irvot takes out', { ifAvailable: true }, async (lock) => {
      if (lock) await this.#sendAll().catch(() => {});
      else this.#later();
    });
  }

  #later(): void {
    clearTimeout(this.#again);
    this.#again = setTimeout(() => void this.send(), AGAIN_MS);
  }

  async #sendAll(): Promise<void> {
    const refused: string[] = [];
    for (;;) {
      const all = await waitingTakes(this.owner);
      this.waiting = all.length;
      const next = all.find(({ id }) => !refused.includes(id));
      if (!next) return;
      this.share = 0;
      const sent = await sendTake(next, (share) => (this.share = share));
      if (sent === 'waiting') return this.#later();
      if (sent !== 'sent') {
        this.refusal = sent.says;
        refused.push(next.id);
      }
    }
  }
}
