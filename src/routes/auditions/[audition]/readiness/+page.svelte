<script lang="ts">
  import { send } from '$lib/state/send';
  import { TICKED_CHECKS } from '$lib/core/readiness';
  import { dayOf, sayDate } from '$lib/core/units';
  import type { PageData } from './$types';

  let { data }: { data: PageData } = $props();
  const view = $derived(data.view);
  const weakest = $derived(view.readings[0]);
  const isTicked = (kind: (typeof TICKED_CHECKS)[number]) => TICKED_CHECKS.includes(kind);
</script>

<svelte:head><title>Readiness · {view.candidate.name} · Irvot</title></svelte:head>
{#if !weakest}
  <p class="next">There is nothing to check yet: the list is empty or every round has taken place.</p>
{:else}
  <div class="next">
    <h2>{weakest.weakest ? `Next: ${weakest.name}` : 'Every check holds'}</h2>
    <p>{weakest.nextAction}</p>
    <p class="soft">
      Readiness is a chain: the weakest item decides. Evidence ages; what is too old is asked again.
    </p>
  </div>
  {#each view.readings as reading (reading.id)}
    <article>
      <div class="item">
        <h3>{reading.name}</h3>
        <p class="soft">{reading.holding} of {reading.checks.length} hold</p>
        {#if reading.weakest}<p class="action-text">{reading.nextAction}</p>{/if}
      </div>
      <ul>
        {#each reading.checks as check (check.kind)}
          <li class={check.state.replace(' ', '-')} class:weakest={check.kind === reading.weakest?.kind}>
            <span class="box" aria-hidden="true"></span>
            <span class="asks">
              {check.asks}
              <span class="soft">
                {check.state}{check.on !== null ? `, ${sayDate(check.on)}` : ''}{check.says &&
                check.state !== 'holds'
                  ? `: ${check.says}`
                  : ''}
              </span>
            </span>
            {#if isTicked(check.kind)}
              <form method="POST" action="?/tick" use:send>
                <input type="hidden" name="itemId" value={reading.id} />
                <input type="hidden" name="kind" value={check.kind} />
                <input
                  type="hidden"
                  name="isTicked"
                  value={check.state === 'holds' && check.on === dayOf(view.today) ? '0' : '1'}
                />
                <button
                  class="quiet"
                  aria-label="{reading.name}, {check.asks}: {check.state === 'holds' &&
                  check.on === dayOf(view.today)
                    ? 'not after all'
                    : 'it holds'}"
                >
                  {check.state === 'holds' && check.on === dayOf(view.today) ? 'not after all' : 'it holds'}
                </button>
              </form>
            {/if}
          </li>
        {/each}
      </ul>
    </article>
  {/each}
{/if}

<style>
  .next {
    max-width: 70ch;
    margin: 20px 0 16px;
  }
  .next h2 {
    font-size: 1.4rem;
  }
  .next p:nth-of-type(1) {
    font-size: 1.13rem;
  }
  article {
    display: grid;
    grid-template-columns: var(--names) 1fr;
    gap: 6px 0;
    padding: 10px 0 12px;
    border-top: 1px solid var(--rule);
  }
  article:first-of-type {
    border-top: 1.5px solid var(--ink);
  }
  .item {
    padding-right: 20px;
  }
  .action-text {
    margin-top: 4px;
    font-size: 0.93rem;
  }
  ul {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 0 32px;
    padding: 0;
    list-style: none;
  }
  li {
    display: grid;
    grid-template-columns: 22px 1fr auto;
    gap: 6px;
    align-items: start;
    min-height: 30px;
    padding: 2px 0;
    font-size: 0.93rem;
  }
  .box {
    width: 13px;
    height: 13px;
    margin-top: 4px;
    border: 1.5px solid var(--ink);
  }
  .holds .box {
    background: var(--ink);
  }
  .ask-again .box {
    border-style: dotted;
    border-width: 2px;
  }
  .not-yet .box {
    background: repeating-linear-gradient(45deg, var(--ink) 0 1px, transparent 1px 4px);
  }
  .weakest .asks {
    font-weight: 650;
  }
  .quiet {
    font-size: 0.87rem;
  }
  @media (max-width: 900px) {
    article,
    ul {
      grid-template-columns: 1fr;
    }
  }
</style>
