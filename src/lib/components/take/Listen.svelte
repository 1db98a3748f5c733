<!-- A take is listened to for one thing at a time: one key marks the place, and places become spots. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { enhance } from '$app/forms';
  import { barAt, spotsOfMarks, startOfBar } from '$lib/core/take';
  import { type Milliseconds, dayOf, sayBars, sayDate } from '$lib/core/units';
  import type { TakeView } from '$lib/schema/view';
  import { Marking } from '$lib/state/marking.svelte';
  import { Player } from '$lib/state/player.svelte';
  import { send } from '$lib/state/send';
  import TakeSystem from './TakeSystem.svelte';
  import { sayMs, systemsOf } from './systems';

  let {
    view,
    made,
    fault,
    home
  }: {
    view: TakeView;
    /** Spots that were made just now. */
    made: number | null;
    /** What was wrong with the bar that was set. */
    fault: string;
    /** Where one came from. */
    home: { readonly href: string; readonly says: string };
  } = $props();

  /** From hearing to the key (judgement: as long as most hands take). */
  const LATE_MS = 300;
  const player = new Player();
  // what was marked before is there when the page is; what is marked now is kept by it
  // svelte-ignore state_referenced_locally
  const marking = new Marking(view.take.id, view.marks);
  let sound: HTMLAudioElement;
  let element = $state('intonation');
  let heardToMs = $state<Milliseconds>(0);
  let peaks = $state.raw<readonly number[]>([]);
  let drawing = $state<number | null>(null);
  let isOpen = $state(false);

  const { take, item } = $derived(view);
  const metre = $derived(item.metre);
  const lengthMs = $derived(take.lengthMs ?? 0);
  const systems = $derived(systemsOf(take, item));
  const widestMs = $derived(Math.max(...systems.map(({ fromMs, toMs }) => toMs - fromMs), 1));
  /** The place that is marked: it was heard a moment ago. */
  const placeMs = $derived(
    Math.max(0, player.nowMs - (player.isPlaying ? LATE_MS * (player.isHalf ? 0.5 : 1) : 0))
  );
  const bar = $derived(barAt(take, metre, placeMs));
  const heard = $derived(spotsOfMarks(take, metre, marking.open));
  const elements = $derived(view.elements.includes(element) ? view.elements : [element, ...view.elements]);

  $effect(() => {
    if (player.nowMs > heardToMs) heardToMs = player.nowMs;
  });
  $effect(() => {
    if (made !== null) marking.marks = view.marks;
  });

  onMount(() => {
    const stop = new AbortController();
    element = view.elements.includes('intonation') ? 'intonation' : view.elements[0]!;
    const detach = player.attach(sound);
    if (view.peaks) peaks = view.peaks;
    else void draw(stop.signal);
    return () => {
      stop.abort();
      detach();
    };
  });

  async function draw(signal: AbortSignal) {
    drawing = 0;
    try {
      const [answer, { outlineOf }] = await Promise.all([
        fetch(`/takes/${take.id}/sound`, { signal }),
        import('$lib/workers/wave.client')
      ]);
      const made = await outlineOf(await answer.arrayBuffer(), (share) => (drawing = share), signal);
      if (!made) return;
      peaks = made;
      await fetch(`/takes/${take.id}/peaks`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ peaks: made })
      });
    } catch {
      // without its outline it can be heard all the same
    } finally {
      drawing = null;
    }
  }

  const here = () => marking.put(placeMs, element);
  function back() {
    const from = bar ?? take.fromBar;
    const start = startOfBar(take, metre, from);
    // within a bar to its beginning, at its beginning to the one before
    const isAtStart = start !== null && player.nowMs - start < 700;
    const to = isAtStart ? startOfBar(take, metre, from - 1) : start;
    player.goTo(to ?? Math.max(0, player.nowMs - 3000));
  }
  function forth() {
    player.goTo((bar === null ? null : startOfBar(take, metre, bar + 1)) ?? player.nowMs + 3000);
  }
  function loop() {
    const from = bar === null ? null : startOfBar(take, metre, bar);
    const to = bar === null ? null : startOfBar(take, metre, bar + 2);
    const around = { fromMs: Math.max(0, player.nowMs - 2000), toMs: player.nowMs + 2000 };
    player.repeat(from !== null && to !== null ? { fromMs: from, toMs: to } : around);
  }
  function undo() {
    const last = marking.open.at(-1);
    if (last) marking.drop(last.id);
  }
  const KEYS: Readonly<Record<string, () => unknown>> = {
    ' ': player.toggle,
    ArrowRight: here,
    PageDown: here,
    ArrowLeft: back,
    PageUp: back,
    f: forth,
    h: () => player.half(),
    l: loop,
    u: undo,
    Backspace: undo
  };
  function onKey(event: KeyboardEvent) {
    const { key, target } = event;
    if (event.ctrlKey || event.metaKey || event.altKey || target instanceof HTMLInputElement) return;
    if (key === ' ' && (target instanceof HTMLButtonElement || target instanceof HTMLAnchorElement)) return;
    const nth = elements[Number(key) - 1];
    const act = KEYS[key] ?? (nth === undefined ? undefined : () => (element = nth));
    if (!act) return;
    event.preventDefault();
    act();
  }
  /** What was tapped does not keep the keys: Space plays again. */
  function letGo({ detail, target }: MouseEvent) {
    if (detail > 0 && target instanceof Element) target.closest('button')?.blur();
  }
  const clock = $derived(
    new Date(take.madeAtMs).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })
  );
