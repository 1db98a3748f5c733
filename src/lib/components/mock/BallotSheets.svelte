<!-- Ballots to be printed, one after the other; a page each. -->
<script lang="ts">
  import { page } from '$app/state';
  import PageSize, { sizeIn } from '$lib/components/paper/PageSize.svelte';
  import PaperTools from '$lib/components/paper/PaperTools.svelte';
  import type { PaperBallot } from '$lib/schema/mock-view';
  import BallotSheet from './BallotSheet.svelte';

  let { ballots, home }: { ballots: readonly PaperBallot[]; home: string } = $props();

  const size = $derived(sizeIn(page.url));
</script>

<svelte:head>
  <title>Ballots on paper · Irvot</title>
</svelte:head>
<PaperTools label="Ballots on paper">
  <a href={home}>Back</a>
  <PageSize />
  <button class="action main" onclick={() => window.print()}
    >{ballots.length === 1 ? 'Print it' : `Print these ${ballots.length}`}</button
  >
</PaperTools>
<!-- a sheet is as wide as paper is: on a phone it is moved about -->
<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<div class="table" role="region" aria-label="The sheets" tabindex="0">
  {#each ballots as ballot, i (i)}<BallotSheet {ballot} isLetter={size === 'letter'} />{/each}
</div>

<style>
  .table {
    overflow-x: auto;
  }
  @media print {
    .table {
      overflow: visible;
    }
  }
</style>
