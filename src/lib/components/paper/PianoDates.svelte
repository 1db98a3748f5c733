<!-- Rehearsals and rounds of all whom one person accompanies, by the day: where two meet, it is seen. -->
<script lang="ts">
  import { dayOf, sayDate } from '$lib/core/units';
  import type { PianoSheetView } from '$lib/schema/view';

  let {
    sheets
  }: {
    sheets: readonly { readonly name: string; readonly audition: string; readonly sheet: PianoSheetView }[];
  } = $props();

  const dates = $derived(
    sheets
      .flatMap(({ name: who, audition, sheet }) => sheet.dates.map((date) => ({ ...date, who, audition })))
      .sort((a, b) => `${a.date} ${a.time ?? ''}`.localeCompare(`${b.date} ${b.time ?? ''}`))
  );
</script>

<h2>Rehearsals and rounds</h2>
<table>
  <thead>
    <tr><th scope="col">day</th><th scope="col">hour</th><th scope="col">who</th><th scope="col">what</th></tr
    >
  </thead>
  <tbody>
    {#each dates as { date, time, who, audition, name }, i (i)}
      <tr>
        <td>{dates[i - 1]?.date === date ? '' : sayDate(dayOf(date))}</td>
        <td>{time ?? ''}</td>
        <td><bdi>{who}</bdi></td>
        <td><bdi>{name}</bdi>, <bdi>{audition}</bdi></td>
      </tr>
    {/each}
  </tbody>
</table>

<style>
  h2 {
    margin: 6mm 0 3mm;
    font-size: 13pt;
  }
  table {
    width: 100%;
  }
  th,
  td {
    padding: 1.6mm 4mm 1.6mm 0;
    border-bottom: 0.5pt solid var(--rule);
    color: #000;
    font-size: 10.5pt;
    text-align: left;
    vertical-align: top;
  }
  td:nth-child(-n + 2) {
    white-space: nowrap;
  }
</style>
