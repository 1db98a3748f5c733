<!-- The block runner: one block at a time, and what is done in it by one tap, key or pedal each. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { beatsPerBar, tempoIn } from '$lib/core/units';
  import { clickOf } from '$lib/core/tempo';
  import type { Beat } from '$lib/core/click/engine';
  import { countOffBeats } from '$lib/core/click/pattern';
  import { type Move, barsOfPart, nextPart, standingOf } from '$lib/core/practice';
  import { DeskSession } from '$lib/state/desk.svelte';
  import { Click } from '$lib/workers/click.client';
  import Answers from './Answers.svelte';
  import DayEnd from './DayEnd.svelte';
  import DayStrip from './DayStrip.svelte';
  import DeskBars from './DeskBars.svelte';
  import Elements from './Elements.svelte';
  import EndFace from './EndFace.svelte';
  import Hurts from './Hurts.svelte';
  import Keys from './Keys.svelte';
  import Parts from './Parts.svelte';
  import QueueWords from './QueueWords.svelte';
  import SoundPanel from './SoundPanel.svelte';
  import Sign from './Sign.svelte';
  import TempoStair from './TempoStair.svelte';
  import { sayClock } from './minutes';
  import { type DeskSettings, keepSettings, readSettings } from './settings';
  import { sayAt, sayLead } from './tempo-words';
  import type { TodayView } from '$lib/schema/view';

  let { view, owner }: { view: TodayView; owner: string } = $props();

  // one session for the page's life: what it shows comes from its events
  // svelte-ignore state_referenced_locally
  const session = new DeskSession({
    candidateId: view.candidate.id,
    owner,
    date: view.today,
    roadMap: view.roadMap,
    events: view.events
  });
  const { block, day, standing, work } = $derived(session);
  const home = $derived(`/auditions/${view.audition.id}/today`);

  /** From so many minutes left on one further is offered. */
  const FURTHER_SECONDS = 180;
  /** The signal comes again until it is answered. */
  const SIGNAL_MS = 7000;
  let beat = $state<Beat | null>(null);
  let isClicking = $state(false);
  let silence = $state('');
  let isLeaving = $state(false);
  let isHurt = $state(false);
  let isHurting = $state(false);
  let hasKeys = $state(false);
  let isStopped = $state(false);
  let hasSound = $state(false);
  let settings = $state.raw<DeskSettings | null>(null);

  const click = new Click((next) => (beat = next));
  const unit = $derived(block?.work?.unit ?? 'quarter');
  const said = $derived(
    standing ? (clickOf({ bpm: standing.bpm, unit }) ?? { bpm: standing.bpm, unit }) : null
  );
  const item = $derived(view.items.find(({ id }) => id === block?.itemId) ?? null);
  /** Clicks in a bar, where they fill it. */
  const perBar = $derived.by(() => {
    const beats = item && said ? beatsPerBar(item.metre, said.unit) : null;
    return beats !== null && Number.isInteger(beats) && beats <= 12 ? beats : 0;
  });
  /** The bars in hand: a part's, or all of the block's. */
  const bars = $derived(block ? barsOfPart(block, block.run?.part ?? 0) : null);
  function isPartHeld(part: number): boolean {
    const of = day && block ? standingOf(day, block, part) : null;
    return of !== null && of.heldBpm !== null && of.heldBpm >= of.goalBpm;
  }
  const isTriple = $derived(said?.unit.startsWith('dotted-') ?? false);
  const lastAnswer = $derived(block?.run?.answers.at(-1) ?? null);
  const open = $derived((day?.blocks ?? []).filter((one) => !one.isDropped));
  const place = $derived(open.findIndex((one) => one.id === block?.id));
  const next = $derived(open.slice(place + 1).find((one) => one.run === null) ?? null);
  const isTimeUp = $derived(session.secondsLeft <= 0);
  const isDone = $derived(day !== null && (block === null || isStopped));
  const isOver = $derived(
    block?.run != null && (isLeaving || (standing ? standing.phase === 'ended' : isTimeUp))
  );
  const isAsking = $derived(standing?.phase === 'offer' && session.secondsLeft >= FURTHER_SECONDS && !isHurt);

  onMount(() => {
    settings = readSettings();
    void session.open().then(() => {
      if (new URL(location.href).searchParams.has('begin')) void begin();
    });
    const lock = keepAwake();
    return () => {
      session.close();
      void click.close();
      lock();
    };
  });

  /** The screen stays awake while the desk is open, where the device lets it. */
  function keepAwake(): () => void {
    let held: WakeLockSentinel | null = null;
    const ask = () => {
      if (document.visibilityState === 'visible')
        void navigator.wakeLock?.request('screen').then(
          (lock) => (held = lock),
          () => {}
        );
    };
    ask();
    document.addEventListener('visibilitychange', ask);
    return () => {
      document.removeEventListener('visibilitychange', ask);
      void held?.release();
    };
  }

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
    if (!said || isOver || isDone || isHurting) stopClick();
    else if (isClicking) click.tempo(said.bpm);
  });
  $effect(() => {
    if (!isOver || !isTimeUp) return;
    click.signal();
    const again = setInterval(() => click.signal(), SIGNAL_MS);
    return () => clearInterval(again);
  });

  async function openSound(): Promise<boolean> {
    try {
      await click.open();
      silence = '';
      return true;
    } catch {
      silence = 'This device plays no sound here: the beat is shown, and blocks end without a signal.';
      return false;
    }
  }
  function stopClick() {
    click.stop();
    isClicking = false;
    beat = null;
  }
  async function toggleClick() {
    if (isClicking) return stopClick();
    if (!said || !(await openSound())) return;
    startClick();
  }
  function startClick() {
    const { stage, parts, isCounted, volume } = settings!;
    const isAtStart = bars != null && bars.fromBar === item?.fromBar;
    const countOff = isCounted
      ? countOffBeats(perBar, said!.bpm, isAtStart ? (item?.pickupBeats ?? 0) : 0)
      : 0;
    click.setVolume(volume);
    click.start(said!.bpm, { perBar, parts: isTriple ? 3 : parts, stage, countOff });
    isClicking = true;
  }
  /** Up to today's rung, as every tempo taken by hand. */
  function takeTapped(bpm: number) {
    hasSound = false;
    void session.move({ kind: 'by-hand', bpm: tempoIn({ bpm, unit: said!.unit }, unit) });
  }
  function setSettings(next: DeskSettings) {
    settings = next;
    keepSettings(next);
    click.setVolume(next.volume);
    if (isClicking) startClick();
  }
  async function begin() {
    void openSound();
    isStopped = false;
    await session.begin();
  }
  async function answer(kind: 'clean' | 'not-yet') {
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
  async function leave(how: 'not-today' | 'hurts') {
    isHurting = false;
    isHurt ||= how === 'hurts';
    isStopped = true;
    await session.end(how);
  }
  /** Where a part leads when it holds at today's rung. */
  const partAfter = $derived.by(() => {
    const next = day && block && block.parts.length > 0 ? nextPart(day, block) : null;
    const there = next === null || !block ? null : block.parts[next];
    return next === null ? '' : there ? `on to bars ${there.fromBar}–${there.toBar}` : 'on to all of it';
  });
  const leads = (kind: 'clean' | 'not-yet') =>
    standing && work ? sayLead(work, unit, standing, kind, partAfter) : '';

  /** Pedals send page keys or arrows: the right one is clean and next, the left one not yet. */
  const RIGHT = ['ArrowRight', 'ArrowDown', 'PageDown'];
  const LEFT = ['ArrowLeft', 'ArrowUp', 'PageUp'];
  async function onKey(event: KeyboardEvent) {
    if (event.ctrlKey || event.metaKey || event.altKey || event.repeat) return;
    const { key } = event;
    const isButton = event.target instanceof HTMLButtonElement || event.target instanceof HTMLAnchorElement;
    const isAt = block?.run != null && !isHurting && !isDone;
    const act = keyed(key, isButton, isAt);
    if (!act) return;
    event.preventDefault();
    await act();
  }
  function keyed(key: string, isButton: boolean, isAt: boolean): (() => unknown) | null {
    if (hasSound) return null;
    if (key === '?') return () => (hasKeys = !hasKeys);
    if (key === 'Escape' && hasKeys) return () => (hasKeys = false);
    if (!isAt) return RIGHT.includes(key) && block && !block.run && !isDone ? begin : null;
    if (isOver) {
      if (RIGHT.includes(key) || key === settings?.cleanKey) return () => endBlock('next');
      return key === 'm' && !isHurt ? more : key === 's' ? () => endBlock('shorter') : null;
    }
    if (key === 'u' || key === 'Backspace') return () => session.undo();
    if (key === 'e') return () => (isLeaving = true);
    const isRight = RIGHT.includes(key) || key === settings?.cleanKey;
    if (!standing) return isRight ? () => (isLeaving = true) : null;
    if (isRight) return () => answer('clean');
    if (LEFT.includes(key) || key === settings?.notYetKey) return () => answer('not-yet');
    return key === ' ' && !isButton ? toggleClick : null;
  }
  const further = $derived(work?.furtherBpm != null && said ? sayAt(work.furtherBpm, unit, said) : '');
  const leaveIt: Move = { kind: 'leave-it' };
</script>

<svelte:window onkeydown={onKey} />
<div class="desk">
  {#if day}<DayStrip
      {day}
      blockId={block?.id ?? null}
      share={block ? session.seconds / (60 * (block.minutes + (block.run?.moreMin ?? 0))) : 0}
    />{/if}
  {#if session.fault}
    <div class="first">
      <p role="alert">{session.fault}</p>
      <a href={home}>To the day</a>
    </div>
  {:else if !session.isOpen}
    <div class="first"><h1 class="soft">The day is opened</h1></div>
  {:else if isHurting}
    <Hurts onRest={() => leave('hurts')} onBack={() => (isHurting = false)} />
  {:else if isDone}
    <DayEnd {view} day={day!} answer={session.answer} {isHurt} {home} onGoOn={block ? begin : null} />
  {:else if view.roadMap.length === 0 && !day}
    <div class="first">
      <h1>No minutes today</h1>
      <a href={home}>To the day</a>
    </div>
  {:else if !block?.run}
    {@const first = block ?? view.roadMap[0]!}
    <div class="first">
      <h1>{first.name}</h1>
      <p>{first.minutes} minutes · {first.why}</p>
      <button class="begin" onclick={begin}>Begin</button>
    </div>
  {:else if isOver}
    <EndFace
      {block}
      {standing}
      {next}
      {bars}
      seconds={session.seconds}
      {isTimeUp}
      {isHurt}
      onNext={() => endBlock('next')}
      onMore={more}
      onShorter={() => endBlock('shorter')}
    />
  {:else}
    <div class="what">
      {#if item && bars}<DeskBars {item} {bars} />{/if}
      {#if block.parts.length > 0}<Parts
          {block}
          isHeld={(part) => isPartHeld(part)}
          onTake={(part) => session.take(part)}
        />{/if}
      <h1>{block.name}</h1>
      <p class="bars">
        {#if bars}{bars.fromBar === bars.toBar
            ? `bar ${bars.fromBar}`
            : `bars ${bars.fromBar}–${bars.toBar}`}{:else}{block.why}{/if}
      </p>
      {#if block.bars}<p class="soft">{block.why}</p>{/if}
      {#if lastAnswer?.mark === 'n'}<div class="stated">
          <Elements chosen={lastAnswer.notHeld} onChange={(notHeld) => session.state(notHeld)} />
        </div>{/if}
    </div>
    {#if standing && work && said}
      <div class="click">
        <button class="toggle" aria-pressed={isClicking} onclick={toggleClick}>click</button>
        <span class="beats" aria-hidden="true"
          >{#each { length: perBar || 1 } as _, i (i)}<i
              class:on={isClicking &&
                beat !== null &&
                beat.index % (perBar || 1) === i &&
                (perBar > 0 || beat.index % 2 === 0)}
            ></i>{/each}</span
        >
        {#if isClicking && beat?.isCountOff}<span class="count">count</span>{/if}
        <button class="more" onclick={() => (hasSound = true)}>settings</button>
        {#if silence}<span class="soft">{silence}</span>{/if}
      </div>
      <TempoStair {work} {unit} {standing} onPick={(bpm) => session.move({ kind: 'by-hand', bpm })} />
      {#if isAsking}
        <Answers
          left={{ word: 'enough', leads: 'today’s plan holds', onPick: () => answer('not-yet') }}
          right={{ word: 'one further', leads: `${further}, once`, onPick: () => answer('clean') }}
        />
      {:else}
        {#if standing.phase === 'ending'}<p class="ending" role="status">
            The time is up. One clean attempt at {sayAt(standing.bpm, unit)} before it closes?
          </p>{/if}
        <Answers
          left={{ word: 'not yet', leads: leads('not-yet'), onPick: () => answer('not-yet') }}
          right={{ word: 'clean', leads: leads('clean'), onPick: () => answer('clean') }}
        />
      {/if}
    {:else}
      <div class="timed">
        <div class="sign"><Sign kind={block.kind} share={session.seconds / (60 * block.minutes)} /></div>
        <p class="left" role="timer">{sayClock(session.secondsLeft)}</p>
      </div>
      <button class="done" onclick={() => (isLeaving = true)}
        >{block.kind === 'run' || block.kind === 'easy-run' ? 'the end' : 'done'}</button
      >
    {/if}
  {/if}
  {#if session.isOpen && block?.run && !isDone && !isHurting}
    <footer>
      {#if !isOver}
        <button onclick={() => session.undo()} disabled={(block.run.moves.length ?? 0) === 0}>undo</button>
        {#if standing?.phase === 'ending'}<button onclick={() => session.move(leaveIt)}>leave it</button
          >{:else if standing?.phase === 'at-rest'}<button onclick={() => (isLeaving = true)}>next</button
          >{:else}<button onclick={() => endBlock('shorter')}>shorter</button>{/if}
      {/if}
      {#if isLeaving && !isTimeUp}<button onclick={() => (isLeaving = false)}>back to it</button>{/if}
      <button onclick={() => leave('not-today')}>not today</button>
      <button onclick={() => (isHurting = true)}>it hurts</button>
      <button class="keys" onclick={() => (hasKeys = true)}>keys</button>
      <span class="state"><QueueWords state={session.queueState} /></span>
      <span class="time"
        >{#if standing || isOver}<b>{sayClock(session.secondsLeft)}</b>&nbsp;left,&nbsp;{/if}block {place + 1} of
        {open.length}</span
      >
    </footer>
  {:else if !session.fault}
    <footer>
      {#if !isDone}<a href={home} data-sveltekit-reload>to the day</a>{/if}<button
        class="keys"
        onclick={() => (hasKeys = true)}>keys</button
      ><span class="state"><QueueWords state={session.queueState} /></span>
    </footer>
  {/if}
  {#if hasSound && settings}<SoundPanel
      {settings}
      {isTriple}
      onChange={setSettings}
      onTapped={takeTapped}
      onClose={() => (hasSound = false)}
    />{/if}
  {#if hasKeys}<Keys onClose={() => (hasKeys = false)} />{/if}
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
  .what {
    position: relative;
    padding: 4px 24px 0;
  }
  .what h1 {
    margin-top: 8px;
    font-size: clamp(24px, 4vw, 42px);
    font-stretch: 92%;
  }
  .bars {
    font-size: clamp(20px, 3.6vw, 36px);
    font-stretch: 84%;
    line-height: 1.15;
  }
  .what .soft {
    font-size: clamp(15px, 2vw, 20px);
    font-stretch: 84%;
  }
  .click {
    display: flex;
    align-items: center;
    gap: 16px;
    padding: 8px 24px 0;
  }
  .toggle {
    min-height: 48px;
    padding: 0 22px;
    border: 2px solid var(--ink);
    background: none;
    font-size: 22px;
    font-weight: 600;
  }
  .toggle[aria-pressed='true'] {
    background: var(--ink);
    color: var(--paper);
  }
  .more {
    min-height: 48px;
    padding: 0 10px;
    border: 0;
    background: none;
    color: var(--soft);
    font-size: 18px;
    font-stretch: 84%;
    text-decoration: underline;
    text-underline-offset: 3px;
  }
  .count {
    font-size: 22px;
    font-weight: 650;
  }
  .stated {
    position: absolute;
    right: 14px;
    bottom: 0;
    width: 380px;
  }
  .beats {
    display: flex;
    gap: 8px;
  }
  .beats i {
    width: 26px;
    height: 26px;
    border: 2px solid var(--soft);
  }
  .beats i:first-child {
    width: 34px;
  }
  .beats .on {
    border-color: var(--ink);
    background: var(--ink);
  }
  .desk > :global(.stair) {
    flex: 1;
    min-height: 0;
    align-content: end;
    padding-bottom: 8px;
  }
  .ending {
    padding: 6px 24px;
    border-top: 2px solid var(--ink);
    font-size: clamp(18px, 2.4vw, 26px);
    font-weight: 600;
  }
  .timed {
    display: grid;
    grid-template-columns: 1fr 1fr;
    flex: 1;
    align-items: center;
    min-height: 0;
    padding: 12px 24px;
  }
  .sign {
    height: min(100%, 300px);
  }
  .left {
    font-size: clamp(80px, 19vw, 240px);
    font-weight: 700;
    letter-spacing: -0.02em;
    text-align: center;
  }
  .done {
    min-height: clamp(88px, 14vh, 130px);
    border: 0;
    border-top: 2px solid var(--ink);
    background: none;
    font-size: clamp(32px, 5vw, 52px);
    font-weight: 650;
  }
  .done:hover {
    background: var(--ground);
  }
  footer {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0 4px;
    min-height: 60px;
    padding: 0 16px;
    border-top: 1px solid var(--rule);
    font-size: 20px;
    font-stretch: 88%;
  }
  footer button,
  footer a {
    display: inline-grid;
    align-content: center;
    min-height: 48px;
    padding: 0 14px;
    border: 0;
    background: none;
    color: inherit;
    text-decoration: none;
  }
  footer button + button {
    border-left: 1px solid var(--rule);
  }
  footer button:disabled {
    color: var(--soft);
    opacity: 0.6;
  }
  .state {
    margin-left: 14px;
  }
  .time {
    margin-left: auto;
  }
  @media (max-width: 720px) {
    .what,
    .click {
      padding-right: 16px;
      padding-left: 16px;
    }
    .timed {
      grid-template: auto auto / 1fr;
      align-content: center;
    }
    .sign {
      height: 130px;
    }
    .click {
      gap: 10px;
    }
    .toggle {
      padding: 0 16px;
    }
    .stated {
      position: static;
      width: auto;
      margin: 0 -7px;
    }
    .beats {
      flex: 0 1 170px;
      gap: 5px;
    }
    .beats i,
    .beats i:first-child {
      flex: 0 1 24px;
      width: auto;
      min-width: 6px;
    }
    .more {
      margin-left: auto;
    }
    .desk > :global(.stair) {
      align-content: center;
    }
    footer {
      font-size: 17px;
    }
    footer button,
    footer a {
      padding: 0 10px;
    }
    .keys {
      display: none;
    }
    .state {
      margin-left: 10px;
    }
  }
</style>
