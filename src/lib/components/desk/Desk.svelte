<!-- The block runner: one block at a time, and what is done in it by one tap, key or pedal each. -->
<script lang="ts">
  import { onMount, untrack } from 'svelte';
  import { sitAtDesk } from '$lib/state/device/program';
  import { elementsFor, issueOfHunt, spotsOf } from '$lib/core/practice';
  import type { BarRange } from '$lib/core/units';
  import type { TodayView } from '$lib/schema/view';
  import { DeskSession, type Player } from '$lib/state/desk.svelte';
  import { keepAwake } from '$lib/state/device/awake';
  import { readAnew } from '$lib/state/on-the-way';
  import ClickRow from './ClickRow.svelte';
  import DayEnd from './DayEnd.svelte';
  import DayStrip from './DayStrip.svelte';
  import DeskFoot from './DeskFoot.svelte';
  import DeskPanels, { type Panel } from './DeskPanels.svelte';
  import DrillFace from './DrillFace.svelte';
  import EndFace from './EndFace.svelte';
  import FirstFace from './FirstFace.svelte';
  import HuntFace from './HuntFace.svelte';
  import Hurts from './Hurts.svelte';
  import ReadingFace from './ReadingFace.svelte';
  import RunFace from './RunFace.svelte';
  import ScalesFace from './ScalesFace.svelte';
  import StartsFace from './StartsFace.svelte';
  import TimedFace from './TimedFace.svelte';
  import WhatFace from './WhatFace.svelte';
  import WorkFace from './WorkFace.svelte';
  import { clickAtDesk } from './click-at-desk.svelte';
  import { Clicking, clicksPerBar } from './clicking.svelte';
  import { InHand } from './in-hand.svelte';
  import { faceOf, isRunBlock } from './desk-face';
  import { type DeskAct, actOfKey, isForDesk } from './desk-keys';
  import { Leaving } from './leaving.svelte';
  import { Reading } from './reading.svelte';
  import { Running } from './running.svelte';
  import { TakesOut } from '$lib/state/device/takes-out.svelte';

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
  const leaving = new Leaving(session);
  const { isLeaving, isHurting, isStopped } = $derived(leaving);
  let panel = $state<Panel | null>(null);

  const inHand = new InHand(session, () => view);
  // one account for the page's life
  // svelte-ignore state_referenced_locally
  const takesOut = TakesOut.of(player.account);
  /** Bars in hand are run straight through, out of their block. */
  let isRunning = $state(false);
  let runFace = $state<RunFace>();
  const running = new Running(
    () =>
      item && runBars && { item, bars: runBars, tempo: runTempo, date: view.today, owner: player.account },
    takesOut,
    () => clicking.readyCount(),
    async (ran, takeId) => {
      lastTake = takeId;
      for (const range of ran.broke)
        await session.found({ ...range, itemId: block!.itemId!, issue: 'broke in a run', notHeld: [] });
      if (isRunBlock(block)) return session.ran(ran, takeId);
      // of bars at work it is one attempt, at the tempo at which they stand
      await session.move({ kind: ran.isStraight && ran.isClean ? 'clean' : 'not-yet' });
      isRunning = false;
    }
  );
  /** The take of the block in hand. */
  let lastTake = $state<string | null>(null);
  const takeInHand = $derived(block?.run?.ran?.take ?? lastTake);
  const { first, hunt, said, item, bars, runBars, runTempo, spot, clicked, canSpot } = $derived(inHand);
  let huntFace = $state<HuntFace>();
  const next = $derived((day?.blocks ?? []).find((one) => !one.isDropped && one.run === null) ?? null);
  const isTimeUp = $derived(session.secondsLeft <= 0);
  /** Nothing is planned, and nothing was put in. */
  const isEmpty = $derived((day?.blocks ?? view.roadMap).length === 0);
  const isDone = $derived(day !== null && !isEmpty && (block === null || isStopped));
  const isAsking = $derived(standing?.phase === 'offer' && session.secondsLeft >= FURTHER_SECONDS && !isHurt);
  const face = $derived(
    !session.isOpen || isHurting || isDone || isEmpty
      ? 'none'
      : faceOf({ block, item, standing, isHunt: Boolean(hunt), isRunning, isLeaving, isTimeUp })
  );

  onMount(() => {
    clicking.readSettings();
    void session.open().then(() => {
      session.takeUp();
      if (new URL(location.href).searchParams.has('begin')) void begin();
    });
    const sleep = keepAwake();
    // a newer program waits until nobody sits here
    const rise = sitAtDesk();
    return () => {
      rise();
      session.close();
      void clicking.close();
      sleep();
    };
  });

  // the clock has run out: said to the machine once, which may ask for one attempt more
  $effect(() => {
    if (isTimeUp && !isRunning && standing && standing.phase !== 'ended' && standing.phase !== 'ending')
      void session.move({ kind: 'time-is-up' });
  });
  // an offer that comes too late is none
  $effect(() => {
    if (standing?.phase === 'offer' && !isAsking && !isTimeUp)
      void session.move({ kind: 'further', isTaken: false });
  });
  /** By name: an answer makes another block of the same, and must not end what was chosen for it. */
  const blockId = $derived(block?.id ?? '');
  const taskId = $derived(`${blockId} ${block?.run?.task.part} ${block?.run?.task.spot}`);
  $effect(() => {
    void blockId;
    inHand.huntBpm = null;
    untrack(() => ([isRunning, lastTake] = [false, null]));
  });
  clickAtDesk(clicking, () => ({ face, clicked, taskId, isTimeUp }));
  // tomorrow is shown as the plan has been laid again; asked for when the studio has just answered
  $effect(() => {
    if (session.line.answer?.isLaid) void readAnew();
  });

  async function begin() {
    void clicking.open();
    leaving.isStopped = false;
    await session.begin();
  }
  async function answer(kind: 'clean' | 'not-yet') {
    const mark = kind === 'clean' ? 'c' : 'n';
    if (face === 'scales') return session.key(mark);
    if (face === 'reading') return reading.answer(mark);
    if (face === 'starts') return session.start(mark);
    if (face === 'hunt') return mark === 'c' ? huntFace?.next() : huntFace?.back();
    if (face === 'drill') return intoTheBars();
    if (isAsking) await session.move({ kind: 'further', isTaken: kind === 'clean' });
    else await session.move({ kind });
  }
  const intoTheBars = () => block?.run && session.take(block.run.task);
  async function hunted(broken: readonly BarRange[]) {
    const { kind, itemId } = block!;
    if (!hunt || !itemId || (kind !== 'probe' && kind !== 'microscope')) return;
    for (const range of broken)
      await session.found({ ...range, itemId, issue: issueOfHunt(kind, said ?? hunt), notHeld: [] }, kind);
    leaving.isLeaving = true;
  }
  const toggleClick = () => clicked && clicking.toggle(clicked);

  const ACTS: Record<DeskAct, () => unknown> = {
    begin,
    next: () => leaving.end('next'),
    more: () => (isHurt ? undefined : leaving.more()),
    shorter: () => leaving.end('shorter'),
    undo: session.undo,
    leave: () => (leaving.isLeaving = true),
    clean: () => answer('clean'),
    'not-yet': () => answer('not-yet'),
    onward: () => runFace?.onward(),
    run: () => (isRunning = true),
    click: toggleClick,
    spot: () => canSpot && (panel = 'spot'),
    pitch: () => (panel = 'pitch'),
    methods: () => spot && (panel = 'methods')
  };
  /** What was tapped does not keep the keys: Space is the click's again. */
  function letGo({ detail, target }: MouseEvent) {
    if (detail > 0 && !panel && target instanceof Element) target.closest('button')?.blur();
  }
  function onKey(event: KeyboardEvent) {
    if (panel || !isForDesk(event)) return;
    const { key } = event;
    const act = actOfKey(key, face, clicking.settings);
    if (act === null && key !== '?') return;
    event.preventDefault();
    if (act === null) panel = 'keys';
    else ACTS[act]();
  }
