<!-- The page on which the call is published: opened, compared with what is known of it, and noted as looked at. -->
<script lang="ts">
  import UndoLine from '$lib/components/ui/UndoLine.svelte';
  import { dayOf, sayDate } from '$lib/core/units';
  import type { Undo } from '$lib/schema/view';
  import { send } from '$lib/state/send';

  type Printed = {
    readonly id: string;
    readonly name: string;
    readonly errata: readonly { readonly bar: number; readonly says: string; readonly addedOn: string }[];
    readonly cuts: readonly { readonly fromBar: number; readonly toBar: number; readonly addedOn: string }[];
  };
  let {
    webAddress,
    checkedOn,
    today,
    printed,
    base,
    undo
  }: {
    /** Empty where nobody said. */
    webAddress: string;
    checkedOn: string | null;
    today: string;
    printed: readonly Printed[];
    base: string;
    undo: Undo | null;
  } = $props();

  const known = $derived(printed.filter(({ errata, cuts }) => errata.length > 0 || cuts.length > 0));
  const bars = (from: number, to: number) => (from === to ? `${from}` : `${from}–${to}`);
  const say = (date: string) => sayDate(dayOf(date));
</script>

<section id="page">
  <h2>Its page, looked at each week for errata and cuts</h2>
  <form method="POST" action="?/checked" use:send>
    {#if webAddress}<a class="action" href={webAddress} target="_blank" rel="noopener noreferrer"
        >Open the page</a
      >{:else}<span class="soft">Its address can be entered below.</span>{/if}
    <button class="action" disabled={checkedOn === today}
      >{checkedOn === today ? 'Looked at today' : 'Note: looked at today'}</button
    >
    <span class="soft">{checkedOn ? `last on ${say(checkedOn)}` : 'never so far'}</span>
  </form>
  {#if undo}{#key undo}<UndoLine {...undo} />{/key}{/if}
  {#if known.length > 0}
    <p class="soft">What is known, to compare with it:</p>
    <ul>
      {#each known as { id, name, errata, cuts } (id)}
        <li>
          <a href="{base}/list/{id}"><bdi>{name}</bdi></a>:
          {#each errata as { bar, says, addedOn } (`${bar} ${says}`)}<span
              >bar {bar}: <bdi>{says}</bdi> <small>{say(addedOn)}</small></span
            >{/each}
          {#each cuts as { fromBar, toBar, addedOn } (`${fromBar}-${toBar}`)}<span
              >cut: bars {bars(fromBar, toBar)} <small>{say(addedOn)}</small></span
            >{/each}
        </li>
      {/each}
    </ul>
  {:else}<p class="soft">
      No erratum and no cut is known yet; they are entered with each item of the list.
    </p>{/if}
</section>

<style>
  section {
    max-width: 960px;
    margin-top: 14px;
    padding: 10px 0 12px;
    border-top: 1.5px solid var(--ink);
    border-bottom: 1px solid var(--rule);
  }
  section > * + * {
    margin-top: 8px;
  }
  form {
    display: flex;
    flex-wrap: wrap;
    gap: 8px 18px;
    align-items: center;
  }
  ul {
    padding: 0;
    list-style: none;
  }
  li span {
    margin-right: 14px;
  }
  small {
    color: var(--soft);
    font-size: 0.8rem;
  }
</style>
