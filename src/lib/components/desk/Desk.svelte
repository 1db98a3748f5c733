<!-- The block runner: one block at a time, and what is done in it by one tap, key or pedal each. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { invalidateAll } from '$app/navigation';
  import {
    type SpotLine,
    barsOfTask,
    elementsFor,
    issueOfHunt,
    keyInHand,
    offerMethods,
    sayTask,
    spotOf,
    taskAfter
  } from '$lib/core/practice';
  import type { NoteSpread } from '$lib/core/pitch';
  import { clickOf } from '$lib/core/tempo';
  import { type BarRange, tempoIn } from '$lib/core/units';
  import type { TodayView } from '$lib/schema/view';
  import { DeskSession, type Player } from '$lib/state/desk.svelte';
  import { keepAwake } from '$lib/state/device/awake';
  import ClickRow from './ClickRow.svelte';
  import DayEnd from './DayEnd.svelte';
  import DayStrip from './DayStrip.svelte';
  import DeskFoot from './DeskFoot.svelte';
  import EndFace from './EndFace.svelte';
  import HuntFace from './HuntFace.svelte';
  import Hurts from './Hurts.svelte';
  import Keys from './Keys.svelte';
  import MethodPanel from './MethodPanel.svelte';
  import ReadingFace from './ReadingFace.svelte';
  import ScalesFace from './ScalesFace.svelte';
  import SoundPanel from './SoundPanel.svelte';
  import SpotPanel from './SpotPanel.svelte';
  import TimedFace from './TimedFace.svelte';
  import WhatFace from './WhatFace.svelte';
  import WorkFace from './WorkFace.svelte';
  import { Clicking, clicksPerBar, isTriple } from './clicking.svelte';
  import { type DeskAct, type Face, actOfKey } from './desk-keys';
  import { Reading } from './reading.svelte';

  let { view, player }: { view: TodayView; player: Player } = $props();

  // one session for the page's life: what it shows comes from its events
  // svelte-ignore state_referenced_locally
  const session = new DeskSession(view, player);
  const clicking = new Clicking();
  const reading = new Reading(session);
  const { block, day, standing, work, isHurt } = $derived(session);
  const home = $derived(`/auditions/${view.audition.id}/today`);

  /** From so many seconds left on one further is offered. */
  const FURTHER_SECONDS = 180;
  /** The signal comes again until it is answered. */
  const SIGNAL_MS = 7000;
  let isLeaving = $state(false);
  let isHurting = $state(false);
  let isStopped = $state(false);
  let panel = $state<'keys' | 'sound' | 'spot' | 'methods' | 'pitch' | null>(null);

  /** Of scales, the key in hand. */
  const key = $derived(block?.run && block.scales ? keyInHand(block.scales, block.run.keys) : null);
  const unit = $derived(block?.work?.unit ?? block?.scales?.unit ?? 'quarter');
  /** Of what is played through at several tempos, the first. */
  const first = $derived(block?.run ? block.through?.[0] : undefined);
  const hunt = $derived(block?.run ? block.hunt : undefined);
  let huntFace = $state<HuntFace>();
  const inHand = $derived(
    standing ? { bpm: standing.bpm, unit } : key ? { bpm: key.bpm, unit } : (hunt ?? null)
  );
  /** The tempo in hand, as a metronome says it. */
  const said = $derived(inHand && (clickOf(inHand) ?? inHand));
  const item = $derived(view.items.find(({ id }) => id === block?.itemId) ?? null);
  /** The bars in hand: a spot's, a part's, or all of the block's. */
  const bars = $derived(day && block ? barsOfTask(day, block) : null);
  const spot = $derived(day && block ? (spotOf(day, block, block.run?.task.spot) ?? null) : null);
  const offers = $derived.by(() => {
    if (!spot) return [];
    const known = view.spots.find(({ id }) => id === spot.id);
    if (known) return known.offers;
    const issue = { notHeld: [], ...spot };
    const offer = offerMethods({ spots: [issue], family: view.family, tries: [], ways: view.ways, isHurt });
    return offer(issue).map(({ id }) => id);
  });
  const clicked = $derived.by(() => {
    // the count is of whole bars: a pickup enters within it
    if (first && block && item)
      return { tempo: first, metre: item.metre, pickupBeats: 0, through: block.through };
    if (said && key) return { tempo: said, metre: '4/4', pickupBeats: 0, stage: key.stage };
    if (!said || !item) return null;
    const isAtStart = bars !== null && bars.fromBar === item.fromBar;
    return { tempo: said, metre: item.metre, pickupBeats: isAtStart ? (item.pickupBeats ?? 0) : 0 };
  });
  /** Fresh pages have no bars to come back to. */
  const canSpot = $derived(item !== null && item.kind !== 'sight-reading');
  const next = $derived((day?.blocks ?? []).find((one) => !one.isDropped && one.run === null) ?? null);
  const isTimeUp = $derived(session.secondsLeft <= 0);
  const isDone = $derived(day !== null && (block === null || isStopped));
  const isAsking = $derived(standing?.phase === 'offer' && session.secondsLeft >= FURTHER_SECONDS && !isHurt);
  const face = $derived.by((): Face => {
    if (!session.isOpen || isHurting || isDone || (view.roadMap.length === 0 && !day)) return 'none';
    if (!block?.run) return 'first';
    // what is hunted ends with its music, not with the clock
    const isOver = standing ? standing.phase === 'ended' : isTimeUp && !hunt;
    if (isLeaving || isOver) return 'end';
    if (standing) return 'work';
    if (hunt) return 'hunt';
    return block.scales ? 'scales' : item?.kind === 'sight-reading' ? 'reading' : 'timed';
  });

  onMount(() => {
    clicking.readSettings();
    void session.open().then(() => {
      session.takeUp();
      if (new URL(location.href).searchParams.has('begin')) void begin();
    });
    const sleep = keepAwake();
    return () => {
      session.close();
      void clicking.close();
      sleep();
    };
  });

  // the clock has run out: said to the machine once, which may ask for one attempt more
  $effect(() => {
    if (isTimeUp && standing && standing.phase !== 'ended' && standing.phase !== 'ending')
      void session.move({ kind: 'time-is-up' });
  });
  // an offer that comes too late is none
  $effect(() => {
    if (standing?.phase === 'offer' && !isAsking && !isTimeUp)
      void session.move({ kind: 'further', isTaken: false });
  });
  // the click follows the tempo
  $effect(() => {
    const isClicked = face !== 'end' && face !== 'none' && face !== 'reading';
    if (!isClicked || !clicked) clicking.stop();
    else clicking.follow(clicked);
  });
  // the signal sounds until it is answered
  $effect(() => {
    if (face !== 'end' || !isTimeUp) return;
    clicking.signal();
    const again = setInterval(clicking.signal, SIGNAL_MS);
    return () => clearInterval(again);
  });
  // tomorrow is shown as the plan has been laid again; asked for when the studio has just answered
  $effect(() => {
    if (session.answer?.isLaid) void invalidateAll();
  });

  async function begin() {
    void clicking.open();
    isStopped = false;
    await session.begin();
  }
  async function answer(kind: 'clean' | 'not-yet') {
    const mark = kind === 'clean' ? 'c' : 'n';
    if (face === 'scales') return session.key(mark);
    if (face === 'reading') return reading.answer(mark);
    if (face === 'hunt') return mark === 'c' ? huntFace?.next() : huntFace?.back();
    if (isAsking) await session.move({ kind: 'further', isTaken: kind === 'clean' });
    else await session.move({ kind });
  }
  async function endBlock(how: 'next' | 'shorter') {
    isLeaving = false;
    await session.end(how);
  }
  async function more() {
    isLeaving = false;
    await session.more(3);
  }
  async function notToday() {
    [isLeaving, isStopped] = [false, true];
    await session.end('not-today');
  }
  async function stopHurt(isTold: boolean) {
    [isHurting, isLeaving, isStopped] = [false, false, true];
    await session.hurts(isTold);
  }
  async function found(line: SpotLine) {
    panel = null;
    if (block?.itemId) await session.found({ ...line, itemId: block.itemId });
  }
  async function leavePitch(heard: readonly NoteSpread[]) {
    panel = null;
    await session.tones(heard);
  }
  async function hunted(broken: readonly BarRange[]) {
    const { kind, itemId } = block!;
    if (!hunt || !itemId || (kind !== 'probe' && kind !== 'microscope')) return;
    for (const range of broken)
      await session.found({ ...range, itemId, issue: issueOfHunt(kind, hunt), notHeld: [] }, kind);
    isLeaving = true;
  }
  async function takeMethod(method: string) {
    panel = null;
    if (block?.run) await session.take({ ...block.run.task, method });
  }
  const toggleClick = () => clicked && clicking.toggle(clicked);
  /** Up to today's rung, as every tempo taken by hand. */
  function takeTapped(bpm: number) {
    panel = null;
    void session.move({ kind: 'by-hand', bpm: tempoIn({ bpm, unit: said!.unit }, unit) });
  }
  /** Where what is in hand leads when it holds. */
  const partAfter = $derived.by(() => {
    const after = day && block ? taskAfter(day, block, session.seconds) : null;
    return after && day && block ? `on to ${sayTask(day, block, after)}` : '';
  });

  const ACTS: Record<DeskAct, () => unknown> = {
    begin,
    next: () => endBlock('next'),
    more: () => (isHurt ? undefined : more()),
    shorter: () => endBlock('shorter'),
    undo: session.undo,
    leave: () => (isLeaving = true),
    clean: () => answer('clean'),
    'not-yet': () => answer('not-yet'),
    click: toggleClick,
    spot: () => canSpot && (panel = 'spot'),
    pitch: () => (panel = 'pitch'),
    methods: () => spot && (panel = 'methods')
  };
  function onKey(event: KeyboardEvent) {
    const { key, target } = event;
    if (event.ctrlKey || event.metaKey || event.altKey || event.repeat || panel) return;
    // a button that has the focus is pressed by it
    if (key === ' ' && (target instanceof HTMLButtonElement || target instanceof HTMLAnchorElement)) return;
    const act = actOfKey(key, face, clicking.settings);
    if (act === null && key !== '?') return;
    event.preventDefault();
    if (act === null) panel = 'keys';
    else ACTS[act]();
  }
