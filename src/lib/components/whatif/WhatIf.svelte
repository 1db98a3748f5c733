<!-- What if: a scratch copy beside the real plan. Remedies and changes by hand are drawn at once; kept or dropped by one click. -->
<script lang="ts">
  import { onDestroy, onMount } from 'svelte';
  import type { ActionResult } from '@sveltejs/kit';
  import Countback from '$lib/components/countback/Countback.svelte';
  import type { Changes, SeasonPlan } from '$lib/core/season';
  import type { CountbackView } from '$lib/schema/view';
  import type { Opening, SeasonFacts } from '$lib/workers/season.worker';
  import { draftOf } from '$lib/state/draft';
  import { send } from '$lib/state/send';
  import { ScratchSeason } from '$lib/state/scratch.svelte';
  import ChangeFields from './ChangeFields.svelte';
  import Difference from './Difference.svelte';
  import Remedies from './Remedies.svelte';

  let {
    view,
    facts,
    parts,
    plan,
    proposed,
    fault
  }: {
    view: CountbackView;
    /** Of all that is laid together, and of each audition. */
    facts: SeasonFacts;
    parts: Opening['parts'];
    /** As it stands. */
    plan: SeasonPlan;
    /** What is tried to begin with; null: what was tried last. */
    proposed: Changes | null;
    /** Why what was tried could not be kept. */
    fault: string | null;
  } = $props();

  let scratch = $state.raw<ScratchSeason | null>(null);
  // Whose it is stays: the page of another is set up anew.
  // svelte-ignore state_referenced_locally
  const draft = draftOf(`what if ${view.audition.id}`);
  onMount(() => {
    const days = Number(new URL(location.href).searchParams.get('lighter'));
    const lighter = days >= 1 && days <= 14 ? { lighterDays: Math.floor(days) } : null;
    scratch = new ScratchSeason(view.audition.id, facts, parts, plan, draft, proposed ?? lighter);
  });
  onDestroy(() => scratch?.close());

  const laid = $derived(scratch?.laid ?? null);
  const isChanged = $derived(scratch?.isChanged === true);
  const shown = $derived(isChanged && laid ? laid.plan : plan);
  const tried = $derived.by(() => {
    if (!isChanged || !laid || !scratch) return view;
    const { rounds: moved = [] } = scratch.changes;
    return {
      ...view,
      audition: {
        ...view.audition,
        rounds: view.audition.rounds.map((r) => ({
          ...r,
          date: moved.find((m) => m.roundId === r.id)?.date ?? r.date
        }))
      },
      items: view.items.map((item) => ({ ...item, plannedSteps: laid.steps[item.id] ?? item.plannedSteps }))
    };
  });
  function forgetWhenKept() {
    const kept = scratch;
    return ({ type }: ActionResult) => void (type === 'redirect' && kept?.forget());
  }
  const isSame = (changes: Changes) => JSON.stringify(changes) === JSON.stringify(scratch?.changes);
</script>

<div class="top">
  <h2>What if</h2>
  <p class="soft">A scratch copy: nothing is changed until you keep it.</p>
</div>
{#if fault}<p class="fault" role="alert">{fault} Nothing was kept.</p>{/if}
{#if scratch?.trouble}<p class="fault" role="alert">This could not be laid: {scratch.trouble}</p>{/if}
{#if plan.short && scratch}
  <Remedies
    remedies={scratch.remedies}
    isLooking={scratch.isLooking}
    {isSame}
    onTry={(changes) => scratch?.set(isSame(changes) ? {} : changes)}
  />
{/if}
{#if scratch}
  <ChangeFields request={facts} changes={scratch.changes} {scratch} />
{/if}
<div class="outcome" role="status">
  {#if isChanged && laid && scratch}
    <Difference {plan} {laid} />
    <form method="POST" action="?/keep" use:send={{ reset: false, onSend: forgetWhenKept }}>
      <input type="hidden" name="changes" value={JSON.stringify(scratch.changes)} />
      {#if scratch.isLaying}<span class="soft late">The plan is laid again ...</span>{/if}
      <button class="action main" disabled={scratch.isLaying}>Keep it</button>
      <button type="button" class="action" onclick={() => scratch?.set({})}>Drop it</button>
    </form>
  {:else}
    <p class="soft">
      {plan.short
        ? 'Choose a way above, or change something by hand: what it would do is drawn below.'
        : 'Change something by hand: what it would do is drawn below.'}
    </p>
  {/if}
</div>
<Countback view={tried} plan={shown} moves={isChanged && laid ? laid.moves : []} />

<style>
  .top {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 16px;
    align-items: baseline;
    margin: 18px 0 6px;
  }
  .outcome {
    display: flex;
    flex-wrap: wrap;
    gap: 8px 24px;
    align-items: center;
    justify-content: space-between;
    position: sticky;
    top: 0;
    z-index: 2;
    margin-top: 12px;
    padding: 8px 0;
    background: var(--paper);
    border-top: 1.5px solid var(--ink);
  }
  form {
    display: flex;
    gap: 12px;
    align-items: center;
  }
  /* said only where it takes long enough to be noticed */
  .late {
    animation: late 0s 300ms both;
  }
  @keyframes late {
    from {
      visibility: hidden;
    }
  }
  .fault {
    padding: 4px 0 4px 8px;
  }
</style>
