<script lang="ts">
  import type { Snippet } from 'svelte';
  import { page } from '$app/state';
  import { dayOf, sayLongDate } from '$lib/core/units';
  import type { LayoutData } from './$types';

  let { data, children }: { data: LayoutData; children: Snippet } = $props();
  const base = $derived(`/auditions/${data.head.auditionId}`);
  const size = $derived(page.url.searchParams.get('size') === 'letter' ? 'letter' : 'A4');
  const kind = $derived(page.url.pathname.split('/').at(-1)!);
  const isWide = $derived(kind === 'wall');
  const short = $derived(data.paper.plan?.short ?? null);
  const nameOf = (id: string) => data.paper.plan?.items.find((item) => item.id === id)?.name ?? '';
  const sheets = [
    ['week', 'Week'],
    ['wall', 'Wall chart'],
    ['note', 'Lesson note']
  ] as const;
</script>

<svelte:head>
  <!-- the size of the sheet cannot be given by a style in the page's body -->
  <svelte:element this={"style"}
    >{`@page { size: ${size} ${isWide ? 'landscape' : 'portrait'}; margin: 12mm; }`}</svelte:element
  >
</svelte:head>
<nav class="tools" aria-label="Paper">
  <a href={base}>Back to the countback</a>
  {#each sheets as [name, says] (name)}<a
      href="{base}/paper/{name}?size={size}"
      aria-current={kind === name ? 'page' : undefined}>{says}</a
    >{/each}
  <span>
    {#each ['A4', 'letter'] as one (one)}<a
        href="?size={one}"
        aria-current={size === one ? 'true' : undefined}>{one === 'A4' ? 'A4' : 'Letter'}</a
      >
    {/each}
  </span>
  <button class="action" onclick={() => window.print()}>Print</button>
</nav>
<!-- a sheet may be wider than the screen: it can be reached and scrolled by keys -->
<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<div class="table" role="region" aria-label="The sheet" tabindex="0">
  <article class="sheet" class:wide={isWide} class:letter={size === 'letter'}>
    <header>
      <h1><bdi>{data.head.candidateName}</bdi></h1>
      <p>
        {data.head.auditionName}{#if data.head.next}: {data.head.next.name},
          {sayLongDate(dayOf(data.head.next.date))}{data.head.next.time
            ? `, ${data.head.next.time}`
            : ''}{/if}
      </p>
      {#if data.head.next}<p class="days">
          <strong>{dayOf(data.head.next.date) - dayOf(data.head.today)}</strong> days to go
        </p>{/if}
    </header>
    {@render children()}
    {#if short && kind !== 'note'}
      <p class="short">
        The plan is {short.minutes} minutes short:
        {short.items.map((item) => nameOf(item.itemId)).join(', ')}
        {short.items.length === 1 ? 'does' : 'do'} not reach the target yet.
      </p>
    {/if}
  </article>
</div>

<style>
  .tools {
    display: flex;
    flex-wrap: wrap;
    gap: 6px 20px;
    align-items: center;
    padding: 14px var(--edge);
  }
  .tools span {
    display: flex;
    gap: 10px;
  }
  .tools a[aria-current] {
    color: var(--ink);
    font-weight: 650;
    text-decoration: none;
  }
  .table {
    overflow-x: auto;
  }
  .sheet {
    --ink: #000;
    --soft: #3a3a3a;
    --rule: #9a9a9a;
    --paper: #fff;
    --ground: #ededed;
    width: 210mm;
    min-height: 297mm;
    margin: 0 auto 32px;
    padding: 12mm;
    border: 1px solid #9a9a9a;
    background: #fff;
    color: #000;
    font-size: 10.5pt;
    line-height: 1.3;
  }
  .sheet.wide {
    width: 297mm;
    min-height: 210mm;
  }
  .sheet.letter {
    width: 8.5in;
    min-height: 11in;
  }
  .sheet.wide.letter {
    width: 11in;
    min-height: 8.5in;
  }
  header {
    display: flex;
    gap: 5mm;
    align-items: baseline;
    padding-bottom: 2mm;
    border-bottom: 1.5pt solid #000;
  }
  h1 {
    font-size: 16pt;
  }
  .days {
    margin-left: auto;
    white-space: nowrap;
  }
  .days strong {
    font-size: 16pt;
  }
  .short {
    margin-top: 4mm;
    font-weight: 600;
  }
  @media print {
    .table {
      overflow: visible;
    }
    .tools,
    :global(body > div > header),
    :global(.site) {
      display: none;
    }
    .sheet,
    .sheet.wide,
    .sheet.letter,
    .sheet.wide.letter {
      width: auto;
      min-height: 0;
      margin: 0;
      padding: 0;
      border: 0;
    }
  }
  @media screen and (max-width: 720px) {
    .sheet,
    .sheet.wide,
    .sheet.letter,
    .sheet.wide.letter {
      width: auto;
      margin: 0 0 24px;
      padding: 16px;
      border-width: 1px 0;
    }
    header {
      flex-wrap: wrap;
      gap: 0 12px;
    }
  }
</style>
