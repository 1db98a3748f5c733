<!-- A wish for the plan: what can be carried out is asked for in fields, anything else in words. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { WEEKDAY_NAMES, sayBpm } from '$lib/core/units';
  import type { CanWish } from '$lib/schema/view';
  import { keepFields } from '$lib/state/kept-fields';

  let { candidateId, can, fault }: { candidateId: string; can: CanWish; fault: string | null } = $props();

  const WHAT = [
    ['minutes', 'other minutes on a weekday'],
    ['left-out', 'an item less'],
    ['target', 'another target'],
    ['lighter', 'lighter days after pain'],
    ['else', 'something else']
  ] as const;
  // Whose it is stays: the page of another is set up anew.
  // svelte-ignore state_referenced_locally
  const wish = keepFields(`wish ${candidateId}`, { reset: true });
  const { trouble } = wish;
  let what = $state<(typeof WHAT)[number][0]>('minutes');
  onMount(() => {
    // what the day's page proposes
    if (new URL(location.href).searchParams.get('wish') === 'lighter') what = 'lighter';
  });
</script>

{#if fault || $trouble}<p class="fault" role="alert">{fault || $trouble}</p>{/if}
<form method="POST" action="?/wish" use:wish.action>
  <label class="what"
    >I wish for
    <select name="what" bind:value={what}>
      {#each WHAT as [value, name] (value)}<option {value}>{name}</option>{/each}
    </select></label
  >
  <!-- all of them are there, so that a draft finds its fields again -->
  <span hidden={what !== 'minutes'}>
    <label
      >on <select name="weekday">
        {#each WEEKDAY_NAMES as name, i (name)}<option value={i + 1}>{name}, {can.minutes[i]} min now</option
          >{/each}
      </select></label
    >
    <label>minutes <input name="minutes" inputmode="numeric" size="4" /></label>
  </span>
  <span hidden={what !== 'left-out'}>
    <label
      >without <select name="itemId">
        <option value="">choose</option>
        {#each can.items as { id, name } (id)}<option value={id}>{name}</option>{/each}
      </select></label
    >
  </span>
  <span hidden={what !== 'target'}>
    <label
      >of <select name="section">
        <option value="">choose</option>
        {#each can.sections as one (one.itemId + one.sectionId)}<option value="{one.itemId} {one.sectionId}"
            >{one.name}, bars {one.fromBar}–{one.toBar}, {sayBpm(one.target.bpm)} now</option
          >{/each}
      </select></label
    >
    <label>target, bpm <input name="bpm" inputmode="decimal" size="5" /></label>
  </span>
  <span hidden={what !== 'lighter'}>
    <label
      >half the minutes on my next <input name="days" inputmode="numeric" size="2" value="3" /> practice days</label
    >
  </span>
  <label class="words"
    >{what === 'else' ? 'What?' : 'Why, if you like'}
    <input id="says" name="says" dir="auto" maxlength="1000" /></label
  >
  <button class="action">Send the wish</button>
</form>

<style>
  form {
    display: flex;
    flex-wrap: wrap;
    gap: 8px 18px;
    align-items: end;
  }
  span:not([hidden]) {
    display: flex;
    flex-wrap: wrap;
    gap: 8px 18px;
    align-items: end;
  }
  label {
    color: var(--soft);
    font-size: 0.93rem;
  }
  select,
  input {
    color: var(--ink);
  }
  select {
    max-width: 260px;
  }
  .words {
    flex: 1 1 240px;
  }
  .words input {
    width: 100%;
  }
</style>
