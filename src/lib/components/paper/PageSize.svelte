<!-- The size of the sheets that are printed: what the printer is told, and the two to choose between. -->
<script module lang="ts">
  /** As the address has it; A4 where it says nothing. */
  export const sizeIn = ({ searchParams }: URL): 'A4' | 'letter' =>
    searchParams.get('size') === 'letter' ? 'letter' : 'A4';
</script>

<script lang="ts">
  import { page } from '$app/state';

  let { isWide = false }: { isWide?: boolean } = $props();

  const size = $derived(sizeIn(page.url));
</script>

<svelte:head>
  <!-- the size of the sheet cannot be given by a style in the page's body -->
  <svelte:element this={"style"}
    >{`@page { size: ${size} ${isWide ? 'landscape' : 'portrait'}; margin: 12mm; }`}</svelte:element
  >
</svelte:head>
<span>
  {#each ['A4', 'letter'] as one (one)}<a href="?size={one}" aria-current={size === one ? 'true' : undefined}
      >{one === 'A4' ? 'A4' : 'Letter'}</a
    >
  {/each}
</span>

<style>
  span {
    display: flex;
    gap: 10px;
  }
  a[aria-current] {
    color: var(--ink);
    font-weight: 650;
    text-decoration: none;
  }
</style>
