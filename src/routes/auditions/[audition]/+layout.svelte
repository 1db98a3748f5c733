<script lang="ts">
  import type { Snippet } from 'svelte';
  import SeasonHead from '$lib/components/season/SeasonHead.svelte';
  import type { LayoutData } from './$types';

  let { data, children }: { data: LayoutData; children: Snippet } = $props();
</script>

<div class="season">
  <SeasonHead head={data.head} isTeacher={data.who?.kind === 'teacher'} isAlone={data.who?.isAlone} />
  {@render children()}
</div>

<style>
  .season {
    max-width: 1280px;
    margin: 0 auto;
    padding: 0 var(--edge) 48px;
  }
</style>
