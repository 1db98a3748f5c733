<!-- The one next action of an audition, and the day to come on which it can be put. -->
<script lang="ts">
  import { sayBlock, sayDay, sayNext } from './next-words';
  import type { ReadinessView } from '$lib/schema/readiness-view';
  import { send } from '$lib/state/send';

  let { view }: { view: ReadinessView } = $props();

  const next = $derived(view.next);
  const words = $derived(next && sayNext(next, view.today));
  const link = $derived.by(() => {
    const [check] = next?.checks ?? [];
    if (check?.kind === 'mock') return { href: `/auditions/${view.audition.id}/mocks`, says: 'To the mocks' };
    if (check?.kind !== 'page') return null;
    return { href: `/auditions/${view.audition.id}/call`, says: 'To the call' };
  });
</script>

<div class="next">
  <div>
    {#if view.isHurt && next?.block && words}
      <h2>Rest first</h2>
      <p>
        Something hurts: nothing is put on a day until it is said to be well. Pain, numbness or stiffness that
        lasts is for a licensed health professional. Then comes <bdi>{next.name}</bdi>, {words.what}.
      </p>
    {:else if next && words}
      <h2>Next: <bdi>{next.name}</bdi>, {words.what}</h2>
      <p>{words.says}</p>
    {:else}
      <h2>Every required check holds</h2>
      <p>Keep it warm: a short touch every four days, a run a week.</p>
    {/if}
  </div>
  {#if next?.asked && next.asked.is !== 'planned'}
    <form method="POST" action="?/ask" use:send>
      <input type="hidden" name="itemId" value={next.itemId} />
      <input type="hidden" name="as" value={next.asked.as} />
      <input type="hidden" name="isWanted" value={next.asked.is === 'open' ? '1' : '0'} />
      <button class={next.asked.is === 'open' ? 'put' : 'off'}
        >{next.asked.is === 'open' ? `Put it on ${words!.day}` : 'Take it off again'}</button
      >
    </form>
  {:else if link}
    <a class="put" href={link.href}>{link.says}</a>
  {/if}
</div>
{#if view.put.length > 0}
  <ul>
    {#each view.put as { itemId, name, as, date } (`${as} ${itemId}`)}
      <li>
        <form method="POST" action="?/ask" use:send>
          <input type="hidden" name="itemId" value={itemId} />
          <input type="hidden" name="as" value={as} />
          <input type="hidden" name="isWanted" value="0" />
          Put on {sayDay(date, view.today)}, too: <bdi>{name}</bdi>, {sayBlock(as)}
          <button class="quiet" aria-label="Take {name}, {sayBlock(as)}, off again">take it off</button>
        </form>
      </li>
    {/each}
  </ul>
{/if}

<style>
  .next {
    display: flex;
    flex-wrap: wrap;
    gap: 12px 32px;
    align-items: center;
    justify-content: space-between;
    margin: 18px 0 28px;
  }
  h2 {
    font-size: clamp(1.5rem, 3vw, 2.3rem);
    font-stretch: 88%;
    line-height: 1.1;
  }
  p {
    max-width: 86ch;
    margin-top: 4px;
    font-size: 1.06rem;
    font-stretch: 88%;
  }
  ul {
    margin: -16px 0 28px;
    padding: 0;
    list-style: none;
    font-stretch: 88%;
  }
  .put,
  .off {
    display: inline-block;
    min-height: 48px;
    padding: 12px 26px;
    border: 1.5px solid var(--ink);
    font-weight: 600;
  }
  .put {
    background: var(--ink);
    color: var(--paper);
    text-decoration: none;
  }
  .off {
    background: none;
  }
</style>