</script>

{#snippet clickRow(perBar: number)}
  <ClickRow {clicking} {perBar} onToggle={toggleClick} onSettings={() => (panel = 'sound')} />
{/snippet}

<svelte:window onkeydown={onKey} />
<div class="desk">
  {#if day}<DayStrip
      {day}
      blockId={block?.id ?? null}
      share={session.seconds / Math.max(1, session.seconds + session.secondsLeft)}
    />{/if}
  {#if session.fault}
    <div class="first">
      <p role="alert">{session.fault}</p>
      <a href={home}>To the day</a>
    </div>
  {:else if !session.isOpen}
    <div class="first"><h1 class="soft">The day is opened</h1></div>
  {:else if isHurting}
    <Hurts onRest={stopHurt} onBack={() => (isHurting = false)} />
  {:else if isDone && day}
    <DayEnd {view} {day} answer={session.answer} {isHurt} {home} onGoOn={block ? begin : null} />
  {:else if view.roadMap.length === 0 && !day}
    <div class="first">
      <h1>No minutes today</h1>
      <a href={home}>To the day</a>
    </div>
  {:else if !block?.run || !day}
    {@const first = block ?? view.roadMap[0]!}
    <div class="first">
      <h1>{first.name}</h1>
      <p>{first.minutes} minutes · {first.why}</p>
      <button class="begin" onclick={begin}>Begin</button>
    </div>
  {:else if face === 'end'}
    <EndFace
      {day}
      {block}
      {next}
      seconds={session.seconds}
      {isTimeUp}
      {isHurt}
      onNext={ACTS.next}
      onMore={more}
      onShorter={ACTS.shorter}
    />
  {:else if hunt && bars}
    {@render clickRow(item && said ? clicksPerBar(item.metre, said) : 0)}
    {#key block.id}<HuntFace bind:this={huntFace} {block} {hunt} {bars} onDone={hunted} />{/key}
  {:else if face === 'reading'}
    <ReadingFace {block} {reading} secondsLeft={session.secondsLeft} />
  {:else if face === 'scales' && block.scales}
    {@render clickRow(4)}
    <ScalesFace {block} scales={block.scales} seconds={session.seconds} onAnswer={session.key} />
  {:else}
    <WhatFace
      {day}
      ways={view.ways}
      elements={elementsFor(view.family)}
      {block}
      {item}
      {spot}
      onTake={session.take}
      onState={session.state}
      onMethods={ACTS.methods}
    />
    {#if standing && work && said}
      {@render clickRow(item ? clicksPerBar(item.metre, said) : 0)}
      <WorkFace
        {work}
        {unit}
        {said}
        {standing}
        {isAsking}
        {partAfter}
        onAnswer={answer}
        onPick={(bpm) => session.move({ kind: 'by-hand', bpm })}
      />
    {:else}
      {#if first && clicked}
        {@render clickRow(first.perBar)}
      {/if}
      <TimedFace {block} seconds={session.seconds} secondsLeft={session.secondsLeft} onDone={ACTS.leave} />
    {/if}
  {/if}
  {#if !session.fault}
    <DeskFoot
      {session}
      {face}
      {home}
      isLeaving={isLeaving && !isTimeUp}
      onLeave={(is) => (isLeaving = is)}
      onShorter={ACTS.shorter}
      onNotToday={notToday}
      onHurts={() => (isHurting = true)}
      onPitch={ACTS.pitch}
      onSpot={canSpot ? ACTS.spot : null}
      onKeys={() => (panel = 'keys')}
    />
  {/if}
  {#if panel === 'pitch'}
    {#await import('./TunerFace.svelte') then { default: TunerFace }}<TunerFace
        known={view.tones}
        volume={clicking.settings.volume}
        onClose={leavePitch}
      />{/await}
  {:else if panel === 'sound' && said}<SoundPanel
      settings={clicking.settings}
      isTriple={isTriple(said)}
      onChange={(settings) => clicking.set(settings, clicked)}
      onTapped={takeTapped}
      onClose={() => (panel = null)}
    />{:else if panel === 'keys'}<Keys onClose={() => (panel = null)} />
  {:else if panel === 'spot' && item && block}<SpotPanel
      {item}
      elements={elementsFor(view.family)}
      bars={block.bars ?? item}
      onFound={found}
      onClose={() => (panel = null)}
    />
  {:else if panel === 'methods' && spot}<MethodPanel
      {offers}
      ways={view.ways}
      inHand={block?.run?.task.method ?? null}
      onTake={takeMethod}
      onClose={() => (panel = null)}
    />{/if}
</div>

<style>
  .desk {
    display: flex;
    flex-direction: column;
    height: 100dvh;
    min-height: 480px;
    overflow: hidden;
  }
  .first {
    display: grid;
    flex: 1;
    align-content: center;
    gap: 12px;
    max-width: 760px;
    padding: 24px;
    font-size: 22px;
  }
  .first h1 {
    font-size: clamp(32px, 6vw, 64px);
  }
  .begin {
    justify-self: start;
    margin-top: 20px;
    padding: 18px 56px 22px;
    border: 0;
    background: var(--ink);
    color: var(--paper);
    font-size: clamp(40px, 6vw, 64px);
    font-weight: 700;
  }
</style>
