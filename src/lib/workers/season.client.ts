/** A season in its worker: scratch plans and remedies. One laying that has been overtaken is not waited for. */
import type { Changes, Remedy } from '../core/season';
import { openWorker } from './open';
import type { Opening, Scratch, SeasonAnswers } from './season.worker';
import SeasonThread from './season.worker?worker';

export class SeasonWorker {
  readonly #worker = openWorker<SeasonAnswers>(new SeasonThread());
  #lays = 0;

  constructor(opening: Opening) {
    this.#worker.ask.open(opening).catch(() => {});
  }

  /** The season's remedies, one after the other. */
  async *remedies(): AsyncGenerator<Remedy, void> {
    for (;;) {
      const remedy = await this.#answer(this.#worker.ask.nextRemedy());
      if (!remedy) return;
      yield remedy;
    }
  }

  /** Null where another laying has been asked for meanwhile. */
  async lay(changes: Changes): Promise<Scratch | null> {
    this.#lays += 1;
    const asked = this.#lays;
    const laid = await this.#answer(this.#worker.ask.lay(changes));
    return asked === this.#lays ? laid : null;
  }

  close(): void {
    this.#worker.end();
  }

  #answer<T>(answer: Promise<T>): Promise<T> {
    return Promise.race([answer, this.#worker.failed]);
  }
}
