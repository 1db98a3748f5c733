<script lang="ts">
  import { page } from '$app/state';
  import ChosenSheets from '$lib/components/paper/ChosenSheets.svelte';
  import { sizeIn } from '$lib/components/paper/PageSize.svelte';
  import PianoDates from '$lib/components/paper/PianoDates.svelte';
  import PianoSheet from '$lib/components/paper/PianoSheet.svelte';
  import Sheet from '$lib/components/paper/Sheet.svelte';
  import type { PageData } from './$types';

  let { data }: { data: PageData } = $props();
  const isLetter = $derived(sizeIn(page.url) === 'letter');
  const of = (ids: readonly string[]) => data.sheets.filter(({ id }) => ids.includes(id));
</script>

<svelte:head>
  <title>For the accompanist · Irvot</title>
</svelte:head>
<ChosenSheets
  label="For the accompanist"
  sheets={data.sheets.map(({ id, name, audition }) => ({ id, name, says: audition }))}
  one="sheet"
  many="sheets"
  none="Nobody has an audition ahead with something to accompany."
>
  {#snippet chosen(ids)}
    {#if ids.length > 1}<Sheet
        name="For the accompanist"
        audition="{ids.length} auditions"
        next={null}
        today={data.sheets[0]!.today}
        {isLetter}
        isOneOfMany><PianoDates sheets={of(ids)} /></Sheet
      >{/if}
    {#each of(ids) as { id, name, audition, next, today, sheet } (id)}
      <Sheet {name} {audition} {next} {today} {isLetter} isOneOfMany><PianoSheet {sheet} /></Sheet>
    {/each}
  {/snippet}
</ChosenSheets>
