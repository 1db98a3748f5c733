/** What is in hand at the desk: the block's tempo, bars, spot and key, and what is clicked of them. */
import {
  type Task,
  barsOfTask,
  isOnBreath,
  keyInHand,
  offerMethods,
  sayTask,
  spotOf,
  taskAfter
} from '$lib/core/practice';
import { clickOf } from '$lib/core/tempo';
import type { Bpm, Tempo } from '$lib/core/units';
import type { TodayView } from '$lib/schema/view';
import type { DeskSession } from '$lib/state/desk.svelte';
import { type Clicked, type Clicking, clicksPerBar } from './clicking.svelte';

export class InHand {
  /** Of those a probe offers, the tempo taken. */
  huntBpm = $state<Bpm | null>(null);

  constructor(
    private readonly session: DeskSession,
    private readonly view: () => TodayView
  ) {}

  readonly #run = $derived.by(() => this.session.block?.run ?? null);
  /** Of scales, the key. */
  readonly key = $derived.by(() => {
    const { block } = this.session;
    return this.#run && block?.scales ? keyInHand(block.scales, this.#run.keys) : null;
  });
  readonly unit = $derived.by(() => {
    const { block } = this.session;
    return block?.work?.unit ?? block?.scales?.unit ?? 'quarter';
  });
  readonly hunt = $derived.by(() => (this.#run ? this.session.block?.hunt : undefined));
  /** Of what is played through at several tempos, the first. */
  readonly first = $derived.by(() => (this.#run ? this.session.block?.through?.[0] : undefined));
  /** Null where it has none, or several. */
  readonly tempo: Tempo | null = $derived.by(() => {
    const bpm = this.session.standing?.bpm ?? this.key?.bpm;
    if (bpm !== undefined) return { bpm, unit: this.unit };
    return this.hunt ? { unit: this.hunt.unit, bpm: this.huntBpm ?? this.hunt.bpm } : null;
  });
  /** The tempo as a metronome says it. */
  readonly said = $derived.by(() => this.tempo && (clickOf(this.tempo) ?? this.tempo));
  readonly item = $derived.by(
    () => this.view().items.find(({ id }) => id === this.session.block?.itemId) ?? null
  );
  /** The bars: a spot's, a part's, or all of the block's. */
  readonly bars = $derived.by(() => this.#of((day, block) => barsOfTask(day, block)));
  /** Of a run: all of the item, where no bars are in hand; at the tempo of the first section, where none is. */
  readonly runBars = $derived.by(() => {
    const { bars, item } = this;
    return bars ?? (item && { fromBar: item.fromBar, toBar: item.toBar });
  });
  readonly runTempo = $derived.by(() => {
    const first = this.session.block?.sections?.[0];
    return this.said ?? (first ? (clickOf(first) ?? first) : null);
  });
  readonly spot = $derived.by(() =>
    this.#of((day, block) => spotOf(day, block, block.run?.task.spot) ?? null)
  );
  /** Ways to practise the spot, by their ids, the proposed one first. */
  readonly offers: readonly string[] = $derived.by(() => {
    const { spot } = this;
    if (!spot) return [];
    const { spots, family, ways } = this.view();
    const known = spots.find(({ id }) => id === spot.id);
    if (known) return known.offers;
    const issue = { notHeld: [], ...spot };
    const { isHurt } = this.session;
    return offerMethods({ spots: [issue], family, tries: [], ways, isHurt })(issue).map(({ id }) => id);
  });
  readonly clicked: Clicked | null = $derived.by(() => {
    const { first, said, item, key, bars } = this;
    // the count is of whole bars: a pickup enters within it
    if (first && item)
      return { tempo: first, metre: item.metre, pickupBeats: 0, through: this.session.block?.through };
    if (said && key) return { tempo: said, metre: '4/4', pickupBeats: 0, stage: key.stage };
    if (!said || !item) return null;
    const isAtStart = bars !== null && bars.fromBar === item.fromBar;
    return { tempo: said, metre: item.metre, pickupBeats: isAtStart ? (item.pickupBeats ?? 0) : 0 };
  });
  /** Fresh pages have no bars to come back to. */
  readonly canSpot = $derived.by(() => this.item !== null && this.item.kind !== 'sight-reading');
  /** Where it leads when it holds; empty where it stays. */
  readonly leadsTo = $derived.by(() => {
    const say = (after: Task | null) =>
      after && this.#of((day, block) => `on to ${sayTask(day, block, after)}`);
    return say(this.#of((day, block) => taskAfter(day, block, this.session.seconds))) ?? '';
  });
  /** What holds may be asked with less of a click. */
  readonly canThin = $derived.by(() => {
    const { standing } = this.session;
    return standing !== null && standing.heldBpm !== null && standing.bpm <= standing.heldBpm;
  });
  readonly isOnBreath = $derived.by(() => isOnBreath(this.view().family));

  /** The bar that is clicked just now, by its number on the page; null where none is. */
  barIn(clicking: Clicking): number | null {
    const { said, item, bars } = this;
    const bar = said && item ? clicking.barNow(clicksPerBar(item.metre, said)) : null;
    return bar === null || !bars ? null : bars.fromBar + bar;
  }

  #of<T>(
    read: (day: NonNullable<DeskSession['day']>, block: NonNullable<DeskSession['block']>) => T
  ): T | null {
    const { day, block } = this.session;
    return day && block ? read(day, block) : null;
  }
}
