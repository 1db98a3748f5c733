/** A ballot as it is written: kept on this device at each tap, and sent until it has come. */
import type { BallotItem } from '$lib/core/record';
import type { MockWord } from '$lib/core/record/words';
import type { BallotView } from '$lib/schema/mock-view';

const AGAIN_MS = 4000;
type Kept = { readonly items: readonly BallotItem[]; readonly unsent: readonly number[] };

export class BallotPaper {
  items = $state.raw<readonly BallotItem[]>([]);
  /** Items that wait here. */
  unsent = $state.raw<readonly number[]>([]);
  /** When all had come, by this device's clock. */
  sentAtMs = $state<number | null>(null);
  /** Why nothing more is taken; empty where it is. */
  fault = $state('');
  #device = '';
  #again: ReturnType<typeof setTimeout> | undefined;
  #isSending = false;

  constructor(
    /** Under which this device keeps it. */
    private readonly place: string,
    /** Address to which it is sent. */
    private readonly address: string,
    private readonly view: BallotView
  ) {
    this.items = view.ballot;
  }

  /** Call in the browser, with the device's id: what was written here and has not come stands over what the studio has. */
  open(device: string): () => void {
    this.#device = device;
    const { items, unsent } = this.#read();
    this.unsent = unsent;
    this.#take(this.items, items);
    return () => clearTimeout(this.#again);
  }

  /** Goes on from what the studio has, where it was written elsewhere in between. */
  goOn(known: readonly BallotItem[]): void {
    this.#take(known, this.items);
    this.fault = '';
    void this.send();
  }

  #take(known: readonly BallotItem[], here: readonly BallotItem[]): void {
    const isUnsent = ({ item }: BallotItem) => this.unsent.includes(item);
    this.items = [...known.filter((one) => !isUnsent(one)), ...here.filter(isUnsent)];
  }

  of(item: number): BallotItem {
    return this.items.find((one) => one.item === item) ?? { item, words: {}, notes: [] };
  }

  /** The same word again leaves it open. */
  word(item: number, element: string, word: MockWord): void {
    const { words, ...rest } = this.of(item);
    const others = Object.fromEntries(Object.entries(words).filter(([name]) => name !== element));
    this.#put({ ...rest, words: words[element] === word ? others : { ...others, [element]: word } });
  }

  note(item: number, note: BallotItem['notes'][number]): void {
    const before = this.of(item);
    this.#put({ ...before, notes: [...before.notes, note] });
  }

  unsay(item: number, note: number): void {
    const before = this.of(item);
    this.#put({ ...before, notes: before.notes.filter((_, i) => i !== note) });
  }

  #put(ballot: BallotItem): void {
    this.items = [...this.items.filter(({ item }) => item !== ballot.item), ballot];
    if (!this.unsent.includes(ballot.item)) this.unsent = [...this.unsent, ballot.item];
    this.#keep();
    void this.send();
  }

  async send(): Promise<void> {
    clearTimeout(this.#again);
    if (this.#isSending) return;
    this.#isSending = true;
    while (this.unsent.length > 0 && this.fault === '') {
      const ballot = this.of(this.unsent[0]!);
      const answer = await fetch(this.address, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ juror: this.view.id, ballot, device: this.#device })
      }).catch(() => null);
      if (!answer || answer.status >= 500) break;
      // a session that has ended leads to its door, which takes no ballot
      if (answer.redirected) {
        this.fault = 'Sign in again, then come back: what is written is kept on this device.';
        break;
      }
      if (!answer.ok) {
        const body = (await answer.json().catch(() => null)) as { message?: string } | null;
        this.fault = body?.message ?? 'It is not taken any more.';
        break;
      }
      // what was written meanwhile is sent, too
      if (this.of(ballot.item) === ballot) this.unsent = this.unsent.filter((item) => item !== ballot.item);
      this.sentAtMs = Date.now();
      this.#keep();
    }
    this.#isSending = false;
    if (this.unsent.length > 0 && this.fault === '')
      this.#again = setTimeout(() => void this.send(), AGAIN_MS);
  }

  get #place(): string {
    return `irvot-ballot-${this.place}-${this.view.id}`;
  }
  #keep(): void {
    const kept: Kept = { items: this.items, unsent: this.unsent };
    try {
      localStorage.setItem(this.#place, JSON.stringify(kept));
    } catch {
      // a browser that keeps nothing sends all the same
    }
  }
  #read(): Kept {
    try {
      return JSON.parse(localStorage.getItem(this.#place) ?? '{"items":[],"unsent":[]}') as Kept;
    } catch {
      return { items: [], unsent: [] };
    }
  }
}
