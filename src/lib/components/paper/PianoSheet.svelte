<!-- For who accompanies: what is played, at which tempos, from where to where, and when it is rehearsed. -->
<script lang="ts">
  import Tempo from '$lib/components/note/Tempo.svelte';
  import { dayOf, sayBars, sayDate } from '$lib/core/units';
  import type { PianoSheetView } from '$lib/schema/view';

  let { sheet }: { sheet: PianoSheetView } = $props();
</script>

<h2>For the accompanist</h2>
<table>
  <thead>
    <tr>
      <th scope="col">item</th><th scope="col">tempo</th><th scope="col">cuts</th>
      <th scope="col">agreed at the piano</th>
    </tr>
  </thead>
  <tbody>
    {#each sheet.items as item, i (i)}
      <tr>
        <td>
          <b><bdi>{item.name}</bdi></b><br />
          <bdi
            >{[item.composer, item.edition, item.pages && `p. ${item.pages}`].filter(Boolean).join(', ')}</bdi
          >
        </td>
        <td>
          {#each item.sections as section, n (n)}
            <span class="tempo"
              >{#if item.sections.length > 1}{`${sayBars(section)}: `}{/if}{#if section.target}<Tempo
                  {...section.target}
                  height={13}
                />{section.range ? ` (${section.range.low}–${section.range.high})` : ''}{:else}free{/if}</span
            >
          {/each}
        </td>
        <td>{item.cuts.map(sayBars).join(', ')}</td>
        <td class="empty"></td>
      </tr>
    {/each}
  </tbody>
</table>
{#if sheet.dates.length > 0}
  <h3>Dates</h3>
  <ul>
    {#each sheet.dates as { date, name, time }, i (i)}<li>
        {sayDate(dayOf(date))}{time ? `, ${time}` : ''}: <bdi>{name}</bdi>
      </li>{/each}
  </ul>
{/if}

<style>
  h2 {
    margin: 6mm 0 3mm;
    font-size: 13pt;
  }
  h3 {
    margin: 7mm 0 2mm;
    font-size: 10.5pt;
  }
  table {
    width: 100%;
  }
  th,
  td {
    padding: 2mm 4mm 2mm 0;
    border-bottom: 0.5pt solid var(--rule);
    color: #000;
    font-size: 10.5pt;
    text-align: left;
    vertical-align: top;
  }
  .tempo {
    display: block;
    white-space: nowrap;
  }
  .empty {
    width: 32%;
  }
  ul {
    margin: 0;
    padding-left: 5mm;
  }
</style>
