/**
 * Lays the plans that wait, one after the other and off the thread that answers people: a new day's, and those taken in from elsewhere.
 * Whoever opens one of them has it laid next.
 */
import type { SeasonPlan, SeasonRequest } from '../../core/season';
import type { App } from '../app';
import { serverLog } from '../log';
import { findWaiting, isWaiting, keepWaiting, readWaiting } from './new-day';

/** Where plans are laid. */
export type Layer = {
  /** core/season's. */
  readonly layForEach: (
    request: SeasonRequest,
    rounds: readonly NonNullable<SeasonRequest['countsDownTo']>[]
  ) => Promise<SeasonPlan[]>;
  /** Called when there is nothing to lay for now. */
  readonly rest: () => void;
};

/** Pause between two plans nobody has asked for, so that people are answered in between. */
const BETWEEN_MS = 200;
/** Days turn at any hour, in one zone or another. */
const LOOK_MS = 300_000;
/** Whoever waits longer sees the plan of before. */
const PATIENCE_MS = 8000;

export class LayingQueue {
  #last: Promise<void> = Promise.resolve();
  #next: NodeJS.Timeout | undefined;
  /** Looked at already since nothing was left. */
  readonly #passed = new Set<string>();

  constructor(
    private readonly app: App,
    private readonly layer: Layer
  ) {}

  /** Resolves when an audition's plan is of today, or after some seconds. */
  async ready(auditionId: string): Promise<void> {
    if (!isWaiting(this.app, auditionId)) return;
    const late = new Promise<void>((resolve) => setTimeout(resolve, PATIENCE_MS).unref());
    await Promise.race([this.#after(() => this.#lay(auditionId)), late]);
  }

  /** Looks for plans that wait, now and from time to time. */
  look(): void {
    clearTimeout(this.#next);
    this.#next = setTimeout(() => void this.#sweep(), BETWEEN_MS).unref();
  }

  /** One that cannot be laid is passed over until the next look, so that the others do not wait for it. */
  async #sweep(): Promise<void> {
    const id = findWaiting(this.app, this.#passed);
    if (id === null) {
      this.layer.rest();
      this.#passed.clear();
    } else {
      this.#passed.add(id);
      await this.#after(() => this.#lay(id));
    }
    clearTimeout(this.#next);
    this.#next = setTimeout(() => void this.#sweep(), id === null ? LOOK_MS : BETWEEN_MS).unref();
  }

  /** One at a time. */
  #after(job: () => Promise<unknown>): Promise<void> {
    this.#last = this.#last.then(job).then(
      () => undefined,
      (err: unknown) => serverLog.error({ err }, 'a plan was not laid in the background')
    );
    return this.#last;
  }

  async #lay(auditionId: string): Promise<void> {
    const task = readWaiting(this.app, auditionId);
    if (!task) return;
    const plans = await this.layer.layForEach(
      task.request,
      task.auditions.map(({ countsDownTo }) => countsDownTo)
    );
    if (this.app.db.open) keepWaiting(this.app, auditionId, task, plans);
  }
}
