/**
 * A mock that is played alone: the device announces one item after the other and records each. A step is kept here before the screen moves on,
 * and sent until the studio has it; after a reload it goes on where it was.
 */
import type { Take } from '$lib/core/record';
import type { MockView } from '$lib/schema/mock-view';
import { Recorder } from './recorder.svelte';
import { TakesOut } from './takes-out.svelte';

const AGAIN_MS = 4000;
type Step = { readonly to: number; readonly takeId?: string };

/** Of what is played in a mock: at which tempo is not known beforehand. */
const takeOfCut = ({ itemId, fromBar, toBar }: MockView['draw'][number], date: string): Take => ({
  id: crypto.randomUUID(),
  itemId,
  fromBar,
  toBar,
  date,
  madeAtMs: Date.now(),
  source: 'run',
  tempo: null,
  musicAtMs: 0
});

/** Records a run that a panel leads, on the panel's device: a take for each item. */
export class PanelTakes {
  /** Whether it is wanted. */
  isWanted = $state(false);
  /** Of what is being recorded; empty where nothing is. */
  takeId = $state('');
  readonly recorder = new Recorder();

  constructor(private readonly about: { readonly owner: string; readonly date: string }) {}

  /** What was played is kept, and what comes is recorded; null at the end. Call from a tap. */
  async onward(cut: MockView['draw'][number] | null): Promise<void> {
    const ended = await this.recorder.end();
    this.takeId = '';
    if (ended) void TakesOut.of(this.about.owner).send();
    if (!cut || !this.isWanted) return;
    const take = takeOfCut(cut, this.about.date);
    if (await this.recorder.begin(this.about.owner, take)) this.takeId = take.id;
  }
}

export class MockRun {
  /** The place in the draw that is played; null before it was begun, one behind the last when it is over. */
  at = $state<number | null>(null);
  /** Steps the studio has not heard of. */
  unsent = $state.raw<readonly Step[]>([]);
  /** Why the studio takes none; empty where it does. */
  fault = $state('');
  readonly recorder = new Recorder();
  #isBusy = false;
  #again: ReturnType<typeof setTimeout> | undefined;

  constructor(
    private readonly mock: MockView,
    private readonly about: { readonly owner: string; readonly date: string; readonly mayRecord: boolean }
  ) {
    this.at = mock.at;
  }

  get isOver(): boolean {
    return this.at !== null && this.at >= this.mock.count;
  }

  /** Call in the browser; returns what ends it. */
  open(): () => void {
    this.unsent = this.#read().filter(({ to }) => this.mock.at === null || to > this.mock.at);
    this.at = this.unsent.at(-1)?.to ?? this.mock.at;
    void this.#send();
    return () => {
      clearTimeout(this.#again);
      void this.#endTake();
    };
  }

  /** Ends what is played, and begins what comes next. Call from a tap or a key, as browsers ask. */
  async onward(): Promise<void> {
    if (this.#isBusy || this.isOver) return;
    this.#isBusy = true;
    const to = this.at === null ? 0 : this.at + 1;
    const takeId = await this.#endTake();
    const isStarted = to >= this.mock.count || !this.about.mayRecord || (await this.#record(to));
    // before the first item it stays where the microphone cannot be opened; once it goes, it goes on
    if (isStarted || this.at !== null) this.#step({ to, ...(takeId ? { takeId } : {}) });
    this.#isBusy = false;
  }

  /** Without the recorder: its microphone cannot be opened. */
  beginUnrecorded(): void {
    if (this.at === null) this.#step({ to: 0 });
  }

  /** After a reload: the item in hand is recorded again from here. */
  async goOn(): Promise<void> {
    if (this.at !== null && !this.isOver && this.about.mayRecord) await this.#record(this.at);
  }

  #record(at: number): Promise<boolean> {
    const take = takeOfCut(this.mock.draw[at]!, this.about.date);
    return this.recorder.begin(this.about.owner, take);
  }

  async #endTake(): Promise<string | null> {
    const take = await this.recorder.end();
    if (take) void TakesOut.of(this.about.owner).send();
    return take?.id ?? null;
  }

  #step(step: Step): void {
    this.at = step.to;
    this.unsent = [...this.unsent, step];
    this.#keep();
    void this.#send();
  }

  async #send(): Promise<void> {
    clearTimeout(this.#again);
    while (this.unsent.length > 0) {
      const step = this.unsent[0]!;
      const answer = await fetch(`/mocks/${this.mock.id}/step`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(step)
      }).catch(() => null);
      // a session that has ended leads to its door, which takes no step
      if (answer?.redirected)
        return void (this.fault = 'Sign in again, then come back: the run is kept on this device.');
      if (answer && !answer.ok && answer.status < 500)
        return void (this.fault = 'The studio does not take this run any more: go out of it and look.');
      if (!answer?.ok) return void (this.#again = setTimeout(() => void this.#send(), AGAIN_MS));
      this.unsent = this.unsent.filter((one) => one !== step);
      this.#keep();
    }
  }

  get #place(): string {
    return `irvot-mock-${this.mock.id}`;
  }
  #keep(): void {
    try {
      localStorage.setItem(this.#place, JSON.stringify(this.unsent));
    } catch {
      // a browser that keeps nothing sends all the same
    }
  }
  #read(): readonly Step[] {
    try {
      return JSON.parse(localStorage.getItem(this.#place) ?? '[]') as Step[];
    } catch {
      return [];
    }
  }
}
