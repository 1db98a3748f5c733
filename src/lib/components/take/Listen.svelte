<!-- A take is listened to for one thing at a time: one key marks the place, and places become spots. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { barAt, spotsOfMarks } from '$lib/core/take';
  import { type Milliseconds, dayOf, isInside, sayBars, sayDate } from '$lib/core/units';
  import type { TakeView, Undo } from '$lib/schema/view';
  import { goBack, goOn, loopHere, placeOf } from '$lib/state/bars-in-hand';
  import { Marking } from '$lib/state/marking.svelte';
  import { Outline } from '$lib/state/outline.svelte';
  import { send } from '$lib/state/send';
  import { Player } from '$lib/state/player.svelte';
  import Acts from './Acts.svelte';
  import MarkWords from './MarkWords.svelte';
  import Sheet from './Sheet.svelte';
  import Systems from './Systems.svelte';
  import TakeTempo from './TakeTempo.svelte';
  import TakeFacts, { type Answered } from './TakeFacts.svelte';
  import UndoLine from '$lib/components/ui/UndoLine.svelte';
  import { sayMs, sayPlace } from './systems';

  let {
    view,
    answered,
    home
  }: {
    view: TakeView;
    /** What came of what was sent last; `made`: so many spots. */
    answered: Answered & {
      readonly made?: number | undefined;
      readonly undo?: Undo | undefined;
      /** Nothing new was found in all of it. */
      readonly isClear?: boolean | undefined;
      readonly targetFault?: string | undefined;
    };
    /** Where one came from. */
    home: { readonly href: string; readonly says: string };
  } = $props();

  const SOURCES = { run: 'run', file: 'file', other: 'somebody else’s recording' } as const;
  const player = new Player();
  const outline = new Outline();
  // what was marked before is there when the page is; what is marked now is kept by it
  // svelte-ignore state_referenced_locally
  const marking = new Marking(view.take.id, view.marks);
  let element = $state('intonation');
  const { take, item } = $derived(view);
  const metre = $derived(item.metre);
  const lengthMs = $derived(take.lengthMs ?? 0);
  const placeMs = $derived(placeOf(player));
  const bar = $derived(barAt(take, metre, placeMs));
  const heard = $derived(spotsOfMarks(take, metre, marking.open));
  const elements = $derived(view.elements.includes(element) ? view.elements : [element, ...view.elements]);
  const made = $derived(answered.made ?? null);
  /** All of the item was recorded, by who plays it. */
  const isWhole = $derived(isInside(item, take) && take.source !== 'other' && lengthMs > 0);

  // what the studio has made of the marks takes their place
  $effect(() => {
    if (made !== null) marking.marks = view.marks;
  });
  onMount(() => {
    element = view.elements.includes('intonation') ? 'intonation' : view.elements[0]!;
    const stop = new AbortController();
    const at = `/takes/${take.id}`;
    if (lengthMs > 0) void outline.open(view.peaks, `${at}/sound`, `${at}/peaks`, stop.signal);
    return () => stop.abort();
  });

  let tempo = $state<TakeTempo>();
  const sayAt = (atMs: Milliseconds) => sayPlace(take, metre, atMs);
  const here = () => marking.put(placeMs, element);
  function undo() {
    const last = marking.open.at(-1);
    if (last) marking.drop(last.id);
  }
  const back = () => goBack(player, take, metre);
  const loop = () => loopHere(player, take, metre);
  const KEYS: Readonly<Record<string, () => unknown>> = {
    ' ': player.toggle,
    ArrowRight: here,
    PageDown: here,
    ArrowLeft: back,
    PageUp: back,
    f: () => goOn(player, take, metre),
    h: () => player.half(),
    l: loop,
    t: () => tempo?.tap(),
    u: undo,
    Backspace: undo
  };
  function onKey(key: string): boolean {
    const nth = elements[Number(key) - 1];
    const act = KEYS[key] ?? (nth === undefined ? undefined : () => (element = nth));
    act?.();
    return act !== undefined;
  }
  const clock = $derived(
    new Date(take.madeAtMs).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })
  );
</script>

