<script lang="ts">
  import BallotSheets from '$lib/components/mock/BallotSheets.svelte';
  import type { PageData } from './$types';

  let { data }: { data: PageData } = $props();
</script>

<h1 class="hidden">Ballots on paper</h1>
<BallotSheets ballots={data.ballots} home={data.home} />
