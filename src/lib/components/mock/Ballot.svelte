<!-- A juror's ballot, an item a screen: three words for each element, remarks by bar, and nothing of who plays. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { readNote } from '$lib/core/mock';
  import { MOCK_WORDS } from '$lib/core/record/words';
  import { sayBars } from '$lib/core/units';
  import type { BallotView } from '$lib/schema/mock-view';
  import type { BallotPaper } from '$lib/state/ballot.svelte';
  import CutStrip from './CutStrip.svelte';
  import SoundLine from './SoundLine.svelte';

  let {
    view,
    paper,
    next,
    home,
    soundOf,
    isNamed,
    isMoved,
    isElsewhere,
    onHere,
    onNext
  }: {
    view: BallotView;
    paper: BallotPaper;
    /** Who plays after this one, where the same link hears them; null where nobody does. */
    next: { readonly number: number } | null;
    /** Where somebody goes back to who writes in by hand. */
    home: string | null;
    /** Address of what was recorded of an item; null where there is none. */
    soundOf: (item: number) => string | null;
    /** Its number stands here; false where it stands above already. */
    isNamed: boolean;
    /** It was open on another device before. */
    isMoved: boolean;
    /** It goes on on another device. */
    isElsewhere: boolean;
    onHere: () => unknown;
    onNext: () => unknown;
  } = $props();

  const FORMS = ['full', 'broken', 'hatched'] as const;
  let at = $state(0);
  let sheet = $state<HTMLElement>();
  let line = $state('');
  let lineFault = $state('');
  let picked = $state.raw<readonly number[]>([]);
  const cut = $derived(view.items[at] ?? null);
  const ballot = $derived(paper.of(at));
  const sound = $derived(cut?.isRecorded ? soundOf(at) : null);
  /** The panel has gone further than this item. */
  const isBehind = $derived(view.at !== null && view.at > at);
  const isLast = $derived(at === view.items.length - 1);

  onMount(() => {
    // where somebody comes back, at what is played; what is over is written from its beginning
    at = view.isOver ? 0 : Math.min(view.at ?? 0, view.items.length - 1);
  });

  function pick(bar: number) {
    picked = picked.includes(bar) ? picked.filter((one) => one !== bar) : [...picked, bar];
    const [from, to] = [Math.min(...picked), Math.max(...picked)];
    const words = line.replace(/^\s*\d+(\s*[-–]\s*\d+)?\s*/, '');
    line = picked.length === 0 ? words : `${from === to ? from : `${from}-${to}`} ${words}`;
  }
  function say(event: SubmitEvent) {
    event.preventDefault();
    const note = readNote(line, cut!);
    if (!note)
      return void (lineFault = `Begin with its bars, and say what you hear: ${cut!.fromBar} rushes. They are ${sayBars(cut!)}.`);
    paper.note(at, note);
    [line, lineFault, picked] = ['', '', []];
  }
  function go(to: number) {
    at = to;
    [line, lineFault, picked] = ['', '', []];
    sheet?.scrollTo({ top: 0 });
  }
  /** Nothing is written here now. */
  const isStill = $derived(view.isClosed || isElsewhere);
  const standing = $derived(
    isElsewhere
      ? paper.unsent.length > 0
        ? 'This ballot goes on on another phone. What could not be sent from here is kept here.'
        : 'This ballot goes on on another phone; what was written here is there.'
      : paper.fault
        ? paper.fault
        : view.isClosed
          ? 'The ballots are read: nothing more is written.'
          : paper.unsent.length > 0
            ? 'kept on this device, not sent yet'
            : paper.sentAtMs !== null
              ? `kept on this device, sent ${new Date(paper.sentAtMs).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })}`
              : isMoved
                ? 'it was open on another phone, and goes on here'
                : 'what you tap is kept at once'
  );
</script>

