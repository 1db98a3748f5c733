<!-- One candidate on the teacher's page: how far the date, whether the plan fits, when the log last spoke. -->
<script lang="ts">
  import type { StudioRow } from '$lib/schema/view';
  import { dayOf, sayDate } from '$lib/core/units';
  import { sayItems, sayRound } from './audition-words';

  let { row }: { row: StudioRow } = $props();

  const lines = $derived(row.auditions.length > 0 ? row.auditions : [null]);
  const logSays = $derived(
    row.daysSinceLog === null
      ? 'nothing logged yet'
      : row.daysSinceLog === 0
        ? 'logged today'
        : row.daysSinceLog === 1
          ? 'logged yesterday'
          : `nothing for ${row.daysSinceLog} days`
  );
  const heardSays = $derived(
    row.daysSinceHeard === null
      ? ''
      : ` · last heard from ${row.daysSinceHeard <= 0 ? 'today' : row.daysSinceHeard === 1 ? 'yesterday' : `${row.daysSinceHeard} days ago`}`
  );
  /** While a round is ahead; afterwards nobody is waited for. */
  const isSilent = $derived(
    row.daysSinceLog !== null &&
      row.daysSinceLog >= 4 &&
      row.auditions.some(({ daysToGo }) => daysToGo !== null)
  );
</script>

<tbody>
  {#each lines as audition, i (audition?.id ?? 'none')}
    <tr>
      <td class="number to-go" class:soft={!audition?.roundDate}>{audition?.daysToGo ?? '–'}</td>
      <td>
        {#if i === 0}
          <a class="name" href="/candidates/{row.id}"><bdi>{row.name}</bdi></a>
          <div class="soft">
            {row.instruments}{row.lessonToday
              ? ` · lesson today${row.lessonToday.start ? ` ${row.lessonToday.start}` : ''}`
              : ''}
          </div>
        {/if}
      </td>
      <td>
        {#if audition}
          <a href="/auditions/{audition.id}">{audition.name}</a>
          <div class="soft">
            {sayRound(audition)}
          </div>
        {:else}
          <span class="soft">no audition yet</span>
        {/if}
      </td>
      <td>
        {#if audition && audition.shortMin > 0}
          <strong class="short">{audition.shortMin} min short</strong>
          {#if audition.shortSince}<span class="soft since">since {sayDate(dayOf(audition.shortSince))}</span
            >{/if}
        {:else if audition?.isBeingLaid}
          <span class="soft">being laid</span>
        {:else if audition?.roundDate && audition.items > 0}
          fits
        {/if}
        {#if audition}
          <div class="soft">
            {sayItems(audition)}{audition.farthest
              ? ` · farthest: ${audition.farthest.name}, ${Math.round(audition.farthest.clicks)} clicks`
              : ''}
          </div>
        {/if}
      </td>
      <td>
        {#if i === 0}
          <span class:silent={isSilent}>{logSays}</span>
          <div class="soft">
            {row.minutesThisWeek} min in seven days{row.hasTime
              ? ''
              : ' · no practice times yet'}{row.hasJoined ? heardSays : ' · not joined'}
          </div>
        {/if}
      </td>
    </tr>
  {/each}
</tbody>

<style>
  .name {
    color: inherit;
    font-weight: 650;
    font-size: 1.07rem;
  }
  .short {
    padding-left: 8px;
    border-left: 4px solid var(--ink);
  }
  .since {
    margin-left: 4px;
  }
  .silent {
    font-weight: 650;
  }
</style>
