<!-- Beside the items: the minutes of the coming week, wishes that wait, and the note to take home. -->
<script lang="ts">
  import { send } from '$lib/state/send';
  import { dayOf, sayDate } from '$lib/core/units';
  import { keepFields } from '$lib/state/kept-fields';

  let {
    week,
    wishes,
    note,
    notes,
    whatIfHref,
    noteHref,
    noteNow,
    whose,
    today
  }: {
    week: readonly { readonly date: string; readonly minutes: number; readonly isOwn: boolean }[];
    wishes: readonly {
      readonly id: string;
      readonly madeOn: string;
      readonly says: string;
      /** It can be carried out with the answer. */
      readonly canBeDone: boolean;
    }[];
    /** Where it can be tried first. */
    whatIfHref: string;
    note: string;
    /** Earlier ones. */
    notes: readonly { readonly date: string; readonly note: string }[];
    /** The note as a page to print. */
    noteHref: string;
    /** What another window has saved since, where a note was refused for it. */
    noteNow: string | null;
    whose: string;
    today: string;
  } = $props();
  const say = (date: string) => sayDate(dayOf(date));
  // Read once, while it is set up: the page of another lesson sets it up anew.
  // svelte-ignore state_referenced_locally
  const [minutes, toTake] = [keepFields(`lesson week ${whose} ${today}`), keepFields(`lesson note ${whose}`)];
  const [minutesTrouble, noteTrouble] = [minutes.trouble, toTake.trouble];
</script>

<div class="side">
  <section>
    <h2>Minutes next week</h2>
    <form method="POST" action="?/week" use:minutes.action>
      {#if $minutesTrouble}<p class="fault" role="alert">{$minutesTrouble}</p>{/if}
      <div class="week">
        {#each week as day (day.date)}
          <label
            ><span>{say(day.date).slice(0, 6)}</span>
            <input type="hidden" name="date" value={day.date} />
            <input
              name="minutes"
              inputmode="numeric"
              aria-label="Minutes on {say(day.date)}"
              class:own={day.isOwn}
              value={day.minutes}
            /></label
          >
        {/each}
      </div>
      <button class="action">Agree on these</button>
    </form>
  </section>

  <section id="wishes">
    <h2>Wishes</h2>
    {#each wishes as wish (wish.id)}
      <form class="wish" method="POST" action="?/wish" use:send>
        <input type="hidden" name="wishId" value={wish.id} />
        <p><bdi>{wish.says}</bdi> <span class="soft date">{say(wish.madeOn)}</span></p>
        <p class="soft">
          {wish.canBeDone
            ? 'Accepted, it is done at once.'
            : 'Words alone: accepted, it is still yours to do by hand.'}
        </p>
        <label
          >reply <input
            name="reply"
            dir="auto"
            maxlength="1000"
            placeholder="the candidate reads it"
          /></label
        >
        <p class="ends">
          <button class="action" name="answer" value="accepted">Accept</button>
          <button class="action" name="answer" value="not now">Not now</button>
          {#if wish.canBeDone}<a href="{whatIfHref}?wish={wish.id}">See it first</a>{/if}
        </p>
      </form>
    {:else}<p class="soft">None waits.</p>{/each}
  </section>

  <section class="note">
    <h2><label for="note">Note to take home</label></h2>
    <form method="POST" action="?/note" use:toTake.action>
      {#if $noteTrouble}<p class="fault" role="alert">{$noteTrouble}</p>{/if}
      <input type="hidden" name="was" value={noteNow ?? note} />
      <textarea id="note" name="note" rows="3" dir="auto" value={note}></textarea>
      <p class="ends">
        <button class="action main">Save the note</button> <a href={noteHref}>Print it</a>
      </p>
    </form>
    {#each notes as earlier (earlier.date)}
      <p class="earlier"><span class="soft">{say(earlier.date)}:</span> <bdi>{earlier.note}</bdi></p>
    {/each}
  </section>
</div>

<style>
  .date {
    white-space: nowrap;
  }
  .side {
    display: grid;
    grid-template-columns: 1fr 1fr 1.3fr;
    gap: 24px 40px;
    margin-top: 24px;
  }
  section > * + * {
    margin-top: 6px;
  }
  .week {
    display: grid;
    grid-template-columns: repeat(7, 1fr);
    gap: 6px;
    margin-bottom: 10px;
  }
  .week span {
    display: block;
    color: var(--soft);
    font-size: 0.8rem;
    font-stretch: 80%;
    white-space: nowrap;
  }
  .week input:not([type='hidden']) {
    width: 100%;
    min-height: 34px;
    padding: 3px 4px;
    text-align: right;
  }
  .week .own {
    border-width: 2px;
    border-color: var(--plan);
  }
  .wish {
    padding-bottom: 8px;
    border-bottom: 1px solid var(--rule);
  }
  .wish p {
    margin-bottom: 6px;
  }
  .wish label {
    display: block;
    margin-bottom: 8px;
    color: var(--soft);
    font-size: 0.87rem;
  }
  .wish input:not([type='hidden']) {
    width: 100%;
  }
  textarea {
    width: 100%;
  }
  .ends {
    display: flex;
    gap: 16px;
    align-items: center;
  }
  .earlier {
    font-size: 0.93rem;
    white-space: pre-line;
  }
  @media (max-width: 900px) {
    .side {
      grid-template-columns: 1fr;
    }
  }
</style>
