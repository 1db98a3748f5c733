<!-- What a changed call or item would do to the plan of everyone who takes it, before it is saved. -->
<script lang="ts">
  import { dayOf, sayDate } from '$lib/core/units';
  import type { CallEffect } from '$lib/schema/view';

  let { effects }: { effects: readonly CallEffect[] } = $props();
  const say = (date: string | null | undefined) => (date ? sayDate(dayOf(date)) : '–');
</script>

<section role="status">
  <h3>What it would change <span class="soft">(not saved yet)</span></h3>
  <table>
    <thead>
      <tr>
        <th scope="col">candidate</th><th scope="col" class="number">days to go</th><th
          scope="col"
          class="number">minutes asked</th
        ><th scope="col" class="number">minutes short</th><th scope="col">last target holds</th><th
          scope="col"
          class="number">dates that move</th
        >
      </tr>
    </thead>
    <tbody>
      {#each effects as { auditionId, candidateName, before, after, moved } (auditionId)}
        <tr>
          <td><bdi>{candidateName}</bdi></td>
          <td class="number">{before?.daysToGo ?? '–'} → <strong>{after?.daysToGo ?? '–'}</strong></td>
          <td class="number">{before?.askedMin ?? '–'} → <strong>{after?.askedMin ?? '–'}</strong></td>
          <td class="number">{before?.shortMin ?? '–'} → <strong>{after?.shortMin ?? '–'}</strong></td>
          <td>{say(before?.lastTarget)} → <strong>{say(after?.lastTarget)}</strong></td>
          <td class="number">{moved}</td>
        </tr>
      {/each}
    </tbody>
  </table>
</section>

<style>
  section {
    margin-top: 20px;
    padding: 10px 14px;
    border-left: 4px solid var(--ink);
    background: var(--ground);
  }
  h3 {
    margin: 0 0 4px;
  }
</style>
