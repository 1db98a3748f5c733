<script lang="ts">
  import { page } from '$app/state';
  import Chains from '$lib/components/readiness/Chains.svelte';
  import NextStep from '$lib/components/readiness/NextStep.svelte';
  import UndoLine from '$lib/components/ui/UndoLine.svelte';
  import type { ActionData, PageData } from './$types';

  let { data, form }: { data: PageData; form: ActionData } = $props();
  const view = $derived(data.view);
  const undo = $derived(form && 'undo' in form ? form.undo : null);
</script>

<svelte:head><title>Readiness · {view.candidate.name} · Irvot</title></svelte:head>
{#if view.readings.length === 0}
  <p class="none">There is nothing to check yet: the list is empty or every round has taken place.</p>
{:else}
  <NextStep {view} />
  {#if undo}{#key undo.token}<UndoLine {...undo} />{/key}{/if}
  <Chains {view} openItem={page.url.searchParams.get('item')} />
{/if}

<style>
  .none {
    margin-top: 20px;
  }
</style>
