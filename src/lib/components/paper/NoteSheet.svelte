<!-- What is taken home from a lesson: the note, what comes next for each item, and lines to write on. -->
<script lang="ts">
  import Tempo from '$lib/components/note/Tempo.svelte';
  import { type SeasonPlan, unitOfRung } from '$lib/core/season';
  import { dayOf, sayDate, sayLongDate, tempoIn } from '$lib/core/units';

  let {
    plan,
    today,
    notes
  }: {
    plan: SeasonPlan | null;
    today: string;
    notes: readonly { readonly date: string; readonly note: string }[];
  } = $props();

  const latest = $derived(notes[0]);
  const climbing = $derived(plan?.items.filter((item) => item.state === 'climbing') ?? []);
  /** As many lines to write on as the sheet has room for below what is printed. */
  const lines = $derived(Math.max(6, 24 - climbing.length - Math.ceil((latest?.note.length ?? 0) / 160)));
  const nextOf = (item: (typeof climbing)[number]) => item.rungs.find((r) => r.date !== null);
</script>

<h2>{latest ? `Lesson of ${sayLongDate(dayOf(latest.date))}` : `Lesson, ${sayLongDate(dayOf(today))}`}</h2>
{#if latest}<p class="note"><bdi>{latest.note}</bdi></p>{/if}

{#if climbing.length > 0}
  <h3>Until next time</h3>
  <table>
    <tbody>
      {#each climbing as item (item.id)}
        {@const rung = nextOf(item)}
        <tr>
          <td class="name"><bdi>{item.name}</bdi></td>
          <td
            >{#if rung?.date}{#if rung.bars}bars {rung.bars.fromBar}–{rung.bars.toBar} at
              {/if}<Tempo
                bpm={tempoIn(rung.click, unitOfRung(item, rung))}
                unit={unitOfRung(item, rung)}
                height={13}
              /> by {sayDate(dayOf(rung.date))}{:else}no minutes for it yet{/if}</td
          >
        </tr>
      {/each}
    </tbody>
  </table>
{/if}

<h3>To remember</h3>
{#each { length: lines } as _, i (i)}<div class="line"></div>{/each}

<style>
  h2 {
    margin-top: 6mm;
    font-size: 13pt;
  }
  h3 {
    margin-top: 7mm;
    font-size: 10.5pt;
  }
  .note {
    margin-top: 2mm;
    font-size: 12pt;
    line-height: 1.45;
    white-space: pre-line;
  }
  td {
    padding: 1.2mm 4mm 1mm 0;
    border-bottom: 0.4pt solid var(--rule);
  }
  .name {
    width: 80mm;
    font-weight: 600;
  }
  .line {
    height: 9mm;
    border-bottom: 0.4pt solid var(--rule);
  }
</style>