</script>

{#snippet clickRow(perBar: number)}
  <ClickRow
    {clicking}
    {perBar}
    onToggle={toggleClick}
    onThinner={inHand.canThin && clicked ? () => clicking.thinner(clicked) : null}
    onSettings={() => (panel = 'sound')}
  />
{/snippet}

<svelte:window onkeydown={onKey} onclick={letGo} />
<div class="desk">
  {#if day}<DayStrip
      {day}
      blockId={block?.id ?? null}
      share={session.seconds / Math.max(1, session.seconds + session.secondsLeft)}
    />{/if}
  {#if session.fault}
    <FirstFace fault={session.fault} {home} />
  {:else if !session.isOpen}
    <FirstFace heading="The day is opened" />
  {:else if isHurting}
    <Hurts onRest={leaving.stopHurt} onBack={() => (leaving.isHurting = false)} />
  {:else if isDone && day}
    <DayEnd {view} {day} answer={session.line.answer} {isHurt} {home} onGoOn={block ? begin : null} />
  {:else if isEmpty}
    <FirstFace heading="Nothing is planned for today" {home} />
  {:else if !block?.run || !day}
    {@const first = block ?? view.roadMap[0]!}
    <FirstFace
      heading={first.name}
      fault={session.warning}
      says="{first.minutes} minutes · {first.why}"
      onBegin={begin}
    />
  {:else if face === 'end'}
    <EndFace
      {day}
      {block}
      {next}
      seconds={session.seconds}
      {isTimeUp}
      {isHurt}
      take={takeInHand === null
        ? null
        : {
            id: takeInHand,
            isHere: takesOut.waiting.includes(takeInHand),
            refusal: takesOut.refusals[takeInHand] ?? ''
          }}
      onNext={ACTS.next}
      onMore={leaving.more}
      onShorter={ACTS.shorter}
    />
  {:else if face === 'run' && item && runBars}
    {#key block.id}<RunFace
        bind:this={runFace}
        {running}
        {item}
        bars={runBars}
        mayRecord={!view.isAskedFirst}
        isHeard={clicking.settings.isRunHeard}
        onHeard={(isRunHeard) => clicking.set({ ...clicking.settings, isRunHeard }, null)}
        onHurts={() => (leaving.isHurting = true)}
        onBack={isRunBlock(block) ? null : () => (isRunning = false)}
      />{/key}
  {:else if hunt && bars}
    {@render clickRow(item && said ? clicksPerBar(item.metre, said) : 0)}
    {#key block.id}<HuntFace
        bind:this={huntFace}
        {block}
        {hunt}
        bpm={inHand.tempo?.bpm ?? hunt.bpm}
        {bars}
        barNow={() => inHand.barIn(clicking)}
        onTempo={(bpm) => (inHand.huntBpm = bpm)}
        onPlayed={() => clicking.stop()}
        onDone={hunted}
      />{/key}
  {:else if face === 'drill'}
    <DrillFace
      {block}
      issues={spotsOf(day, block).flatMap(({ issue }) => issue || [])}
      seconds={session.seconds}
      onDone={intoTheBars}
    />
  {:else if face === 'reading'}
    <ReadingFace {block} {reading} secondsLeft={session.secondsLeft} />
  {:else if face === 'starts'}
    <StartsFace {block} onAnswer={session.start} />
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
        unit={inHand.unit}
        {said}
        {standing}
        {isAsking}
        partAfter={inHand.leadsTo}
        onAnswer={answer}
        onPick={(bpm) => session.move({ kind: 'by-hand', bpm })}
      />
    {:else}
      {#if first && clicked}
        {@render clickRow(first.perBar)}
      {/if}
      <TimedFace
        {block}
        seconds={session.seconds}
        secondsLeft={session.secondsLeft}
        isOnBreath={inHand.isOnBreath}
        beat={clicking.beatInMusic}
        onDone={ACTS.leave}
      />
    {/if}
  {/if}
  {#if !session.fault && (face !== 'run' || running.phase === 'ready')}
    <DeskFoot
      {session}
      {face}
      {home}
      isLeaving={isLeaving && !isTimeUp}
      onLeave={(is) => (leaving.isLeaving = is)}
      onShorter={ACTS.shorter}
      onNotToday={leaving.notToday}
      onHurts={() => (leaving.isHurting = true)}
      onPitch={ACTS.pitch}
      onSpot={canSpot ? ACTS.spot : null}
      onRun={face === 'work' && canSpot ? ACTS.run : null}
      onKeys={() => (panel = 'keys')}
    />
  {/if}
  <DeskPanels bind:panel {view} {session} {inHand} {clicking} />
</div>

<style>
  .desk {
    display: flex;
    flex-direction: column;
    height: 100dvh;
    min-height: 480px;
    overflow: hidden;
  }
</style>
