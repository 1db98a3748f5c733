<!-- All checks of one item: where each stands and by whose word, what can be said of it now, and how much it counts. -->
<script lang="ts">
  import type { CheckReading, ItemReadiness } from '$lib/core/readiness';
  import { CHECKS_BY_HAND, CHECK_LEVELS } from '$lib/core/record/words';
  import { sayDate } from '$lib/core/units';
  import type { ReadinessView } from '$lib/schema/readiness-view';
  import { send } from '$lib/state/send';
  import { BY } from './cells';

  let { view, reading }: { view: ReadinessView; reading: ItemReadiness } = $props();

  const isByHand = (kind: CheckReading['kind']) => CHECKS_BY_HAND.some((one) => one === kind);
  const shown = $derived(reading.checks.filter(({ level }) => view.isTeaching || level !== 'off'));
  const signOf = ({ level, state }: CheckReading) =>
    level === 'off' ? 'off' : state === 'holds' ? 'holds' : state === 'ask again' ? 'aged' : 'open';
</script>

<ul>
  {#each shown as check (check.kind)}
    {@const { latest, history } = check}
    <li class={[signOf(check), { optional: check.level !== 'required' }]}>
      <i aria-hidden="true"></i>
      <div>
        <p class="asks">
          <b>{check.asks}</b>{check.level === 'off' ? ', not asked' : `, ${check.state}`}{check.level ===
          'optional'
            ? ', optional'
            : ''}
        </p>
        {#if latest && check.level !== 'off'}<p class="soft">
            {latest.isHeld ? '' : 'not on '}{sayDate(latest.on)}, {BY[latest.by]}{latest.says
              ? `: ${latest.says}`
              : ''}{check.state === 'holds' && check.lastsTo !== null
              ? `; counts to ${sayDate(check.lastsTo)}`
              : ''}
          </p>{/if}
        {#if history.length > 1 && check.level !== 'off'}<details>
            <summary>{history.length} times</summary>
            <ol>
              {#each history as one, i (i)}<li>
                  {sayDate(one.on)}, {BY[one.by]}: {one.isHeld ? 'held' : 'not yet'}{one.says
                    ? `, ${one.says}`
                    : ''}
                </li>{/each}
            </ol>
          </details>{/if}
      </div>
      <div class="acts">
        {#if isByHand(check.kind) && check.level !== 'off'}
          <form method="POST" action="?/say" use:send>
            <input type="hidden" name="itemId" value={reading.id} />
            <input type="hidden" name="check" value={check.kind} />
            <button class="quiet" name="isHeld" value="1" aria-label="{reading.name}, {check.asks}: it holds"
              >it holds</button
            >
            {#if check.state === 'holds'}<button
                class="quiet"
                name="isHeld"
                value="0"
                aria-label="{reading.name}, {check.asks}: not after all">not after all</button
              >{/if}
          </form>
        {/if}
        {#if view.isTeaching}
          <form method="POST" action="?/level" use:send>
            <input type="hidden" name="itemId" value={reading.id} />
            <input type="hidden" name="check" value={check.kind} />
            <select
              name="level"
              value={check.level}
              aria-label="{reading.name}, {check.asks}: how much it counts"
              onchange={(event) => event.currentTarget.form?.requestSubmit()}
            >
              {#each CHECK_LEVELS as level (level)}<option value={level}>{level}</option>{/each}
            </select>
          </form>
        {/if}
      </div>
    </li>
  {/each}
</ul>

<style>
  ul {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(min(100%, 520px), 1fr));
    gap: 0 40px;
    margin: 0;
    padding: 10px 0 18px;
    list-style: none;
  }
  ul > li {
    display: grid;
    grid-template-columns: 20px minmax(0, 1fr) auto;
    gap: 8px;
    align-items: start;
    min-height: 44px;
    padding: 6px 0;
    border-top: 1px solid var(--rule);
    font-size: 15px;
  }
  i {
    width: 14px;
    height: 14px;
    margin-top: 4px;
    border: 1.5px solid var(--ink);
  }
  .holds i {
    background: var(--ink);
  }
  .aged i {
    border-style: dotted;
    border-width: 2.5px;
  }
  .open i {
    background: repeating-linear-gradient(45deg, var(--ink) 0 1px, transparent 1px 4px);
  }
  .off i {
    height: 0;
    margin-top: 11px;
    border-color: var(--soft);
    border-width: 1px 0 0;
  }
  .optional .asks b {
    font-weight: 400;
  }
  .off .asks {
    color: var(--soft);
  }
  p {
    margin: 0;
  }
  ol {
    padding-left: 18px;
    font-size: 14px;
  }
  summary {
    padding: 4px 0;
    color: var(--soft);
    font-size: 14px;
  }
  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 14px;
    align-items: center;
    justify-content: end;
  }
  .acts form {
    display: flex;
    gap: 4px 14px;
  }
  select {
    min-height: 32px;
    padding: 2px 6px;
    font-size: 14px;
  }
</style>
