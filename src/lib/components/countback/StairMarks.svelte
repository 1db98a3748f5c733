<!-- What stands on an item's stairs: the numbers of its steps, which open how they came about; pins; and where a step has moved. -->
<script lang="ts">
  import { type Move, type PlannedItem, type Step, rungKey } from '$lib/core/season';
  import { dayOf, sayDate } from '$lib/core/units';
  import type { CountbackItem } from '$lib/schema/view';
  import { ROW_TOP } from './stair-shape';
  import type { TimeAxis } from './time-axis';

  let {
    planned,
    item,
    axis,
    scale,
    moves,
    labels,
    onOpen
  }: {
    planned: PlannedItem;
    item: CountbackItem;
    axis: TimeAxis;
    /** px per click. */
    scale: number;
    /** Moves of this item that are to be seen on its stairs. */
    moves: readonly Move[];
    /** Steps whose numbers have room. */
    labels: readonly Step[];
    onOpen: (rung: string) => void;
  } = $props();

  const said = (bpm: number) => (Number.isInteger(bpm) ? String(bpm) : bpm.toFixed(0));
  /** Where rungs stood and stand that have moved, at the height of their step. */
  const moved = $derived(
    moves.flatMap(({ sectionId, bpm, bars, from, to }) => {
      const step = item.plannedSteps.find((s) => rungKey(s) === rungKey({ sectionId, bpm, bars }));
      if (!step || !from || !to) return [];
      const [was, is] = [axis.at(dayOf(from)), axis.at(dayOf(to))];
      return [
        {
          key: rungKey({ sectionId, bpm, bars }),
          was,
          left: Math.min(was, is),
          width: Math.abs(is - was),
          step
        }
      ];
    })
  );
  const pins = $derived(
    item.plannedSteps.filter((s) =>
      planned.rungs.some((r) => r.pinnedTo === s.date && rungKey(r) === rungKey(s))
    )
  );
</script>

{#each moved as move (move.key)}
  {@const top = ROW_TOP + move.step.clicksBelow * scale}
  <span class="moved" style:left="{move.left}%" style:width="{move.width}%" style:top="{top}px"></span>
  <span class="was" style:left="{move.was}%" style:top="{top}px"></span>
{/each}
{#each pins as step (rungKey(step))}
  <span
    class="pinned"
    style:left="{axis.at(dayOf(step.date))}%"
    style:top="{ROW_TOP + step.clicksBelow * scale}px"
  ></span>
{/each}
{#each labels as step (step.date + rungKey(step))}
  <button
    class="step"
    style:left="{axis.at(dayOf(step.date))}%"
    style:top="{ROW_TOP + step.clicksBelow * scale}px"
    aria-label="{step.bars
      ? `bars ${step.bars.fromBar} to ${step.bars.toBar} at tempo`
      : said(step.bpm)} by {sayDate(dayOf(step.date))}: how this came about"
    onclick={() => onOpen(rungKey(step))}
    ><span>{step.bars ? `${step.bars.fromBar}–${step.bars.toBar}` : said(step.bpm)}</span></button
  >
{/each}

<style>
  span:not(.step > span),
  .step {
    position: absolute;
    font-stretch: 88%;
  }
  .step {
    min-width: 24px;
    min-height: 24px;
    padding: 2px 3px 8px;
    border: 0;
    background: none;
    color: var(--plan);
    font-size: 0.82rem;
    line-height: 1;
    text-align: left;
  }
  .step span {
    background: var(--paper);
  }
  .step:hover {
    font-weight: 700;
    text-decoration: underline;
  }
  .moved {
    border-top: 2px dotted var(--ink);
  }
  .was {
    width: 7px;
    height: 7px;
    border: 1.5px solid var(--ink);
    background: var(--paper);
    transform: translate(-50%, -2px);
  }
  .pinned {
    width: 8px;
    height: 8px;
    background: var(--plan);
    transform: translate(-50%, -50%);
  }
  @media (max-width: 720px) {
    .step {
      font-size: 0.74rem;
    }
  }
</style>
