<!-- A mock that is over: opened by the teacher, then the jurors' words side by side and their remarks, each a spot or let go of. -->
<script lang="ts">
  import { dayOf, sayBars, sayDate } from '$lib/core/units';
  import type { MockView } from '$lib/schema/mock-view';
  import { send } from '$lib/state/send';

  let { mock, mayOpen, fault }: { mock: MockView; mayOpen: boolean; fault: string } = $props();

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
        <input type="hidden" name="mock" value={mock.id} /><button class="action main"
          >Open the ballots</button
        >
      </form>
    {/if}
    {#if fault}<p class="fault" role="alert">{fault}</p>{/if}
  {:else}
    {#each mock.draw as cut, item (item)}
      <article>
        <h4>
          <bdi>{cut.name}</bdi>, {sayBars(cut)}{#if mock.broken.includes(item)}<span class="soft"
              >, broken off</span
            >{/if}
        </h4>
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
  {/if}
</section>

<style>
  section {
    margin-top: 24px;
    padding-top: 12px;
    border-top: 1px solid var(--rule);
  }
  article {
    margin-top: 12px;
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
    min-width: 110px;
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
