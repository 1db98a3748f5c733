<!-- A sheet of paper: whose it is, what for and how many days to go; then what is on it. -->
<script lang="ts">
  import type { Snippet } from 'svelte';
  import { dayOf, sayLongDate } from '$lib/core/units';

  let {
    name,
    audition,
    next,
    today,
    isWide = false,
    isOneOfMany = false,
    isLetter,
    children
  }: {
    name: string;
    audition: string;
    /** The round that is counted down to. */
    next: { readonly name: string; readonly date: string; readonly time?: string | null | undefined } | null;
    today: string;
    isWide?: boolean;
    /** Others are on the same page, which has a heading of its own. */
    isOneOfMany?: boolean;
    isLetter: boolean;
    children: Snippet;
  } = $props();
</script>

<article class="sheet" class:wide={isWide} class:letter={isLetter}>
  <header>
    <svelte:element this={isOneOfMany ? 'h2' : 'h1'} class="whose"><bdi>{name}</bdi></svelte:element>
    <p>
      {audition}{#if next}: {next.name}, {sayLongDate(dayOf(next.date))}{next.time
          ? `, ${next.time}`
          : ''}{/if}
    </p>
    {#if next}<p class="days">
        <strong>{dayOf(next.date) - dayOf(today)}</strong> days to go
      </p>{/if}
  </header>
  {@render children()}
</article>

<style>
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
  .whose {
    font-size: 16pt;
  }
  .days {
    margin-left: auto;
    white-space: nowrap;
  }
  .days strong {
    font-size: 16pt;
  }
  @media print {
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
    /* each sheet its own page */
    .sheet:not(:last-of-type) {
      break-after: page;
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