</script>

<svelte:window onkeydown={onKey} onclick={letGo} />
<div class="listen">
  <header>
    <div>
      <p>
        <a href={home.href}>{home.says}</a> · <bdi>{item.name}</bdi> · {take.source === 'run'
          ? 'run'
          : 'file'}
        {take.date === view.today ? `of today, ${clock}` : `of ${sayDate(dayOf(take.date))}`}
      </p>
      <h1>Listening for {element}</h1>
    </div>
    <div class="elements" role="group" aria-label="Listen for">
      {#each elements as one (one)}<button aria-pressed={one === element} onclick={() => (element = one)}
          >{one}</button
        >{/each}
    </div>
  </header>
  <audio bind:this={sound} src="/takes/{take.id}/sound" preload="auto"></audio>
  <div class="systems" role="group" aria-label="The take, {sayMs(lengthMs)} long">
    {#if lengthMs === 0}<p>Its sound has not come yet: it is still on the device that recorded it.</p>{/if}
    {#each systems as system (system.fromMs)}
      <TakeSystem
        {system}
        {widestMs}
        {lengthMs}
        {peaks}
        nowMs={player.nowMs}
        {heardToMs}
        bar={barAt(take, metre, player.nowMs)}
        marks={marking.marks}
        onGo={(atMs) => player.goTo(atMs)}
      />
    {/each}
    <div class="facts">
      {#if drawing !== null}<span role="status">It is drawn: {Math.round(100 * drawing)} %</span>{/if}
      <form method="POST" action="?/keep" use:send>
        <input type="hidden" name="isKept" value={take.isKept ? '' : '1'} />
        {take.isKept
          ? 'Kept until it is taken out.'
          : take.goesOn
            ? `Stays until ${sayDate(dayOf(take.goesOn))}.`
            : 'Stays for now.'}
        <button class="quiet">{take.isKept ? 'need not be kept' : 'keep it'}</button>
      </form>
      {#if systems[0]?.cells.length}
        <button class="quiet" aria-expanded={isOpen} onclick={() => (isOpen = !isOpen)}
          >the bars are not right?</button
        >
      {/if}
      {#if isOpen || systems[0]?.cells.length === 0}
        <form method="POST" action="?/bar" use:enhance>
          <label
            >At {sayMs(player.nowMs)} begins bar
            <input name="bar" inputmode="numeric" size="4" value={bar ?? take.fromBar} /></label
          >
          <input type="hidden" name="atMs" value={Math.round(player.nowMs)} />
          <button class="quiet">set</button>
          {#if fault}<span role="alert">{fault}</span>{/if}
        </form>
      {/if}
    </div>
  </div>
  <div class="acts">
    <button class="here" onclick={here} disabled={lengthMs === 0}>
      <strong>here</strong>
      <span>{bar === null ? `marks ${sayMs(placeMs)}` : `marks bar ${bar}`} for {element}</span>
    </button>
    <div class="others">
      <button onclick={player.toggle}
        ><strong>{player.isPlaying ? 'stop' : 'play'}</strong><span>space</span></button
      >
      <button onclick={back}><strong>a bar</strong><span>back</span></button>
      <button aria-pressed={player.isHalf} onclick={() => player.half()}
        ><strong>half</strong><span>speed, at pitch</span></button
      >
      <button aria-pressed={player.loop !== null} onclick={loop}
        ><strong>loop</strong><span>two bars</span></button
      >
      <form
        method="POST"
        action="?/spots"
        use:enhance={async ({ cancel }) => {
          await marking.send();
          if (marking.fault) cancel();
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
    </div>
    <p class="so-far" role="status">
      {#if player.fault || marking.fault}{player.fault || marking.fault}
      {:else if made !== null && heard.length === 0}{made === 1 ? 'A spot is' : `${made} spots are`} made: tomorrow’s
        road map has {made === 1 ? 'it' : 'them'}. <a href="/auditions/{view.auditionId}/spots">Spots</a>
      {:else if heard.length > 0}marked so far: {heard
          .map((spot) => `${sayBars(spot)} ${spot.element}`)
          .join(', ')}
      {:else}one thing at a time: mark each place where {element} does not hold{/if}
    </p>
  </div>
</div>

<style>
  .listen {
    display: flex;
    flex-direction: column;
    height: 100dvh;
    min-height: 480px;
    overflow: hidden;
  }
  header {
    display: flex;
    justify-content: space-between;
    gap: 12px 24px;
    padding: 14px 24px 0;
  }
  header p {
    color: var(--soft);
    font-size: 18px;
    font-stretch: 88%;
  }
  h1 {
    font-size: clamp(30px, 5vw, 50px);
    line-height: 1.1;
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
  .systems {
    flex: 1;
    min-height: 0;
    padding: 20px 24px 6px;
    overflow: auto;
  }
  .facts {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 24px;
    align-items: baseline;
    margin: 14px 0 6px 40px;
    color: var(--soft);
    font-size: 15px;
  }
  .acts {
    display: grid;
    grid-template: 1fr auto / minmax(260px, 2fr) 3fr;
    min-height: 142px;
    border-top: 2px solid var(--ink);
  }
  .here {
    grid-row: 1 / 3;
    padding: 8px 26px 14px;
    border: 0;
    background: var(--ink);
    color: var(--paper);
    text-align: left;
  }
  .here strong {
    display: block;
    font-size: clamp(40px, 6vw, 64px);
    line-height: 1;
  }
  .here span {
    font-size: clamp(17px, 2.2vw, 22px);
    font-stretch: 88%;
  }
  .others {
    display: grid;
    grid-auto-columns: 1fr;
    grid-auto-flow: column;
  }
  .others form {
    display: grid;
  }
  .others button {
    display: grid;
    align-content: center;
    justify-items: center;
    padding: 6px;
    border: 0;
    border-left: 1px solid var(--rule);
    background: none;
    font-size: 16px;
    font-stretch: 88%;
  }
  .others strong {
    font-size: clamp(20px, 2.6vw, 30px);
  }
  .others [aria-pressed='true'] {
    box-shadow: inset 0 -6px var(--ink);
  }
  .others :disabled {
    color: var(--soft);
  }
  .so-far {
    padding: 10px 24px;
    border-top: 1px solid var(--rule);
    font-size: 18px;
    font-stretch: 88%;
  }
  @media (max-width: 720px) {
    header {
      display: block;
      padding-inline: 16px;
    }
    .elements {
      justify-content: start;
    }
    .systems {
      padding-inline: 8px 12px;
    }
    .acts {
      grid-template: auto auto auto / 1fr;
    }
    .here {
      grid-row: auto;
    }
    .others button {
      min-height: 60px;
    }
    .others span {
      font-size: 13px;
    }
  }
</style>
