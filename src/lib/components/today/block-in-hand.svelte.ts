/** The block that was picked on Today, and what can be done with it by hand: moved, made longer, split, dropped. */
import { type DeskBlock, mostMinutesOf } from '$lib/core/practice';
import type { DeskSession } from '$lib/state/desk.svelte';

const between = (from: number, to: number | undefined) => (from + (to ?? from + 2)) / 2;

export class BlockInHand {
  picked = $state<string | null>(null);
  readonly block = $derived.by(() => this.blocks().find(({ id }) => id === this.picked) ?? null);
  readonly index = $derived.by(() => this.blocks().findIndex(({ id }) => id === this.picked));

  constructor(
    private readonly session: DeskSession,
    /** Of the day, in their order, without what is left out. */
    private readonly blocks: () => readonly DeskBlock[]
  ) {}

  pick = (id: string) => (this.picked = this.picked === id ? null : id);

  /** Between the blocks it is to stand between. */
  shift = (by: -1 | 1) =>
    this.session.change(this.block!.id, ({ id }, day) => {
      const open = day.blocks.filter((block) => !block.isDropped);
      const at = open.findIndex((block) => block.id === id);
      if (!open[at + by]) return null;
      const [a, b] = by < 0 ? [open[at - 2], open[at - 1]] : [open[at + 1], open[at + 2]];
      const from = a?.place ?? (b?.place ?? 0) - 2;
      return { place: between(from, b?.place) };
    });

  lengthen = (by: number) =>
    this.session.change(this.block!.id, (block) => ({
      minutes: Math.min(mostMinutesOf(block), Math.max(1, block.minutes + by))
    }));

  /** Stands now between those; null where it is the first, or the last. */
  moveBetween = (id: string, before: string | null, after: string | null) =>
    this.session.change(id, (_, day) => {
      const placeOf = (one: string | null) => day.blocks.find((block) => block.id === one)?.place;
      const next = placeOf(after);
      return { place: between(placeOf(before) ?? (next ?? 0) - 2, next) };
    });

  /** Two halves, so that something else can lie between. */
  split = async () => {
    // its spots and its drill stay with the first half
    const { id, minutes, place, run, isDropped, spots: _, drillMin: _drill, ...block } = this.block!;
    if (run || isDropped) return;
    const half = Math.floor(minutes / 2);
    const next = this.blocks()[this.index + 1];
    await this.session.changes.together(`${block.name} split`, async () => {
      await this.session.set(id, { minutes: minutes - half });
      await this.session.add({ ...block, minutes: half }, between(place, next?.place));
    });
  };

  drop = async () => {
    await this.session.set(this.block!.id, { isDropped: true });
    this.picked = null;
  };

  /** Alt and arrows: left and right move it, up and down change its minutes. */
  onKey = async (event: KeyboardEvent) => {
    const { block, index } = this;
    const isField = event.target instanceof HTMLInputElement || event.target instanceof HTMLSelectElement;
    if (!block || block.run || isField || event.ctrlKey || event.metaKey || !event.altKey) return;
    const acts: Record<string, () => Promise<void>> = {
      ArrowLeft: () => (index > 0 ? this.shift(-1) : Promise.resolve()),
      ArrowRight: () => (index < this.blocks().length - 1 ? this.shift(1) : Promise.resolve()),
      ArrowUp: () => this.lengthen(1),
      ArrowDown: () => (block.minutes > 1 ? this.lengthen(-1) : Promise.resolve()),
      Delete: this.drop
    };
    const act = acts[event.key];
    if (!act) return;
    event.preventDefault();
    await act();
  };
}
