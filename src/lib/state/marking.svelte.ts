/** Marks that are put while listening: shown at once, kept at the studio, and sent again with the next where the line was gone. */
import type { TakeMark } from '$lib/core/record';
import type { TakeView } from '$lib/schema/view';

type Shown = TakeView['marks'][number];

export class Marking {
  marks = $state.raw<readonly Shown[]>([]);
  /** Why what was marked is not kept yet; empty where it is. */
  fault = $state('');
  #put: TakeMark[] = [];
  #drop: string[] = [];
  #turn: Promise<void> = Promise.resolve();

  constructor(
    private readonly takeId: string,
    marks: readonly Shown[]
  ) {
    this.marks = marks;
  }

  /** Places of one's own that are no spots yet. */
  readonly open: readonly Shown[] = $derived.by(() =>
    this.marks.filter(({ isOwn, spotId }) => isOwn && spotId === null)
  );

  put(atMs: number, element: string): void {
    const mark = { id: crypto.randomUUID(), atMs: Math.round(atMs), element, says: '' };
    this.marks = [...this.marks, { ...mark, isOwn: true, spotId: null, by: '' }];
    this.#put.push(mark);
    this.send();
  }

  /** Says in words what is heard at a mark. */
  say(id: string, says: string): void {
    const mark = this.marks.find((one) => one.id === id);
    if (!mark) return;
    this.marks = this.marks.map((one) => (one.id === id ? { ...one, says } : one));
    this.#put = [
      ...this.#put.filter((one) => one.id !== id),
      { id, atMs: mark.atMs, element: mark.element, says }
    ];
    this.send();
  }

  drop(id: string): void {
    this.marks = this.marks.filter((mark) => mark.id !== id);
    this.#put = this.#put.filter((mark) => mark.id !== id);
    this.#drop.push(id);
    this.send();
  }

  /** Resolves when all that was marked until now was sent, or could not be. */
  send(): Promise<void> {
    this.#turn = this.#turn.then(() => this.#send());
    return this.#turn;
  }

  async #send(): Promise<void> {
    const [put, drop] = [this.#put.slice(0, 100), this.#drop.slice(0, 100)];
    if (put.length + drop.length === 0) return;
    const answer = await fetch(`/takes/${this.takeId}/marks`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ put, drop })
    }).catch(() => null);
    if (answer?.ok && !answer.redirected) {
      // what was said or taken back meanwhile still waits
      this.#put = this.#put.filter((one) => !put.includes(one));
      this.#drop = this.#drop.filter((id) => !drop.includes(id));
      this.fault = '';
      return;
    }
    const body = (await answer?.json().catch(() => null)) as { message?: string } | null;
    this.fault = body?.message ?? 'No line: what is marked is sent with the next mark.';
  }
}
