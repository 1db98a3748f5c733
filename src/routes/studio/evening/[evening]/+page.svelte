<script lang="ts">
  import Evening from '$lib/components/mock/Evening.svelte';
  import UndoLine from '$lib/components/ui/UndoLine.svelte';
  import type { SharedLink, Undo } from '$lib/schema/view';
  import type { ActionData, PageData } from './$types';

  let { data, form }: { data: PageData; form: ActionData } = $props();
  type Answered = {
    undo?: Undo;
    links?: { name: string; link: SharedLink }[];
    what?: string;
    fault?: string;
  };
  const answered = $derived((form ?? {}) as Answered);
</script>

<svelte:head><title>Mock evening · Irvot</title></svelte:head>
<div class="page">
  <p><a href="/studio">Studio</a></p>
  {#if answered.undo}<UndoLine token={answered.undo.token} says={answered.undo.says} />{/if}
  <Evening view={data.view} links={answered.links ?? []} fault={answered.fault ?? ''} />
</div>

<style>
  .page {
    max-width: 1280px;
    margin: 0 auto;
    padding: 14px var(--edge) 48px;
  }
</style>
