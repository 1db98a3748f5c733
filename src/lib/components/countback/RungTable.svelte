<!-- An item opened in place: what holds in each section, and every rung with how its number came about. -->
<script lang="ts">
  import Tempo from '$lib/components/note/Tempo.svelte';
  import { type PlannedItem, type Unkept, barsOf, rungKey, unitOfRung } from '$lib/core/season';
  import { dayOf, sayBpm, sayDate, tempoIn } from '$lib/core/units';
  import RungPin from './RungPin.svelte';

  let {
    planned,
    openRung,
    unkept,
    pinFrom
  }: {
    planned: PlannedItem;
    /** Key of the rung to point out, or ''. */
    openRung: string;
    /** What of it could not be kept as a teacher would sign it. */
    unkept: readonly Unkept[];
    /** First day that can be pinned to; null where nothing can be pinned. */
    pinFrom: string | null;
  } = $props();

  const EVIDENCE = {
    self: 'by the player’s own ear',
    teacher: 'heard by the teacher',
    recording: 'recorded'
  } as const;
</script>

<div class="how">
  <ul>
    {#each planned.sections as section (section.id)}
      <li>
        bars {section.fromBar}–{section.toBar}: {section.says}{#if section.held}, {sayDate(
            dayOf(section.held.on)
          )}, {EVIDENCE[section.held.evidence]}{section.held.isAged
            ? '; older than a fortnight, so planned from one click lower'
            : ''}{/if}
      </li>
    {/each}
    {#if planned.rungs.length > 0}
      <li class="soft">
        {Math.round(planned.cleanShare * 100)} % of attempts clean: about {planned.rungs[0]!.attempts.toFixed(
          1
        )} attempts until three in a row are.
      </li>
    {/if}
    {#each unkept as { point, says } (point)}<li class="soft">{says}</li>{/each}
    {#if planned.leftOutMin > 0}
      <li class="soft">
        {planned.leftOutMin} min of what it asks would be too short for a block on any day left, and are done without.
      </li>
    {/if}
  </ul>
  {#if planned.rungs.length > 0}
    <table>
      <thead>
        <tr
          ><th scope="col">rung</th><th scope="col">bars</th><th scope="col">reached by</th><th
            scope="col"
            class="number">minutes</th
          ><th scope="col">how they came about</th>{#if pinFrom}<th scope="col">set by hand</th>{/if}</tr
        >
      </thead>
      <tbody>
        {#each planned.rungs as rung (rungKey(rung))}
          {@const bars = barsOf(planned, rung)}
          <tr class:asked={rungKey(rung) === openRung}>
            <td
              ><Tempo
                bpm={tempoIn(rung.click, unitOfRung(planned, rung))}
                unit={unitOfRung(planned, rung)}
                height={14}
              /></td
            >
            <td>{bars?.fromBar}–{bars?.toBar}{rung.bars ? ' at tempo' : ''}</td>
            <td>{rung.date ? sayDate(dayOf(rung.date)) : 'no minutes'}</td>
            <td class="number">{rung.minutes}</td>
            <td>
              {#if rung.bars}the new chunk by itself, then these bars together: {rung.asksMin} min{:else}{rung.attempts.toFixed(
                  1
                )}
                attempts × ({rung.seconds} s + 10 s to breathe) ÷ 60, and 2 to begin: {rung.asksMin} min{/if}{rung.minutes !==
              rung.asksMin
                ? `; ${rung.minutes} here, by the shape of the ramp`
                : ''}{rung.minutesDone ? `; ${rung.minutesDone} min of it done` : ''}
            </td>
            {#if pinFrom}
              <td class="pin"
                >{#if !rung.bars}<RungPin
                    itemId={planned.id}
                    {rung}
                    name="{planned.name}, {sayBpm(rung.bpm)}"
                    today={pinFrom}
                  />{/if}</td
              >
            {/if}
          </tr>
        {/each}
      </tbody>
    </table>
  {/if}
</div>

<style>
  .how {
    position: relative;
    margin-bottom: 12px;
    padding: 10px 12px;
    border: 1.5px solid var(--ink);
    background: var(--paper);
    font-size: 0.87rem;
  }
  ul {
    padding: 0;
    list-style: none;
  }
  table {
    margin-top: 8px;
  }
  td {
    padding: 4px 12px 4px 0;
  }
  @media (max-width: 720px) {
    th,
    td {
      padding-right: 6px;
      font-stretch: 84%;
    }
  }
  .pin {
    white-space: nowrap;
  }
  .asked td {
    border-bottom: 2px solid var(--ink);
    font-weight: 650;
  }
</style>
