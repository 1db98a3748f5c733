<script lang="ts">
  import { onMount } from 'svelte';
  import { send } from '$lib/state/send';
  import TakeIn from '$lib/components/studio/TakeIn.svelte';
  import { dayOf, sayDate } from '$lib/core/units';
  import type { ActionData, PageData } from './$types';

  let { data, form }: { data: PageData; form: ActionData } = $props();
  const size = (bytes: number) =>
    bytes < 1024 * 1024 ? `${Math.ceil(bytes / 1024)} kB` : `${(bytes / 1024 / 1024).toFixed(1)} MB`;
  /** Once the page runs in a browser: times there are the reader's own. */
  let isHere = $state(false);
  onMount(() => (isHere = true));
  function when(ms: number): string {
    const shift = isHere ? new Date(ms).getTimezoneOffset() * 60_000 : 0;
    const [date, time] = new Date(ms - shift).toISOString().split('T') as [string, string];
    return `${sayDate(dayOf(date))}, ${time.slice(0, 5)}${isHere ? '' : ' UTC'}`;
  }
  const newest = $derived(data.backups[0]);
</script>

<svelte:head><title>Archive and backup · Irvot</title></svelte:head>
<div class="page">
  <p><a href="/studio">Studio</a></p>
  <h1>Archive and backup</h1>

  <section>
    <h2>Take everything out</h2>
    <p>
      One open file with every candidate, list, log and plan. It can be read without this program and taken in
      by another studio.
    </p>
    <a class="action" href="/studio/archive.zip" download>The whole studio, as a file</a>
    <p class="soft">
      One candidate alone: on the candidate’s page, under “Leaving”. Sign-ins do not travel; the candidate
      gets a new link.
    </p>
  </section>

  <section>
    <h2>Take in</h2>
    <p>
      An archive of another studio, or of one candidate. It is added to what is here, wholly or not at all.
    </p>
    <TakeIn />
  </section>

  <section>
    <h2>Backups</h2>
    {#if newest}
      <p class="newest">The newest is of <strong>{when(newest.atMs)}</strong>, {size(newest.bytes)}.</p>
    {:else}<p class="newest">There is <strong>none yet</strong>.</p>{/if}
    <form method="POST" action="?/backUp" use:send>
      <button class="action">Back up now</button>
      {#if form && 'isBackedUp' in form}<span role="status">Done; the copy was checked.</span>{/if}
    </form>
    <p>
      {data.isDemo
        ? 'The demo makes a copy only when asked; a studio makes one each day while it runs, kept for a fortnight.'
        : 'A copy of the whole studio is made each day while it runs, and kept for a fortnight.'}
      They lie in <code>{data.directory}</code>: copy that folder to another disk now and then.
    </p>
    {#if newest}
      <table>
        <thead
          ><tr><th scope="col">made</th><th scope="col">file</th><th scope="col" class="number">size</th></tr
          ></thead
        >
        <tbody>
          {#each data.backups as backup (backup.name)}
            <tr
              ><td>{when(backup.atMs)}</td><td class="file">{backup.name}</td><td class="number"
                >{size(backup.bytes)}</td
              ></tr
            >
          {/each}
        </tbody>
      </table>
      <p class="soft">
        To go back to one: stop the studio, then <code>npm run restore -- {data.directory}/{newest.name}</code
        >.
      </p>
    {/if}
  </section>
</div>

<style>
  section {
    max-width: 720px;
    margin-top: 32px;
  }
  section > * + * {
    margin-top: 8px;
  }
  form {
    display: flex;
    flex-wrap: wrap;
    gap: 12px;
    align-items: center;
  }
  .file,
  code {
    overflow-wrap: anywhere;
  }
</style>
