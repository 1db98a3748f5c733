<script lang="ts">
  import { page } from '$app/state';
  import NoteSheet from '$lib/components/paper/NoteSheet.svelte';
  import Sheet from '$lib/components/paper/Sheet.svelte';
  import { dayOf, sayDate } from '$lib/core/units';
  import type { PageData } from './$types';

  let { data }: { data: PageData } = $props();
  const size = $derived(page.url.searchParams.get('size') === 'letter' ? 'letter' : 'A4');
  /** Those that are not to be printed. */
  let left = $state<readonly string[]>([]);
  const printed = $derived(data.sheets.filter(({ candidateId }) => !left.includes(candidateId)));
  const toggle = (id: string) =>
    (left = left.includes(id) ? left.filter((one) => one !== id) : [...left, id]);
</script>

<svelte:head>
  <title>Lesson notes · Irvot</title>
  <!-- the size of the sheet cannot be given by a style in the page's body -->
  <svelte:element this={"style"}>{`@page { size: ${size} portrait; margin: 12mm; }`}</svelte:element>
</svelte:head>
<nav class="tools" aria-label="Lesson notes">
  <a href="/studio">Studio</a>
  <span>
    {#each ['A4', 'letter'] as one (one)}<a
        href="?size={one}"
        aria-current={size === one ? 'true' : undefined}>{one === 'A4' ? 'A4' : 'Letter'}</a
      >
    {/each}
  </span>
  {#each data.sheets as { candidateId, name, note } (candidateId)}<label
      ><input type="checkbox" checked={!left.includes(candidateId)} onchange={() => toggle(candidateId)} />
      <bdi>{name}</bdi>, {sayDate(dayOf(note.date))}</label
    >{/each}
  {#if printed.length > 0}<button class="action main" onclick={() => window.print()}
      >Print {printed.length === 1 ? 'this note' : `these ${printed.length} notes`}</button
    >{/if}
</nav>
{#each printed as { candidateId, name, audition, next, today, plan, note } (candidateId)}
  <Sheet {name} {audition} {next} {today} isLetter={size === 'letter'}
    ><NoteSheet {plan} {today} notes={[note]} /></Sheet
  >
{:else}<p class="first">
    {data.sheets.length === 0
      ? 'No note of the last seven days: a note is written in a candidate’s lesson.'
      : 'None is chosen.'}
  </p>{/each}

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
  .first {
    padding: 24px var(--edge);
  }
  @media print {
    .tools {
      display: none;
    }
  }
</style>
