<!-- What was told of auditions that are behind: what was asked, the panel's own words, what to keep. -->
<script lang="ts">
  import { dayOf, sayDate } from '$lib/core/units';
  import type { LastTime } from '$lib/schema/before-view';

  let { times }: { times: readonly LastTime[] } = $props();
</script>

{#each times as { auditionId, name, on, result, keep, heard } (auditionId)}
  <section aria-label="Last time, {name}">
    <h3><a href="/auditions/{auditionId}/day"><bdi>{name}</bdi></a>, {sayDate(dayOf(on))}</h3>
    {#if heard.length > 0}<p>
        Asked: {#each heard as one, i (i)}{i > 0 ? '; ' : ''}<bdi>{one.name}</bdi>, {one.word}{/each}.
      </p>{/if}
    {#if result}<p class="words" dir="auto">{result}</p>{/if}
    {#if keep}<p class="words" dir="auto"><span class="soft">To keep:</span> {keep}</p>{/if}
  </section>
{/each}

<style>
  section {
    max-width: 70ch;
    margin: 14px 0;
    padding-left: 14px;
    border-left: 4px solid var(--ink);
  }
  h3 {
    margin: 0 0 2px;
  }
  .words {
    white-space: pre-line;
    overflow-wrap: anywhere;
  }
</style>
