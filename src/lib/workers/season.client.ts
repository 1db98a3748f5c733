/** The typed call of the season's worker. Questions are answered in order; one that has been overtaken is not waited for. */
import type { Changes, Remedy } from '../core/season';
import type { Opening, Scratch, SeasonAnswer, SeasonQuestion } from './season.questions';
import SeasonThread from './season.worker?worker';

export class SeasonWorker {
  readonly #thread = new SeasonThread();
  readonly #waiting = new Map<number, { done: (answer: SeasonAnswer) => void; fail: (why: Error) => void }>();
  #asked = 0;
  #lastLay = 0;

  constructor(opening: Opening) {
    this.#thread.addEventListener(
      'message',
      ({ data }: MessageEvent<{ id: number; answer: SeasonAnswer } | { id: number; fault: string }>) => {
        const waiting = this.#waiting.get(data.id);
        if ('fault' in data) waiting?.fail(new Error(data.fault));
        else waiting?.done(data.answer);
        this.#waiting.delete(data.id);
      }
    );
    this.#thread.addEventListener('error', (event) => {
      for (const { fail } of this.#waiting.values()) fail(new Error(event.message));
      this.#waiting.clear();
    });
    // where it cannot be opened, each question after it is told why
    this.#ask({ kind: 'open', ...opening }).catch(() => {});
  }

  /** The season's remedies, one after the other. */
  async *remedies(): AsyncGenerator<Remedy, void> {
    for (;;) {
      const answer = await this.#ask({ kind: 'next-remedy' });
      if (answer.kind !== 'next-remedy' || !answer.remedy) return;
      yield answer.remedy;
    }
  }

  /** Null where another laying has been asked for meanwhile. */
  async lay(changes: Changes): Promise<Scratch | null> {
    const asked = this.#asked + 1;
    this.#lastLay = asked;
    const answer = await this.#ask({ kind: 'lay', changes });
    return answer.kind === 'lay' && asked === this.#lastLay ? answer : null;
  }

  close(): void {
    this.#thread.terminate();
  }

  #ask(question: SeasonQuestion): Promise<SeasonAnswer> {
    this.#asked += 1;
    const id = this.#asked;
    return new Promise((done, fail) => {
      this.#waiting.set(id, { done, fail });
      this.#thread.postMessage({ id, question });
    });
  }
}
