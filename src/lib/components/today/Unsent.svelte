<!-- What the studio does not have and cannot be sent by itself: a day told by a wrong clock, and what the studio does not take. -->
<script lang="ts">
  import { dayOf, sayDate } from '$lib/core/units';
  import type { DeskLine } from '$lib/state/desk-line.svelte';
  import { sayEvents } from './unsent-words';

  let { line, today }: { line: DeskLine; today: string } = $props();

  const asking = $derived(line.state.kind === 'asking' ? line.state : null);
  let other = $state('');
  /** What was refused for one reason is said once. */
  const refusals = $derived([...new Set(line.refused.map(({ refused }) => refused!))]);
  const of = (says: string) =>
    sayEvents(line.refused.filter(({ refused }) => refused === says).map(({ event }) => event));

  function sayOther(event: SubmitEvent) {
    event.preventDefault();
    if (asking && other !== '') void line.sayDay(asking.date, other);
  }
</script>

{#if asking}
  <section aria-labelledby="which-day">
    <h2 id="which-day">On which day was it played?</h2>
    <p>
      There was no line, and this device’s clock stood wrong. What it kept under {sayDate(dayOf(asking.date))} is
      here, and is sent once its day is known.
    </p>
    <p class="ways">
      <button class="action main" onclick={() => line.sayDay(asking.date, asking.likely)}
        >on {sayDate(dayOf(asking.likely))}</button
      >
      <button class="action" onclick={() => line.sayDay(asking.date, asking.date)}
        >on {sayDate(dayOf(asking.date))}</button
      >
    </p>
    <form class="ways" onsubmit={sayOther}>
      <label for="other-day">or on</label>
      <input id="other-day" type="date" bind:value={other} max={today} required />
      <button class="quiet">that day</button>
    </form>
  </section>
{/if}
{#if refusals.length > 0}
  <section aria-labelledby="not-taken">
    <h2 id="not-taken">Not taken by the studio</h2>
    {#each refusals as says, i (i)}<p>{of(says)}: {says}</p>{/each}
    <p class="ways">
      <button class="quiet" onclick={() => line.retry()}>try once more</button>
      <button class="quiet" onclick={() => line.letGo()}>let it go from this device</button>
    </p>
  </section>
{/if}

<style>
  section {
    margin-top: 16px;
    padding: 12px 16px;
    border-left: 4px solid var(--ink);
    background: var(--ground);
  }
  h2 {
    font-size: 1rem;
  }
  section > * + * {
    margin-top: 8px;
  }
  .ways {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 8px 20px;
  }
</style>
