<script lang="ts">
  import HoldsPass from '$lib/components/list/HoldsPass.svelte';
  import type { PageData } from './$types';

  let { data }: { data: PageData } = $props();
</script>

<svelte:head><title>What holds today · Irvot</title></svelte:head>
{#key data.head.auditionId}<HoldsPass
    asked={data.asked}
    times={data.times}
    form={data.form}
    draftKey="holds {data.head.auditionId}"
    base="/auditions/{data.head.auditionId}"
  />{/key}
