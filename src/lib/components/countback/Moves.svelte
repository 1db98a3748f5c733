<!-- What moved with a laying, and why. -->
<script lang="ts">
  import { type Move, sayRung } from '$lib/core/season';
  import { dayOf, sayDate } from '$lib/core/units';

  let {
    moves,
    cause,
    isShown = $bindable(false)
  }: {
    moves: readonly Move[];
    cause: string;
    /** The table is only made once it is looked at: a season has many layings. */
    isShown?: boolean;
  } = $props();

  const WHY: Record<Move['why'], string> = {
    holds: 'holds now',
    'not-reached': 'not reached by its date',
    later: 'other items took its minutes',
    earlier: 'minutes came free',
    'no-minutes': 'no minutes are left for it',
    'minutes-again': 'has minutes again',
    new: 'new',
    dropped: 'no longer a rung'
  };
  const said = (date: string | null) => (date ? sayDate(dayOf(date)) : '–');
</script>

{#if moves.length > 0}
  <details bind:open={isShown}>
    <summary>{moves.length} {moves.length === 1 ? 'date' : 'dates'} moved: {cause}</summary>
    {#if isShown}
      <table>
        <thead
          ><tr
            ><th scope="col">item</th><th scope="col" class="number">rung</th><th scope="col">was</th><th
              scope="col">is</th
            ><th scope="col">why</th></tr
          ></thead
        >
        <tbody>
          {#each moves as move, i (i)}
            <tr
              ><td>{move.itemName}</td><td class="number">{sayRung(move)}</td><td>{said(move.from)}</td><td
                >{move.why === 'holds' ? 'holds' : said(move.to)}</td
              ><td>{WHY[move.why]}</td></tr
            >
          {/each}
        </tbody>
      </table>
    {/if}
  </details>
{/if}

<style>
  summary {
    cursor: pointer;
    color: var(--ink);
  }
  table {
    max-width: 760px;
    margin-top: 6px;
    color: var(--ink);
    font-size: 0.87rem;
  }
  td {
    padding: 3px 12px 3px 0;
  }
</style>
