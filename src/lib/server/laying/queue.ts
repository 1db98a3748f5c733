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

  async #sweep(): Promise<void> {
    let wasThere = false;
    await this.#after(async () => {
      const id = findWaiting(this.app);
      if (id === null) this.layer.rest();
      wasThere = id !== null && (await this.#lay(id));
    });
    clearTimeout(this.#next);
    this.#next = setTimeout(() => void this.#sweep(), wasThere ? BETWEEN_MS : LOOK_MS).unref();
  }

  /** One at a time. */
  #after(job: () => Promise<unknown>): Promise<void> {
    this.#last = this.#last.then(job).then(
      () => undefined,
      (err: unknown) => serverLog.error({ err }, 'a plan was not laid in the background')
    );
    return this.#last;
  }

  /** False where it could not be. */
  async #lay(auditionId: string): Promise<boolean> {
    const task = readWaiting(this.app, auditionId);
    if (!task) return !isWaiting(this.app, auditionId);
    const plans = await this.layer.layForEach(
      task.request,
      task.auditions.map(({ countsDownTo }) => countsDownTo)
    );
    if (!this.app.db.open) return false;
    keepWaiting(this.app, auditionId, task, plans);
    return true;
  }
}