<div class="paper" bind:this={sheet}>
  {#if cut}
    <header>
      {#if isNamed}<p>candidate <b>{view.number}</b></p>{/if}
      <p class="of">
        {#if at > 0}<button class="quiet" onclick={() => go(at - 1)}>the one before</button>{/if}
        {at + 1} of {view.items.length}
      </p>
    </header>
    <h1><bdi>{cut.name}</bdi></h1>
    <p class="bars">from bar {cut.fromBar} to bar {cut.toBar}</p>
    {#if sound}{#key sound}<SoundLine src={sound} label="What was played" />{/key}{/if}
    <CutStrip item={cut.item} {cut} isWhole={false} {picked} noted={ballot.notes} onPick={pick} />
    <div class="elements">
      {#each view.elements as element (element)}
        <div class="element" role="group" aria-label={element}>
          <span>{element}</span>
          {#each MOCK_WORDS as word, i (word)}<button
              class={FORMS[i]}
              aria-pressed={ballot.words[element] === word}
              disabled={isStill}
              onclick={() => paper.word(at, element, word)}>{word}</button
            >{/each}
        </div>
      {/each}
    </div>
    {#each ballot.notes as note, i (i)}
      <p class="note">
        <b>{sayBars(note)}</b> <bdi>{note.says}</bdi>
        <button class="quiet" disabled={isStill} onclick={() => paper.unsay(at, i)}>take it back</button>
      </p>
    {/each}
    <form onsubmit={say}>
      <label for="note">A remark: tap its bars above, or type them</label>
      <input
        id="note"
        bind:value={line}
        maxlength="220"
        dir="auto"
        autocomplete="off"
        placeholder="{cut.fromBar} rushes into the downbeat"
        aria-invalid={lineFault ? 'true' : undefined}
        aria-describedby={lineFault ? 'note-fault' : undefined}
      />
      <button class="action" disabled={isStill}>Keep it</button>
      {#if lineFault}<p id="note-fault" class="fault" role="alert">{lineFault}</p>{/if}
    </form>
  {:else}<h1>There is nothing on this ballot</h1>{/if}
</div>
<footer>
  <p role="status" class:elsewhere={isElsewhere}>
    {standing}{#if isBehind && !view.isOver}<br />the next item is being played{/if}
  </p>
  {#if isElsewhere}<button class="onward person" onclick={onHere}>go on here</button>
  {:else if !isLast && cut}<button class="onward" onclick={() => go(at + 1)}>next</button>
  {:else if next}<button class="onward person" onclick={onNext}>candidate {next.number}</button>
  {:else if home}<a class="onward" href={home}>done</a>
  {:else}<p class="end">{view.isOver ? 'that was all, thank you' : 'the last item'}</p>{/if}
</footer>

<style>
  .paper {
    flex: 1;
    min-height: 0;
    padding: 12px 16px 0;
    overflow: auto;
  }
  header {
    display: flex;
    align-items: baseline;
    justify-content: space-between;
    font-size: 18px;
  }
  header b {
    font-size: 34px;
  }
  .of {
    color: var(--soft);
  }
  h1 {
    font-size: 30px;
    font-stretch: 88%;
    line-height: 1.1;
  }
  .bars {
    margin: 4px 0 10px;
    font-size: 20px;
    font-stretch: 88%;
  }
  .elements {
    margin-top: 14px;
    border-top: 2px solid var(--ink);
    border-bottom: 2px solid var(--ink);
  }
  .element {
    display: grid;
    grid-template-columns: repeat(3, 1fr);
    gap: 0 14px;
    padding: 4px 0 5px;
  }
  .element + .element {
    border-top: 1px solid var(--rule);
  }
  .element span {
    grid-column: 1 / -1;
    color: var(--soft);
    font-size: 16px;
    font-stretch: 88%;
  }
  .element button {
    min-height: 44px;
    padding: 0 0 4px;
    border: 0;
    border-bottom: 2px solid var(--rule);
    background: none;
    font-size: 21px;
    font-stretch: 88%;
    text-align: left;
  }
  .element [aria-pressed='true'] {
    padding-bottom: 3px;
    border-bottom-width: 7px;
    font-weight: 700;
  }
  .element button:disabled {
    color: var(--soft);
    cursor: default;
  }
  .full[aria-pressed='true'] {
    border-color: var(--ink);
  }
  .broken[aria-pressed='true'] {
    border-bottom-style: dashed;
    border-color: var(--ink);
  }
  .hatched[aria-pressed='true'] {
    border-image: repeating-linear-gradient(135deg, var(--ink) 0 2px, var(--paper) 2px 5px) 7;
  }
  .note {
    margin: 10px 0 0;
    font-size: 19px;
  }
  form {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 4px 8px;
    margin: 12px 0;
  }
  form label,
  .fault {
    grid-column: 1 / -1;
    color: var(--soft);
  }
  form input {
    min-height: 46px;
    font-size: 18px;
  }
  footer {
    display: flex;
    flex: none;
    justify-content: space-between;
    min-height: 84px;
    border-top: 1px solid var(--rule);
    background: var(--paper);
  }
  footer p {
    align-self: center;
    padding: 0 16px;
    color: var(--soft);
    font-size: 15px;
  }
  .elsewhere {
    color: var(--ink);
    font-weight: 600;
  }
  .onward {
    display: grid;
    place-items: center;
    min-width: 140px;
    text-decoration: none;
    border: 0;
    background: var(--ink);
    color: var(--paper);
    font-size: 36px;
    font-weight: 700;
  }
  .person {
    font-size: 26px;
  }
</style>
