<script lang="ts">
  import type { Snippet } from 'svelte';
  import { page } from '$app/state';
  import PageSize, { sizeIn } from '$lib/components/paper/PageSize.svelte';
  import PaperTools from '$lib/components/paper/PaperTools.svelte';
  import Sheet from '$lib/components/paper/Sheet.svelte';
  import type { LayoutData } from './$types';

  let { data, children }: { data: LayoutData; children: Snippet } = $props();
  const base = $derived(`/auditions/${data.head.auditionId}`);
  const size = $derived(sizeIn(page.url));
  const kind = $derived(page.url.pathname.split('/').at(-1)!);
  const isWide = $derived(kind === 'wall');
  const short = $derived(data.paper.plan?.short ?? null);
  const nameOf = (id: string) => data.paper.plan?.items.find((item) => item.id === id)?.name ?? '';
  const sheets = [
    ['week', 'Week'],
    ['wall', 'Wall chart'],
    ['note', 'Lesson note'],
    ['piano', 'For the accompanist']
  ] as const;
</script>

<PaperTools label="Paper">
  <a href={base}>Back to the countback</a>
  {#each sheets as [name, says] (name)}<a
      href="{base}/paper/{name}?size={size}"
      aria-current={kind === name ? 'page' : undefined}>{says}</a
    >{/each}
  <PageSize {isWide} />
  <button class="action" onclick={() => window.print()}>Print</button>
</PaperTools>
<!-- a sheet may be wider than the screen: it can be reached and scrolled by keys -->
<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<div class="table" role="region" aria-label="The sheet" tabindex="0">
  <Sheet
    name={data.head.candidateName}
    audition={data.head.auditionName}
    next={data.head.next}
    today={data.head.today}
    {isWide}
    isLetter={size === 'letter'}
  >
    {@render children()}
    {#if short && kind !== 'note' && kind !== 'piano'}
      <p class="short">
        The plan is {short.minutes} minutes short:
        {short.items.map((item) => nameOf(item.itemId)).join(', ')}
        {short.items.length === 1 ? 'does' : 'do'} not reach the target yet.
      </p>
    {/if}
  </Sheet>
</div>

<style>
  a[aria-current] {
    color: var(--ink);
    font-weight: 650;
    text-decoration: none;
  }
  .table {
    overflow-x: auto;
  }
  .short {
    margin-top: 4mm;
    font-weight: 600;
  }
  @media print {
    .table {
      overflow: visible;
    }
  }
</style>
