<!-- Sheets of several candidates, of which some are printed together. -->
<script lang="ts">
  import type { Snippet } from 'svelte';
  import PageSize from './PageSize.svelte';
  import PaperTools from './PaperTools.svelte';

  let {
    label,
    sheets,
    one,
    many,
    none,
    chosen
  }: {
    label: string;
    sheets: readonly { readonly id: string; readonly name: string; readonly says: string }[];
    /** A sheet in words, and several. */
    one: string;
    many: string;
    /** What stands there where no sheet is to be had. */
    none: string;
    /** Those that are to be printed, by their ids. */
    chosen: Snippet<[ids: readonly string[]]>;
  } = $props();

  /** Those that are not to be printed. */
  let left = $state<readonly string[]>([]);
  const printed = $derived(sheets.map(({ id }) => id).filter((id) => !left.includes(id)));
  const toggle = (id: string) =>
    (left = left.includes(id) ? left.filter((other) => other !== id) : [...left, id]);
</script>

<h1 class="hidden">{label}</h1>
<PaperTools {label}>
  <a href="/studio">Studio</a>
  <PageSize />
  {#each sheets as { id, name, says } (id)}<label
      ><input type="checkbox" checked={!left.includes(id)} onchange={() => toggle(id)} />
      <bdi>{name}</bdi>, {says}</label
    >{/each}
  {#if printed.length > 0}<button class="action main" onclick={() => window.print()}
      >Print {printed.length === 1 ? `this ${one}` : `these ${printed.length} ${many}`}</button
    >{/if}
</PaperTools>
{#if printed.length > 0}{@render chosen(printed)}{:else}<p class="first">
    {sheets.length === 0 ? none : 'None is chosen.'}
  </p>{/if}

<style>
  .first {
    padding: 24px var(--edge);
  }
</style>
