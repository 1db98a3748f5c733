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
  #isSending = false;
  #again: ReturnType<typeof setTimeout> | undefined;

  constructor(private readonly owner: string) {}

  /** What was interrupted before ends, and is sent. */
  async open(): Promise<void> {
    await endInterrupted(this.owner, null);
    await this.send();
  }

  async send(): Promise<void> {
    if (this.#isSending) return;
    this.#isSending = true;
    clearTimeout(this.#again);
    try {
      await this.#sendAll();
    } finally {
      this.#isSending = false;
    }
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
      if (sent === 'waiting') {
        this.#again = setTimeout(() => void this.send(), AGAIN_MS);
        return;
      }
      if (sent !== 'sent') {
        this.refusal = sent.says;
        refused.push(next.id);
      }
    }
  }

  close(): void {
    clearTimeout(this.#again);
  }
}
