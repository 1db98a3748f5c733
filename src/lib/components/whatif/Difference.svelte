<!-- What the tried changes come to, against the plan as it stands. -->
<script lang="ts">
  import type { SeasonPlan } from '$lib/core/season';
  import { dayOf, sayDate } from '$lib/core/units';
  import type { Scratch } from '$lib/workers/season.worker';

  let { plan, laid }: { plan: SeasonPlan; laid: Scratch } = $props();

  const short = (one: SeasonPlan) => (one.short ? `${one.short.minutes} min short` : 'fits');
  const lastTarget = (one: SeasonPlan) =>
    one.items
      .flatMap((item) => item.rungs.at(-1)?.date ?? [])
      .sort()
      .at(-1);
  const heaviest = (one: SeasonPlan) => Math.max(0, ...one.weeks.map((week) => week.plannedMin));
  const jumps = (one: SeasonPlan) => one.weeks.filter((week) => week.isJump).length;
  const dateOrNone = (date: string | undefined) => (date ? sayDate(dayOf(date)) : 'none');
  const rows = $derived([
    ['days to go', `${plan.daysToGo}`, `${laid.plan.daysToGo}`],
    ['last target by', dateOrNone(lastTarget(plan)), dateOrNone(lastTarget(laid.plan))],
    ['heaviest week', `${heaviest(plan)} min`, `${heaviest(laid.plan)} min`],
    ['weeks that jump', `${jumps(plan)}`, `${jumps(laid.plan)}`]
  ] as const);
  const [was, is] = $derived([short(plan), short(laid.plan)]);
  const sayFit = $derived(
    was !== is ? `${was} → ${is}` : laid.plan.short ? `It is still ${is}` : 'It still fits'
  );
  const sayMoves = $derived(
    laid.moves.length === 0
      ? 'No date would move'
      : `${laid.moves.length} ${laid.moves.length === 1 ? 'date' : 'dates'} would move`
  );
  const differing = $derived(rows.filter(([, before, after]) => before !== after));
</script>

<p>
  <strong class="fit" class:short={laid.plan.short !== null}>{sayFit}</strong>
  <span
    >{sayMoves}{#each differing as [what, before, after] (what)}, {what}
      {before} → <b>{after}</b>{/each}.</span
  >
</p>
{#if laid.plan.short}<p class="soft reason">{laid.plan.short.reasons[0]?.says}</p>{/if}
{#if jumps(laid.plan) > jumps(plan)}
  <p class="soft reason">A week more than 20 % above the two before: raise gradually, and stop at pain.</p>
{/if}

<style>
  .fit {
    margin-right: 10px;
    font-size: 1.13rem;
  }
  .short {
    padding-left: 8px;
    border-left: 5px solid var(--ink);
  }
  .reason {
    flex-basis: 100%;
  }
  b {
    font-weight: 620;
  }
</style>
