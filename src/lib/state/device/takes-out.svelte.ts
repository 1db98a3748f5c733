/** Takes on their way from this device to the studio: sent one after the other, tried again while there is no line. */
import { hasSafeLine } from './safe-line';
import { endInterrupted, forgetTake, sendTake, waitingTakes } from './takes';

const AGAIN_MS = 15_000;

export class TakesOut {
  /** Those that wait here, by id. */
  waiting = $state.raw<readonly string[]>([]);
  /** What the studio says to those that it refuses, by id. */
  refusals = $state.raw<Readonly<Record<string, string>>>({});
  /** Why the studio takes none for now; empty while only the line is awaited. */
  why = $state('');
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
    if (!hasSafeLine()) return;
    await endInterrupted(this.owner).catch(() => {});
    await this.send();
  }

  /** One page of this device sends at a time. */
  async send(): Promise<void> {
    clearTimeout(this.#again);
    await this.#look();
    await navigator.locks.request('irvot takes out', { ifAvailable: true }, async (lock) => {
      if (lock) await this.#sendAll().catch(() => {});
      else this.#later();
    });
  }

  async #look() {
    const all = await waitingTakes(this.owner).catch(() => []);
    this.waiting = all.map(({ id }) => id);
    return all;
  }

  /** What the studio refuses is kept here until somebody says that it need not be. */
  async letGo(id: string): Promise<void> {
    await forgetTake(id);
    await this.#look();
  }

  #later(): void {
    clearTimeout(this.#again);
    this.#again = setTimeout(() => void this.send(), AGAIN_MS);
  }

  async #sendAll(): Promise<void> {
    [this.refusals, this.why] = [{}, ''];
    for (;;) {
      const next = (await this.#look()).find(({ id }) => !(id in this.refusals));
      if (!next) return;
      const sent = await sendTake(next);
      if (sent === 'sent') continue;
      if (sent.isTriedAgain) {
        this.why = sent.says;
        return this.#later();
      }
      this.refusals = { ...this.refusals, [next.id]: sent.says };
    }
  }
}
