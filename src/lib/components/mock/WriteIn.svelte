<!-- A mock that was played without Irvot: which day and stage, what was heard of which item, and by whom. -->
<script lang="ts">
  import { STAGE_NAMES } from '$lib/core/record/words';
  import { sayBars } from '$lib/core/units';
  import { send } from '$lib/state/send';

  type View = {
    readonly audition: { readonly id: string };
    readonly today: string;
    readonly newId: string;
    readonly minutes: readonly number[];
    readonly items: readonly {
      readonly id: string;
      readonly name: string;
      readonly fromBar: number;
      readonly toBar: number;
    }[];
  };
  let { view, fault }: { view: View; fault: string } = $props();

  let stage = $state(3);
  let typed = $state<Record<string, string>>({});
  const heard = $derived(
    view.items
      .map(({ id }) => ({ itemId: id, bars: (typed[id] ?? '').trim() }))
      .filter(({ bars }) => bars !== '')
  );
</script>

<h2>A mock from paper</h2>
<p class="soft">
  What was heard, and by whom. Their words follow, each on a ballot of their own, under “write it in”.
</p>
<form method="POST" use:send={{ reset: false }}>
  <input type="hidden" name="id" value={view.newId} />
  <input type="hidden" name="heard" value={JSON.stringify(heard)} />
  <div class="fields">
    <label
      ><span>Stage</span>
      <select name="stage" bind:value={stage}>
        {#each STAGE_NAMES as name, i (name)}<option value={i + 1}>{i + 1} {name}</option>{/each}
      </select></label
    >
    <label
      ><span>Played on</span><input
        type="date"
        name="date"
        required
        max={view.today}
        value={view.today}
      /></label
    >
    <label class="wide"><span>Place</span><input name="place" maxlength="200" dir="auto" /></label>
    <label
      ><span>Minutes</span><input
        name="minutes"
        inputmode="numeric"
        size="4"
        value={view.minutes[stage - 1]}
      /></label
    >
    <label class="all"
      ><span>Who heard it, between commas</span><input
        name="jurors"
        maxlength="1000"
        dir="auto"
        autocomplete="off"
      /></label
    >
  </div>
  <table>
    <thead>
      <tr><th scope="col">Item</th><th scope="col">Bars that were heard</th></tr>
    </thead>
    <tbody>
      {#each view.items as item (item.id)}
        <tr>
          <th scope="row"><label for={item.id}><bdi>{item.name}</bdi></label></th>
          <td
            ><input id={item.id} bind:value={typed[item.id]} size="10" maxlength="20" autocomplete="off" />
            <span class="soft">of {sayBars(item)}</span></td
          >
        </tr>
      {/each}
    </tbody>
  </table>
  <p class="soft how">As 12-24, or “all”; what was not heard stays empty.</p>
  <p class="ways">
    <button class="action main">Write it in</button>
    <a href="/auditions/{view.audition.id}/mocks">Back to the mocks</a>
  </p>
  {#if fault}<p class="fault" role="alert">{fault}</p>{/if}
</form>

<style>
  h2 {
    margin: 18px 0 4px;
    font-size: 1.7rem;
  }
  .fields {
    display: flex;
    flex-wrap: wrap;
    gap: 10px 16px;
    align-items: end;
    margin: 14px 0;
  }
  .fields span {
    display: block;
    color: var(--soft);
    font-size: 0.87rem;
  }
  input,
  select {
    min-height: 40px;
  }
  .wide {
    flex: 1 1 180px;
  }
  .all {
    flex: 1 1 100%;
  }
  .wide input,
  .all input {
    width: 100%;
  }
  table {
    width: auto;
  }
  tbody th,
  td {
    padding: 6px 32px 6px 0;
    border-bottom: 1px solid var(--rule);
    color: var(--ink);
    font-size: 1rem;
    font-weight: 500;
    text-align: left;
  }
  td .soft {
    font-weight: 400;
  }
  .how {
    margin-top: 8px;
  }
  .ways {
    display: flex;
    flex-wrap: wrap;
    gap: 8px 20px;
    align-items: center;
    margin-top: 14px;
  }
</style>
