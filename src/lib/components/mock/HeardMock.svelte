<!-- A mock that is over: opened by the teacher, then the jurors' words side by side and their remarks, each a spot or let go of. -->
<script lang="ts">
  import { dayOf, sayBars, sayDate } from '$lib/core/units';
  import type { MockView } from '$lib/schema/mock-view';
  import type { SharedLink } from '$lib/schema/view';
  import Tempo from '$lib/components/note/Tempo.svelte';
  import { send } from '$lib/state/send';
  import Jurors from './Jurors.svelte';

  let {
    mock,
    mayOpen,
    link,
    faultOf
  }: {
    mock: MockView;
    mayOpen: boolean;
    /** For a juror of this mock, made just now. */
    link: SharedLink | null;
    faultOf: (what: string) => string;
  } = $props();

  const playedOf = (item: number) => mock.played.find((one) => one.item === item) ?? null;

  /** Too fast under nerves is the usual way. */
  function sayTempo({ targetBpm, clicks, lies }: NonNullable<MockView['played'][number]['tempo']>): string {
    const far = Math.round(Math.abs(clicks));
    const steps = far === 1 ? 'a click' : `${far} clicks`;
    const way = clicks > 0 ? 'faster' : 'slower';
    const against =
      far === 0 ? 'as the target says' : `${steps} ${way} than the target of ${Math.round(targetBpm)}`;
    return lies === null ? against : `${against}, ${lies === 'inside' ? 'inside' : lies} the allowed range`;
  }
  const written = $derived(mock.jurors.filter((juror) => juror.written.length > 0));
  const elementsOf = (item: number) => [
    ...new Set(
      mock.jurors.flatMap(({ ballot }) => Object.keys(ballot.find((one) => one.item === item)?.words ?? {}))
    )
  ];
  const wordOf = (juror: MockView['jurors'][number], item: number, element: string) =>
    juror.ballot.find((one) => one.item === item)?.words[element] ?? '';
  const notesOf = (item: number) =>
    mock.jurors.flatMap((juror) =>
      (juror.ballot.find((one) => one.item === item)?.notes ?? []).map((said, note) => ({
        ...said,
        note,
        juror,
        isSettled: juror.settled.some((one) => one.item === item && one.note === note)
      }))
    );
</script>

{#snippet howPlayed(item: number)}
  {@const played = playedOf(item)}
  {#if played?.tempo}<p class="soft">
      Played at <Tempo bpm={Math.round(played.tempo.bpm)} unit={played.tempo.unit} height={15} />, {sayTempo(
        played.tempo
      )}
    </p>{/if}
  {#if played?.takeId}<a href="/takes/{played.takeId}">listen</a>{/if}
{/snippet}

<section>
  <h3>{mock.name}, {sayDate(dayOf(mock.date))}</h3>
  {#if !mock.isOpened}
    <p>
      {written.length === 0
        ? 'No ballot has come.'
        : `${written.length} of ${mock.jurors.length} ballots have come.`}
      {#if mayOpen}Opened, they are read by all, and nothing more is written.{:else}Your teacher opens them.{/if}
    </p>
    {#if mayOpen}
      <form method="POST" action="?/open" use:send>
        <input type="hidden" name="mock" value={mock.id} /><button class="action">Open the ballots</button>
      </form>
    {/if}
    {#if faultOf('open')}<p class="fault" role="alert">{faultOf('open')}</p>{/if}
    <Jurors {mock} {link} isLed={mayOpen} fault={faultOf('juror')} />
  {:else}
    <div class="items">
      {#each mock.draw as cut, item (item)}
        <article>
          <h4>
            <bdi>{cut.name}</bdi>, {sayBars(cut)}{#if mock.broken.includes(item)}<span class="soft"
                >, broken off</span
              >{/if}
          </h4>
          {@render howPlayed(item)}
          {#if elementsOf(item).length > 0}
            <table>
              <thead
                ><tr
                  ><td></td>{#each mock.jurors as juror (juror.id)}<th scope="col"><bdi>{juror.name}</bdi></th
                    >{/each}</tr
                ></thead
              >
              <tbody>
                {#each elementsOf(item) as element (element)}<tr
                    ><th scope="row">{element}</th>{#each mock.jurors as juror (juror.id)}<td
                        class:not={wordOf(juror, item, element) === 'not yet'}
                        >{wordOf(juror, item, element)}</td
                      >{/each}</tr
                  >{/each}
              </tbody>
            </table>
          {/if}
          {#each notesOf(item) as said (`${said.juror.id} ${said.note}`)}
            <form class="note" method="POST" action="?/settle" use:send>
              <input type="hidden" name="mock" value={mock.id} />
              <input type="hidden" name="juror" value={said.juror.id} />
              <input type="hidden" name="item" value={item} /><input
                type="hidden"
                name="note"
                value={said.note}
              />
              <b>{sayBars(said)}</b> <bdi>{said.says}</bdi>
              <span class="soft"><bdi>{said.juror.name}</bdi></span>
              {#if said.isSettled}<span class="soft">settled</span>{:else}
                <button class="quiet" name="isTaken" value="1">make it a spot</button>
                <button class="quiet" name="isTaken" value="">let it go</button>{/if}
            </form>
          {/each}
        </article>
      {/each}
    </div>
  {/if}
</section>

<style>
  section {
    margin-top: 24px;
    padding-top: 12px;
    border-top: 1px solid var(--rule);
  }
  .items {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(min(100%, 370px), 1fr));
    gap: 14px 40px;
    margin-top: 10px;
  }
  h4 {
    margin: 0 0 4px;
    font-size: 1rem;
  }
  table {
    width: auto;
  }
  th,
  td {
    min-width: 88px;
    padding: 3px 20px 3px 0;
    text-align: left;
  }
  tbody th {
    border-bottom: 0;
    border-top: 1px solid var(--rule);
    font-weight: 400;
  }
  thead th {
    font-weight: 500;
  }
  .not {
    font-weight: 700;
  }
  .note {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 12px;
    align-items: baseline;
    margin-top: 4px;
  }
</style>
