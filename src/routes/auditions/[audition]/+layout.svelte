<script lang="ts">
  import type { Snippet } from 'svelte';
  import { page } from '$app/state';
  import { type PlanAtHead, headOnDay } from '$lib/core/season/today/head';
  import type { TodayView } from '$lib/schema/view';
  import SeasonHead from '$lib/components/season/SeasonHead.svelte';
  import type { LayoutData } from './$types';

  let { data, children }: { data: LayoutData; children: Snippet } = $props();

  /** Of a day that this device has made, as the plan stands there. */
  const head = $derived.by(() => {
    const { atHead, view } = page.data as { atHead?: PlanAtHead | null; view?: TodayView };
    return atHead && view ? { ...data.head, ...headOnDay(data.head.rounds, atHead, view.today) } : data.head;
  });
</script>

<div class="season">
  <SeasonHead {head} isTeacher={data.who?.kind === 'teacher'} isAlone={data.who?.isAlone} />
  {@render children()}
</div>

<style>
  .season {
    max-width: 1280px;
    margin: 0 auto;
    padding: 0 var(--edge) 48px;
  }
</style>
