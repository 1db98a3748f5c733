<!-- Links for others: a guardian who reads the week, a substitute who reads what a lesson needs. -->
<script lang="ts">
  import ShareLink from '$lib/components/ui/ShareLink.svelte';
  import type { SharedLink } from '$lib/schema/view';
  import { send } from '$lib/state/send';

  type Kind = 'guardian' | 'substitute';
  let {
    name,
    today,
    until,
    made,
    fault
  }: {
    name: string;
    today: string;
    /** Last days of the links that are open, in words; null where none is. */
    until: Readonly<Record<Kind, string | null>>;
    made: { readonly kind: Kind; readonly link: SharedLink } | null;
    fault: string | null;
  } = $props();
  const KINDS = [
    ['guardian', 'A guardian reads the week: days, minutes, lessons; no notes. It works for half a year.'],
    [
      'substitute',
      'A substitute reads what a lesson needs: the list, what holds, spots, your notes to take home.'
    ]
  ] as const;
</script>

{#if fault}<p class="fault" role="alert">{fault}</p>{/if}
{#each KINDS as [kind, says] (kind)}
  <div class="one">
    <p>{says}</p>
    {#if made?.kind === kind}<ShareLink
        id="visit-{kind}"
        label="Link for {name}’s {kind}; shown only now"
        link={made.link}
      />{/if}
    <form method="POST" action="?/visit" use:send={{ reset: false }}>
      <input type="hidden" name="kind" value={kind} />
      {#if kind === 'substitute'}<label
          >until the end of <input type="date" name="until" min={today} required /></label
        >{/if}
      <button class="action">Make a {kind}’s link</button>
      {#if until[kind] !== null}
        <span class="soft">one is open until {until[kind]}</span>
        <button class="quiet" formaction="?/endVisit" formnovalidate>End it</button>
      {/if}
    </form>
  </div>
{/each}

<style>
  .one {
    padding: 6px 0 10px;
    border-bottom: 1px solid var(--rule);
  }
  form {
    display: flex;
    flex-wrap: wrap;
    gap: 6px 14px;
    align-items: center;
    margin-top: 6px;
  }
  label {
    color: var(--soft);
    font-size: 0.93rem;
  }
</style>
