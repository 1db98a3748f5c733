<!-- What is opened over the desk: its keys, the click's settings, pitch, a spot to note, and ways to practise the one in hand. -->
<script module lang="ts">
  export type Panel = 'keys' | 'sound' | 'spot' | 'methods' | 'pitch';
</script>

<script lang="ts">
  import type { NoteSpread } from '$lib/core/pitch';
  import { type SpotLine, elementsFor } from '$lib/core/practice';
  import { tempoIn } from '$lib/core/units';
  import type { TodayView } from '$lib/schema/view';
  import type { DeskSession } from '$lib/state/desk.svelte';
  import Keys from './Keys.svelte';
  import MethodPanel from './MethodPanel.svelte';
  import SoundPanel from './SoundPanel.svelte';
  import SpotPanel from './SpotPanel.svelte';
  import { type Clicking, isTriple } from './clicking.svelte';
  import type { InHand } from './in-hand.svelte';

  let {
    panel = $bindable(),
    view,
    session,
    inHand,
    clicking
  }: {
    /** Null where none is open. */
    panel: Panel | null;
    view: TodayView;
    session: DeskSession;
    inHand: InHand;
    clicking: Clicking;
  } = $props();

  const { block } = $derived(session);
  const { unit, said, item, spot, clicked, offers } = $derived(inHand);

  async function found(line: SpotLine) {
    panel = null;
    if (block?.itemId) await session.found({ ...line, itemId: block.itemId });
  }
  async function leavePitch(heard: readonly NoteSpread[]) {
    panel = null;
    await session.tones(heard);
  }
  async function takeMethod(method: string) {
    panel = null;
    if (block?.run) await session.take({ ...block.run.task, method });
  }
  /** Up to today's rung, as every tempo taken by hand. */
  function takeTapped(bpm: number) {
    panel = null;
    void session.move({ kind: 'by-hand', bpm: tempoIn({ bpm, unit: said!.unit }, unit) });
  }
</script>

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