<Sheet {player} sound="/takes/{take.id}/sound" {onKey}>
  {#snippet head()}
    <div>
      <p>
        <a href={home.href}>{home.says}</a> · <bdi>{item.name}</bdi> · {SOURCES[take.source]}
        {take.date === view.today ? `of today, ${clock}` : `of ${sayDate(dayOf(take.date))}`}
      </p>
      <h1>Listening for {element}</h1>
    </div>
    <div class="elements" role="group" aria-label="Listen for">
      {#each elements as one (one)}<button
          disabled={!player.isThere}
          aria-pressed={one === element}
          onclick={() => (element = one)}>{one}</button
        >{/each}
    </div>
  {/snippet}
  {#if answered.undo}<UndoLine token={answered.undo.token} says={answered.undo.says} />{/if}
  {#if lengthMs === 0}<p>Its sound has not come yet: it is still on the device that recorded it.</p>{/if}
  <Systems {take} {item} peaks={outline.peaks} marks={marking.marks} {player} />
  {#if outline.share !== null}<p class="drawn" role="status">
      It is drawn: {Math.round(100 * outline.share)} %
    </p>{/if}
  <MarkWords {marking} sayPlace={sayAt} />
  <TakeTempo bind:this={tempo} {view} {player} fault={answered.targetFault ?? ''} />
  <TakeFacts {view} nowMs={player.nowMs} {bar} barOf={(atMs) => barAt(take, metre, atMs)} {answered} />
  {#snippet foot()}
    <Acts
      {player}
      says="{bar === null ? `marks ${sayMs(placeMs)}` : `marks bar ${bar}`} for {element}"
      isOff={lengthMs === 0}
      onHere={here}
      onBack={back}
      onLoop={loop}
    >
      {#snippet more()}
        {#if heard.length === 0 && isWhole && !answered.isClear}<form
            method="POST"
            action="?/nothing"
            use:send
          >
            <button disabled={!player.isThere}><strong>nothing</strong><span>new in all of it</span></button>
          </form>{/if}
        <form
          method="POST"
          action="?/spots"
          use:send={{
            isReady: async () => {
              await marking.send();
              return !marking.fault;
            }
          }}
        >
          <button disabled={heard.length === 0}
            ><strong>spots</strong><span
              >of {heard.length === 0
                ? 'what is marked'
                : heard.length === 1
                  ? 'this one'
                  : `these ${heard.length}`}</span
            ></button
          >
        </form>
      {/snippet}
      {#snippet status()}
        {#if player.fault || marking.fault}{player.fault || marking.fault}
        {:else if answered.isClear && heard.length === 0}Noted: nothing new in all of it.
          <a href="/auditions/{view.auditionId}/readiness">Readiness</a>
        {:else if made !== null && heard.length === 0}{made === 1 ? 'A spot is' : `${made} spots are`} made: worked
          before the rung, from tomorrow on, as minutes allow.
          <a href="/auditions/{view.auditionId}/spots">Spots</a>
        {:else if heard.length > 0}marked so far: {heard
            .map((spot) => `${sayBars(spot)} ${spot.element}`)
            .join(', ')}
        {:else}one thing at a time: mark each place where {element} does not hold{/if}
      {/snippet}
    </Acts>
  {/snippet}
</Sheet>

<style>
  h1 {
    font-size: clamp(30px, 4vw, 50px);
    font-stretch: 92%;
    line-height: 1.1;
  }
  .drawn {
    margin-left: 40px;
    color: var(--soft);
  }
  .elements {
    display: flex;
    flex-wrap: wrap;
    align-content: start;
    justify-content: end;
    max-width: 470px;
  }
  .elements button {
    min-height: 44px;
    padding: 0 8px;
    border: 0;
    background: none;
    color: var(--soft);
    font-size: 20px;
    font-stretch: 88%;
  }
  .elements [aria-pressed='true'] {
    color: var(--ink);
    font-weight: 700;
    text-decoration: underline;
    text-decoration-thickness: 5px;
    text-underline-offset: 6px;
  }
  @media (max-width: 900px) {
    .elements {
      justify-content: start;
      max-width: none;
    }
  }
  @media (max-width: 720px) {
    .elements button {
      padding: 0 6px;
      font-size: 17px;
    }
  }
</style>
