<!-- Seven days on one sheet: each block with its bars and tempo, three boxes for clean in a row, and room to write. -->
<script lang="ts">
  import BlockTempo from '$lib/components/note/BlockTempo.svelte';
  import { type PlannedBlock, type SeasonPlan, barsOf, rungOfBlock, sayPart } from '$lib/core/season';
  import { dayOf, formatDate, sayDate, weekdayOf } from '$lib/core/units';

  let {
    plan,
    dates,
    lessons
  }: {
    plan: SeasonPlan;
    dates: readonly { readonly date: string; readonly name: string }[];
    lessons: readonly { readonly weekday: number; readonly start?: string | undefined }[];
  } = $props();

  const KINDS = {
    ladder: '',
    minutes: 'by ear',
    'keep-warm': 'keep it warm',
    run: 'one run',
    'easy-run': 'one easy run'
  } as const;
  const days = $derived(
    Array.from({ length: 7 }, (_, i) => {
      const date = formatDate(dayOf(plan.today) + i);
      return { date, day: plan.days.find((d) => d.date === date) };
    })
  );
  const itemOf = (block: PlannedBlock) => plan.items.find((i) => i.id === block.itemId)!;
  const sectionOf = (block: PlannedBlock) => barsOf(itemOf(block), block);
  const clickOf = (block: PlannedBlock) => rungOfBlock(itemOf(block), block)?.click;
  const special = (date: string) => [
    ...lessons
      .filter((l) => l.weekday === weekdayOf(dayOf(date)))
      .map((l) => `lesson${l.start ? ` ${l.start}` : ''}`),
    ...dates.filter((d) => d.date === date).map((d) => d.name)
  ];
</script>

{#each days as { date, day } (date)}
  <section>
    <h2>
      {sayDate(dayOf(date))}
      <span>{special(date).join(' · ')}</span>
      <span class="sum">{day && day.plannedMin > 0 ? `${day.plannedMin} min` : 'nothing planned'}</span>
    </h2>
    {#if day && day.blocks.length > 0}
      <table>
        <tbody>
          {#each day.blocks as block, i (i)}
            {@const section = sectionOf(block)}
            {@const click = clickOf(block)}
            <tr>
              <td class="time">{block.start ?? ''}</td>
              <td class="min">{block.minutes} min</td>
              <td class="what"><bdi>{itemOf(block).name}</bdi></td>
              <td class="bars"
                >{#if block.part}{sayPart(
                    block.part,
                    ''
                  )}{:else if click && section}{section.fromBar}–{section.toBar}{:else}{KINDS[
                    block.kind
                  ]}{/if}</td
              >
              <td class="tempo"
                >{#if click}<BlockTempo item={itemOf(block)} {block} height={12} />{/if}</td
              >
              <td class="boxes"
                >{#if click}<i></i><i></i><i></i>{/if}</td
              >
              <td class="line"></td>
            </tr>
          {/each}
        </tbody>
      </table>
    {/if}
  </section>
{/each}
<p class="caution">
  Stop at pain, numbness or stiffness that lasts, and see a health professional. 5 to 10 minutes off in each
  hour.
</p>

<style>
  section {
    break-inside: avoid;
    margin-top: 4mm;
  }
  h2 {
    display: flex;
    gap: 4mm;
    border-bottom: 0.75pt solid #000;
    font-size: 10.5pt;
  }
  h2 span {
    font-weight: 400;
  }
  .sum {
    margin-left: auto;
  }
  table {
    table-layout: fixed;
  }
  td {
    padding: 1.3mm 3mm 0.9mm 0;
    border-bottom: 0.4pt solid var(--rule);
    white-space: nowrap;
    vertical-align: baseline;
  }
  .time {
    width: 12mm;
  }
  .min {
    width: 14mm;
    text-align: right;
  }
  .what {
    width: 56mm;
    overflow: hidden;
    font-weight: 600;
    text-overflow: ellipsis;
  }
  .bars {
    width: 30mm;
    padding-right: 2mm;
    white-space: nowrap;
  }
  .tempo {
    width: 26mm;
  }
  .boxes {
    width: 16mm;
  }
  .boxes i {
    display: inline-block;
    width: 3.4mm;
    height: 3.4mm;
    margin-right: 1mm;
    border: 0.6pt solid #000;
    vertical-align: -0.5mm;
  }
  .line {
    width: auto;
  }
  .caution {
    margin-top: 4mm;
    color: var(--soft);
    font-size: 8.5pt;
  }
</style>
