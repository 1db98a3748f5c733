/**
 * A scratch copy of a season while it is tried out: the changes made to it, the plan they give, and the remedies there are. What was
 * tried is kept on this device until it is kept or dropped.
 */
import { type Changes, type ItemChange, type Remedy, type SeasonPlan, dropGone } from '$lib/core/season';
import { SeasonWorker } from '$lib/workers/season.client';
import type { Opening, Scratch, SeasonFacts } from '$lib/workers/season.worker';
import type { Draft } from './draft';

export class ScratchSeason {
  changes = $state.raw<Changes>({});
  /** The plan the changes give; null until the first is laid. */
  laid = $state.raw<Scratch | null>(null);
  /** Whether the plan shown is not yet the changes'. */
  isLaying = $state(false);
  /** As many as have been found. */
  remedies = $state.raw<readonly Remedy[]>([]);
  isLooking = $state(false);
  trouble = $state('');
  readonly #worker: SeasonWorker;

  /** `facts` of all that is laid together, `parts` of each audition; what was tried before is in `draft`. */
  constructor(
    auditionId: string,
    facts: SeasonFacts,
    parts: Opening['parts'],
    plan: SeasonPlan,
    private readonly draft: Draft,
    /** What is proposed to begin with; null: what was tried last. */
    proposed: Changes | null = null
  ) {
    const logsAt = `/auditions/${auditionId}/what-if/logs.json`;
    this.#worker = new SeasonWorker({ auditionId, parts, logsAt, plan });
    this.isLaying = true;
    if (proposed) this.set(proposed);
    else void draft.read().then((before) => this.set(before ? dropGone(before as Changes, facts) : {}));
    if (plan.short) this.#look().catch((why: Error) => (this.trouble = why.message));
  }

  async #look(): Promise<void> {
    this.isLooking = true;
    try {
      for await (const remedy of this.#worker.remedies()) this.remedies = [...this.remedies, remedy];
    } finally {
      this.isLooking = false;
    }
  }

  get isChanged(): boolean {
    return Object.values(this.changes).some((of) => (Array.isArray(of) ? of.length > 0 : of !== undefined));
  }

  set(changes: Changes): void {
    this.changes = changes;
    if (this.isChanged) this.draft.write(changes);
    else this.forget();
    this.isLaying = true;
    this.#worker.lay(changes).then(
      (laid) => {
        if (!laid) return;
        this.laid = laid;
        this.isLaying = false;
      },
      (why: Error) => (this.trouble = why.message)
    );
  }

  /** Changes of one item beside those it has. */
  setItem(itemId: string, more: Omit<ItemChange, 'itemId'>): void {
    const { items = [] } = this.changes;
    const before = items.find((item) => item.itemId === itemId) ?? { itemId };
    const after = { ...before, ...more };
    this.set({ ...this.changes, items: [...items.filter((item) => item.itemId !== itemId), after] });
  }

  forget(): void {
    this.draft.forget();
  }

  close(): void {
    this.#worker.close();
  }
}
