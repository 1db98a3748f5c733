<script lang="ts">
  import type { Snippet } from 'svelte';
  import { dayOf, sayDate } from '$lib/core/units';
  import type { LayoutData } from './$types';

  let { data, children }: { data: LayoutData; children: Snippet } = $props();
  const { call } = $derived(data.list);
</script>

<div class="page">
  <p><a href="/lists">Lists</a></p>
  <h1>{call.name}</h1>
  <p class="soft">
    {call.rounds
      .map(({ name, date, isWeek }) => `${name}, ${isWeek ? 'week of ' : ''}${sayDate(dayOf(date))}`)
      .join(' · ')} · taken by nobody yet
  </p>
  {@render children()}
</div>
