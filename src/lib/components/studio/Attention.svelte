<!-- What wants a look today, over all candidates: lessons, plans that do not fit, silence in a log, pages to look at again. -->
<script lang="ts">
  import { send } from '$lib/state/send';
  import UndoLine from '$lib/components/ui/UndoLine.svelte';
  import { dayOf, sayDate } from '$lib/core/units';
  import type { Recheck, StudioRow } from '$lib/schema/view';

  let {
    rows,
    rechecks,
    checked
  }: {
    rows: readonly StudioRow[];
    rechecks: readonly Recheck[];
    /** The call just looked at, and the secret by which that is taken back. */
    checked: { auditionId: string; token: string } | null;
  } = $props();

  /** A log is silent after so many days (judgement). */
  const SILENT_DAYS = 4;
  /** Short for no longer than this counts as new. */
  const NEW_DAYS = 7;

  const lessons = $derived(
    rows
      .flatMap((row) => (row.lessonToday ? [{ row, start: row.lessonToday.start ?? '' }] : []))
      .sort((a, b) => (a.start || '99').localeCompare(b.start || '99'))
  );
  const newly = $derived(
    rows.flatMap((row) =>
      row.auditions
        .filter((a) => a.shortSince && dayOf(row.today) - dayOf(a.shortSince) < NEW_DAYS)
        .map((audition) => ({ row, audition }))
    )
  );
  const isPlaying = (row: StudioRow) => row.auditions.some((a) => a.daysToGo !== null && a.items > 0);
  const silent = $derived(rows.filter((r) => isPlaying(r) && (r.daysSinceLog ?? SILENT_DAYS) >= SILENT_DAYS));
  const hurt = $derived(rows.filter((r) => r.hurtSince !== null));
  const wishing = $derived(rows.filter((r) => r.wishes > 0));
  const without = $derived(rows.filter((r) => r.lacksConsent));
  const lessonOf = (row: StudioRow) => {
    const near = row.auditions.find((a) => a.daysToGo !== null);
    return near ? `/auditions/${near.id}/lesson` : `/candidates/${row.id}`;
  };
</script>

<section aria-label="What wants a look">
  <dl>
    {#if hurt.length > 0}
      <dt>it hurts</dt>
      <dd>
        {#each hurt as row (row.id)}<a href={lessonOf(row)}
            ><strong><bdi>{row.name}</bdi></strong>: it hurt at the desk on {sayDate(dayOf(row.hurtSince!))},
            not yet said to be well</a
          >{/each}
      </dd>
    {/if}
    {#if lessons.length > 0}
      <dt>lessons today</dt>
      <dd>
        {#each lessons as { row, start } (row.id)}<a class="lesson" href={lessonOf(row)}
            ><strong>{start}</strong> <bdi>{row.name}</bdi></a
          >{/each}
      </dd>
    {/if}
    {#if newly.length > 0}
      <dt>no longer fits</dt>
      <dd>
        {#each newly as { row, audition } (audition.id)}<a href="/auditions/{audition.id}"
            ><bdi>{row.name}</bdi>: {audition.shortMin} min short since {sayDate(
              dayOf(audition.shortSince!)
            )}</a
          >{/each}
      </dd>
    {/if}
    {#if wishing.length > 0}
      <dt>wishes wait</dt>
      <dd>
        {#each wishing as row (row.id)}<a href="{lessonOf(row)}#wishes"
            ><bdi>{row.name}</bdi>: {row.wishes === 1 ? 'one wish' : `${row.wishes} wishes`}</a
          >{/each}
      </dd>
    {/if}
    {#if silent.length > 0}
      <dt>silent log</dt>
      <dd>
        {#each silent as row (row.id)}<a href="/candidates/{row.id}"
            ><bdi>{row.name}</bdi>: {row.daysSinceLog === null
              ? 'nothing logged yet'
              : `nothing for ${row.daysSinceLog} days`}</a
          >{/each}
      </dd>
    {/if}
    {#if rechecks.length > 0 || checked}
      <dt>page to look at again</dt>
      <dd>
        {#each rechecks as { auditionId, name, daysSince, webAddress } (auditionId)}
          <form method="POST" action="?/checked" use:send>
            <input type="hidden" name="audition" value={auditionId} />
            <a href="/auditions/{auditionId}/call#page">{name}</a>
            {#if webAddress}<a href={webAddress} target="_blank" rel="noopener noreferrer">open it</a>{/if}
            <span class="soft"
              >{daysSince === null ? 'never looked at so far' : `${daysSince} days ago`}, for errata and cuts</span
            >
            <button class="quiet">Looked at today</button>
          </form>
        {/each}
        {#if checked}
          {#key checked}<UndoLine token={checked.token} says="Noted: looked at today." />{/key}
        {/if}
      </dd>
    {/if}
    {#if without.length > 0}
      <dt>consent missing</dt>
      <dd>
        {#each without as row (row.id)}<a href="/candidates/{row.id}"
            ><bdi>{row.name}</bdi>: a minor, no guardian’s consent on record</a
          >{/each}
      </dd>
    {/if}
  </dl>
</section>

<style>
  section {
    margin: 14px 0 22px;
    padding: 8px 0 10px;
    border-top: 1.5px solid var(--ink);
    border-bottom: 1px solid var(--rule);
  }
  section:not(:has(dt)) {
    display: none;
  }
  dl {
    display: grid;
    grid-template-columns: 168px 1fr;
    gap: 6px 16px;
  }
  dt {
    color: var(--soft);
  }
  dd {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 28px;
  }
  dd a {
    color: inherit;
  }
  dt,
  dd {
    line-height: 1.6;
  }
  dd .quiet {
    padding: 0;
    min-height: 0;
  }
  .lesson {
    font-size: 1.07rem;
  }
  @media (max-width: 720px) {
    dl {
      grid-template-columns: 1fr;
      gap: 2px;
    }
    dt {
      margin-top: 6px;
    }
    dd {
      flex-direction: column;
    }
    dd a,
    dd form {
      padding: 4px 0;
    }
  }
</style>
