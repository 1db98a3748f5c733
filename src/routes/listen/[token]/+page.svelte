<script lang="ts">
  import { page } from '$app/state';
  import HeardElsewhere from '$lib/components/take/HeardElsewhere.svelte';
  import type { ActionData, PageData } from './$types';

  let { data, form }: { data: PageData; form: ActionData } = $props();
</script>

<svelte:head><title>A take to be heard · Irvot</title></svelte:head>
<HeardElsewhere
  view={data.view}
  newId={data.newId}
  sound="/listen/{page.params.token}/sound"
  fault={form?.fault ?? ''}
/>
