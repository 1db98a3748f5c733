<!-- Who hears a mock: what each has written, their links, and the way to write a ballot in by hand. -->
<script lang="ts">
  import ShareLink from '$lib/components/ui/ShareLink.svelte';
  import type { MockView } from '$lib/schema/mock-view';
  import type { SharedLink } from '$lib/schema/view';
  import { send } from '$lib/state/send';

  let {
    mock,
    isLed,
    link,
    fault
  }: {
    mock: MockView;
    /** Whoever looks leads its run, and may write ballots in. */
    isLed: boolean;
    /** For a juror, made just now; shown this once. */
    link: SharedLink | null;
    fault: string;
  } = $props();

  const isRecorded = $derived(mock.played.some(({ takeId }) => takeId !== null));
  const standing = ({ written, hasLink }: MockView['jurors'][number]) =>
    written.length > 0 ? `has written of ${written.length}` : hasLink ? 'has a ballot' : 'has no link';
</script>

<div class="jurors">
  <h3>Who hears it</h3>
  {#each mock.jurors as juror (juror.id)}
    <form class="juror" method="POST" action={juror.hasLink ? '?/endJuror' : '?/link'} use:send>
      <input type="hidden" name="mock" value={mock.id} /><input type="hidden" name="juror" value={juror.id} />
      <bdi>{juror.name}</bdi>
      <span class="soft">{standing(juror)}{juror.hearsMore ? ', for the whole evening' : ''}</span>
      {#if isLed}<a href="/mocks/{mock.id}/write/{juror.id}">write it in</a>{/if}
      <button class="quiet">{juror.hasLink ? 'end the link' : 'make a link'}</button>
    </form>
  {/each}
  <form class="fields" method="POST" action="?/juror" use:send>
    <input type="hidden" name="mock" value={mock.id} />
    <label>Juror <input name="name" maxlength="120" required dir="auto" autocomplete="off" /></label>
    <button class="action">Make a ballot</button>
  </form>
  {#if fault}<p class="fault" role="alert">{fault}</p>{/if}
  {#if link}
    <ShareLink id="ballot-link" label="Link to this ballot; shown only now" {link} />
    <p class="soft">
      It opens what this juror hears and nothing else, until two days after the mock, and says nothing of who
      plays.
      {#if isRecorded}What was recorded can be heard with it, and whoever hears it can record it.{/if}
    </p>
  {/if}
</div>

<style>
  h3 {
    margin: 16px 0 4px;
  }
  .juror,
  .fields {
    display: flex;
    flex-wrap: wrap;
    gap: 8px 18px;
    align-items: center;
    margin-top: 10px;
  }
  .juror {
    margin-top: 2px;
  }
</style>
