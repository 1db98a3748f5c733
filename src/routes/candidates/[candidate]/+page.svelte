<script lang="ts">
  import { send } from '$lib/state/send';
  import Home from '$lib/components/lesson/Home.svelte';
  import { sayItems, sayRound } from '$lib/components/studio/audition-words';
  import Visits from '$lib/components/studio/Visits.svelte';
  import JoinLink from '$lib/components/studio/JoinLink.svelte';
  import { dayOf, sayDate } from '$lib/core/units';
  import FactsEditor from '$lib/components/studio/FactsEditor.svelte';
  import FormFaults from '$lib/components/ui/FormFaults.svelte';
  import type { ActionData, PageData } from './$types';

  let { data, form }: { data: PageData; form: ActionData } = $props();
  const isTeacher = $derived(data.who?.kind === 'teacher');
  const isTaught = $derived(isTeacher && !data.who?.isAlone);
  const isAway = $derived(data.candidate.archivedAtMs !== null);
  const hasTime = $derived(data.candidate.time.week.length > 0);
</script>

<svelte:head><title>{data.candidate.name} · Irvot</title></svelte:head>
<div class="page">
  {#if isTaught}<p><a href="/studio">Studio</a></p>{/if}
  <h1><bdi>{data.candidate.name}</bdi></h1>
  <p class="soft">{data.candidate.instruments} · practises in {data.candidate.zone}</p>
  {#if isTeacher && isAway}
    <form class="away" method="POST" action="?/archive" use:send>
      <input type="hidden" name="back" value="1" />
      Put away: not on the studio’s first page; everything is kept.
      <button class="quiet">Put back</button>
    </form>
  {/if}

  <div class="columns">
    <div>
      <section>
        <h2>Auditions</h2>
        {#each data.auditions as audition (audition.id)}
          <a class="audition" href="/auditions/{audition.id}">
            <span class="to-go" class:soft={audition.daysToGo === null}>{audition.daysToGo ?? '–'}</span>
            <span>
              <strong>{audition.name}</strong><br />
              <span class="soft">
                {sayRound(audition)} · {sayItems(audition)}{audition.shortMin
                  ? ` · ${audition.shortMin} min short`
                  : ''}
              </span>
            </span>
          </a>
        {:else}
          <p>
            {isTeacher
              ? 'No audition yet. Begin with the call: its date is what everything is counted back from.'
              : 'No audition yet; your teacher enters it.'}
          </p>
        {/each}
        {#if isTeacher}<a
            class="action"
            class:main={data.auditions.length === 0}
            href="/candidates/{data.candidate.id}/auditions/new">Add an audition</a
          >{/if}
      </section>

      <Home
        home={data.home}
        candidateId={data.candidate.id}
        {isTeacher}
        fault={form && 'wishFault' in form ? (form.wishFault ?? null) : null}
        undo={(form && 'undo' in form && form.undo) || null}
      />

      <section>
        <h2>Time</h2>
        <p>
          {hasTime
            ? `${data.candidate.time.week.reduce((sum, s) => sum + s.minutes, 0)} minutes a week.`
            : 'No practice times yet: without minutes nothing can be planned.'}
          <a href="/candidates/{data.candidate.id}/time">{hasTime ? 'Change the week' : 'Enter the week'}</a>
        </p>
      </section>

      {#if isTaught && data.visits}
        <section>
          <h2>Others who look in</h2>
          <Visits
            name={data.candidate.name}
            today={data.today}
            until={data.visits}
            made={(form && 'visit' in form && form.visit) || null}
            fault={form && 'visitFault' in form ? (form.visitFault ?? null) : null}
          />
        </section>
      {/if}
      {#if isTaught}
        <section>
          <h2>Sign-in</h2>
          {#key data.candidate.id}<JoinLink
              candidateId={data.candidate.id}
              name={data.candidate.name}
              hasJoined={data.candidate.accountId !== null}
              until={data.joinUntil === null ? null : sayDate(dayOf(data.joinUntil))}
              made={(form && 'link' in form && form.link) || null}
            />{/key}
        </section>
      {/if}
    </div>
    {#if data.facts}
      <div>
        <section>
          <h2>{isTaught ? 'About the candidate' : 'About you'}</h2>
          <FactsEditor
            form={data.facts}
            zones={data.zones}
            hasPrivateNote={isTaught}
            draftKey="facts {data.candidate.id}"
            saved={(form && 'saved' in form && form.saved) || null}
          />
        </section>
        <section class="leaving">
          <h2>Leaving</h2>
          <p>
            <a href="/candidates/{data.candidate.id}/archive.zip" download>Take along</a>: everything of this
            candidate in one open file, for another studio.{isTaught ? ' Your private note is left out.' : ''}
          </p>
          {#if isTaught && !isAway}
            <form method="POST" action="?/archive" use:send>
              <button class="quiet">Put away</button>: off the studio’s first page, everything kept.
            </form>
          {/if}
          {#if isTaught}<details open={Boolean(form && 'eraseFault' in form)}>
              <summary>Erase for good</summary>
              <FormFaults errors={form && 'eraseFault' in form ? [form.eraseFault ?? ''] : undefined} />
              <form class="erase" method="POST" action="?/erase" use:send>
                <label for="typed"
                  >Erases the log, the plans and the sign-in of <bdi>{data.candidate.name}</bdi>. It cannot be
                  undone. Backups made before still hold it for up to a fortnight: delete them in the folder
                  of backups too, where it must be gone at once. Type the name to be sure.</label
                >
                <input id="typed" name="typed" autocomplete="off" />
                <button class="action">Erase</button>
              </form>
            </details>{/if}
        </section>
      </div>
    {/if}
  </div>
</div>

<style>
  .columns {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(min(100%, 440px), 1fr));
    gap: 0 64px;
    max-width: 1180px;
  }
  section {
    max-width: 720px;
    margin-top: 32px;
  }
  section > :global(* + *) {
    margin-top: 8px;
  }
  .audition {
    display: flex;
    gap: 16px;
    align-items: center;
    padding: 10px 0;
    border-bottom: 1px solid var(--rule);
    color: inherit;
    text-decoration: none;
  }
  .audition strong {
    color: var(--plan);
    text-decoration: underline;
    text-underline-offset: 2px;
  }
  .to-go {
    min-width: 52px;
    text-align: right;
  }
  .away {
    max-width: 720px;
    margin-top: 12px;
    padding: 6px 12px;
    border-left: 4px solid var(--ink);
    background: var(--ground);
  }
  .erase {
    display: grid;
    grid-template-columns: 1fr auto;
    gap: 8px 12px;
    margin-top: 8px;
  }
  .erase label {
    grid-column: 1 / -1;
  }
  .erase input {
    width: 100%;
  }
</style>
