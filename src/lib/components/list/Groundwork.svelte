<!-- The groundwork of every item as a checklist with dates: a tick is a date, taken off by ticking again. -->
<script lang="ts">
  import { send } from '$lib/state/send';
  import { GROUNDWORK, relatedScales } from '$lib/core/readiness';
  import type { GroundworkKind } from '$lib/core/record/words';
  import { dayOf, sayDate } from '$lib/core/units';

  let {
    items,
    ticks,
    dueOn
  }: {
    items: readonly {
      readonly id: string;
      readonly name: string;
      readonly kind: string;
      readonly key: string;
      readonly errata: readonly unknown[];
    }[];
    ticks: Readonly<Record<string, Readonly<Partial<Record<GroundworkKind, string | undefined>>>>>;
    /** Last of the first days, meant for it; null where there is no plan. */
    dueOn: string | null;
  } = $props();

  const listed = $derived(items.filter((item) => item.kind !== 'sight-reading'));
  const open = $derived(
    listed.reduce((sum, { id }) => sum + GROUNDWORK.filter((g) => !ticks[id]?.[g.kind]).length, 0)
  );
  const say = (date: string) => sayDate(dayOf(date)).slice(4);
</script>

<section>
  <h2>Groundwork</h2>
  <p class="soft">
    {open === 0 ? 'All done.' : `${open} open`}{dueOn && open > 0
      ? `, meant for the first days, up to ${say(dueOn)}`
      : ''}
  </p>
  <div class="scroll">
    <table>
      <thead>
        <tr>
          <th scope="col">item</th>{#each GROUNDWORK as { kind, asks } (kind)}<th scope="col">{asks}</th
            >{/each}
        </tr>
      </thead>
      <tbody>
        {#each listed as item (item.id)}
          <tr>
            <th scope="row"><bdi>{item.name}</bdi></th>
            {#each GROUNDWORK as { kind, asks } (kind)}
              {@const on = ticks[item.id]?.[kind]}
              <td>
                <form method="POST" action="?/groundwork" use:send>
                  <input type="hidden" name="itemId" value={item.id} />
                  <input type="hidden" name="check" value={kind} />
                  <button
                    name="isHeld"
                    value={on ? '0' : '1'}
                    aria-pressed={on !== undefined}
                    aria-label="{item.name}: {asks}{on ? `, ${say(on)}` : ''}"
                    ><i class:on></i>{on ? say(on) : ''}</button
                  >
                </form>
                {#if kind === 'errata' && item.errata.length > 0 && !on}<p class="soft">
                    {item.errata.length} to enter
                  </p>{/if}
                {#if kind === 'scales' && !on && relatedScales(item.key).length > 0}
                  <p class="soft">{relatedScales(item.key).join(' · ')}</p>
                {/if}
              </td>
            {/each}
          </tr>
        {/each}
      </tbody>
    </table>
  </div>
</section>

<style>
  section {
    margin-top: 32px;
  }
  .scroll {
    position: relative;
    overflow-x: auto;
  }
  thead th {
    white-space: nowrap;
  }
  th[scope='row'] {
    border-bottom: 1px solid var(--rule);
    color: var(--ink);
    font-size: 1rem;
    font-weight: 600;
    vertical-align: top;
  }
  td {
    padding: 2px 12px 2px 0;
  }
  td p {
    max-width: 190px;
    font-size: 0.8rem;
    line-height: 1.25;
  }
  button {
    display: flex;
    gap: 6px;
    align-items: center;
    min-width: 84px;
    min-height: 30px;
    padding: 0;
    border: 0;
    background: none;
    white-space: nowrap;
  }
  i {
    width: 15px;
    height: 15px;
    border: 1.5px solid var(--soft);
  }
  i.on {
    border-color: var(--ink);
    background: var(--ink);
  }
</style>
