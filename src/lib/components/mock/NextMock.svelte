<!-- The mock that comes next: when and where, what is drawn, who hears it, and the way to its run. -->
<script lang="ts">
  import { dayOf, sayBars, sayDate } from '$lib/core/units';
  import type { MockView, StageView } from '$lib/schema/mock-view';
  import type { SharedLink } from '$lib/schema/view';
  import { send } from '$lib/state/send';
  import Jurors from './Jurors.svelte';
  import Limits from './Limits.svelte';

  let {
    mock,
    stage,
    isTeaching,
    cover,
    link,
    faultOf
  }: {
    mock: MockView;
    stage: StageView;
    isTeaching: boolean;
    cover: { readonly heard: number; readonly of: number };
    /** For a juror, made just now; shown this once. */
    link: SharedLink | null;
    faultOf: (what: string) => string;
  } = $props();

  let isMoving = $state(false);
  const hasBegun = $derived(mock.at !== null);
  const isKnown = $derived(mock.draw.length === mock.count);
</script>

<section class="next" aria-labelledby="next">
  <div>
    <h2 id="next">Next: {stage.name}</h2>
    <p class="when">
      {sayDate(dayOf(mock.date))}{mock.time ? `, ${mock.time}` : ''}{mock.place ? `, ${mock.place}` : ''}
    </p>
    {#if mock.before}<p class="soft">
        Before it {mock.before.warmUpMin} minutes to warm up, then {mock.before.waitingMin} of waiting; they count
        down on the player’s screen.
      </p>{/if}
    {#if mock.evening && isTeaching}<p class="soft">
        Part of <a href="/studio/evening/{mock.evening}">a mock evening</a>, as candidate {mock.number}.
      </p>{/if}
    {#if stage.expects}<p class="soft">Expected by then: {stage.expects}. It is played all the same.</p>{/if}
    <p class="soft">Passed when: {stage.passes}.</p>
    <p class="ways">
      {#if mock.stage === 1}<a class="action main" href="/mocks/{mock.id}/alone"
          >{hasBegun ? 'Go on with the run' : 'To the run, with the recorder'}</a
        >{:else}
        {#if isTeaching || mock.stage <= 2}<a class="action main" href="/mocks/{mock.id}/panel"
            >{hasBegun ? 'Go on with the run' : 'To the run'}</a
          >{/if}
        <a class="action" href="/mocks/{mock.id}/stand">The player’s screen</a>
      {/if}
    </p>
    {#if !hasBegun}
      <div class="ways">
        <form method="POST" action="?/draw" use:send>
          <input type="hidden" name="mock" value={mock.id} />
          <input type="hidden" name="count" value={mock.count} />
          <button class="quiet">draw again</button>
        </form>
        {#if isKnown}<a href="/mocks/{mock.id}/paper">ballots on paper</a>{/if}
        <button class="quiet" aria-expanded={isMoving} onclick={() => (isMoving = !isMoving)}>move</button>
        <form method="POST" action="?/drop" use:send>
          <input type="hidden" name="mock" value={mock.id} />
          <button class="quiet">give it up</button>
        </form>
      </div>
      {#if isMoving}
        <form class="fields" method="POST" action="?/move" use:send={{ reset: false }}>
          <input type="hidden" name="mock" value={mock.id} />
          <label>Day <input type="date" name="date" required value={mock.date} /></label>
          <label>Hour <input type="time" name="time" value={mock.time ?? ''} /></label>
          <label>Place <input name="place" maxlength="200" dir="auto" value={mock.place} /></label>
          <label>Minutes <input name="minutes" inputmode="numeric" size="4" value={mock.minutes} /></label>
          <Limits before={mock.before} />
          <button class="action">Move it</button>
        </form>
      {/if}
    {/if}
    {#each ['move', 'draw', 'drop'] as what (what)}{#if faultOf(what)}<p class="fault" role="alert">
          {faultOf(what)}
        </p>{/if}{/each}
  </div>

  <div>
    <h3>{mock.count === 1 ? 'One item' : `${mock.count} items`}, candidate {mock.number}</h3>
    {#if isKnown}
      <ol>
        {#each mock.draw as cut, i (i)}<li>
            <bdi>{cut.name}</bdi>, {sayBars(cut)}{#if cut.isOdd}<span class="soft">, oddly on purpose</span
              >{/if}
          </li>{/each}
      </ol>
    {:else}<p class="soft">What is drawn is announced when it is played.</p>{/if}
    <p class="soft">The mocks booked until now hear {cover.heard} of {cover.of} lines.</p>

    <Jurors {mock} {link} fault={faultOf('juror')} isLed={isTeaching || mock.stage <= 2} />
  </div>
</section>

<style>
  .next {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    gap: 20px 48px;
    margin: 18px 0 8px;
  }
  h2 {
    font-size: 1.7rem;
  }
  .when {
    margin: 4px 0 10px;
    font-size: 1.15rem;
  }
  h3 {
    margin: 0 0 4px;
  }
  ol {
    margin: 0 0 6px;
    padding-left: 22px;
  }
  .ways,
  .fields {
    display: flex;
    flex-wrap: wrap;
    gap: 8px 18px;
    align-items: center;
    margin-top: 10px;
  }
  @media (max-width: 900px) {
    .next {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
