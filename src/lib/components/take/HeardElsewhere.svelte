<!-- A take as somebody hears it who was sent a link: the sound, and a remark at the place where it is. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { barAt } from '$lib/core/take';
  import { type Milliseconds, dayOf, formatDate, sayBars, sayDate } from '$lib/core/units';
  import type { ListenerView } from '$lib/schema/view';
  import { goBack, placeOf } from '$lib/state/bars-in-hand';
  import { Outline } from '$lib/state/outline.svelte';
  import { Player } from '$lib/state/player.svelte';
  import { send } from '$lib/state/send';
  import Acts from './Acts.svelte';
  import Sheet from './Sheet.svelte';
  import Systems from './Systems.svelte';
  import { sayMs, sayPlace } from './systems';

  let {
    view,
    sound,
    newId,
    fault
  }: {
    view: ListenerView;
    /** Its address. */
    sound: string;
    /** Of the next remark. */
    newId: string;
    fault: string;
  } = $props();

  const player = new Player();
  const outline = new Outline();
  const { take, item } = $derived(view);
  const bar = $derived(barAt(take, item.metre, placeOf(player)));
  /** The place that a remark is about; null while none is being said. */
  let placeMs = $state<Milliseconds | null>(null);
  let field = $state<HTMLInputElement>();
  const sayAt = (atMs: Milliseconds) => sayPlace(take, item.metre, atMs);
  const marks = $derived(view.remarks.map(({ id, atMs }) => ({ id, atMs, spotId: null })));
  const until = $derived(
    view.endsMs === null ? '' : sayDate(dayOf(formatDate(Math.floor(view.endsMs / 86_400_000))))
  );

  onMount(() => {
    const stop = new AbortController();
    void outline.open(view.peaks, sound, null, stop.signal);
    return () => stop.abort();
  });
  $effect(() => field?.focus());

  function here() {
    placeMs = placeOf(player);
    if (player.isPlaying) void player.toggle();
  }
  const back = () => goBack(player, take, item.metre);
  const KEYS: Readonly<Record<string, () => unknown>> = {
    ' ': player.toggle,
    ArrowRight: here,
    PageDown: here,
    ArrowLeft: back,
    PageUp: back,
    h: () => player.half()
  };
  function onKey(key: string): boolean {
    KEYS[key]?.();
    return key in KEYS;
  }
</script>

<Sheet {player} {sound} {onKey}>
  {#snippet head()}
    <div>
      <p>
        For <bdi>{view.listener}</bdi>, to be heard here{until ? ` until ${until}` : ''} · {sayMs(
          take.lengthMs ?? 0
        )}
      </p>
      <h1><bdi>{item.name}</bdi>, {sayBars(take)}</h1>
    </div>
  {/snippet}
  <Systems {take} {item} peaks={outline.peaks} {marks} {player} />
  {#if placeMs !== null}
    <form
      method="POST"
      action="?/remark"
      use:send={{
        onSend:
          () =>
          ({ type }) => {
            if (type === 'success') placeMs = null;
          }
      }}
    >
      <input type="hidden" name="id" value={newId} />
      <input type="hidden" name="atMs" value={Math.round(placeMs)} />
      <label for="says">At {sayAt(placeMs)} I hear</label>
      <input id="says" name="says" bind:this={field} maxlength="200" dir="auto" required />
      <button class="action">Send it</button>
      <button type="button" class="quiet" onclick={() => (placeMs = null)}>leave it</button>
    </form>
  {/if}
  {#if fault}<p role="alert">{fault}</p>{/if}
  {#each view.remarks as remark (remark.id)}
    <p class="remark"><b>{sayAt(remark.atMs)}</b> <bdi>{remark.says}</bdi></p>
  {/each}
  {#snippet foot()}
    <Acts
      {player}
      says="say what you hear {bar === null ? 'there' : `in bar ${bar}`}"
      isOff={false}
      onHere={here}
      onBack={back}
      onLoop={null}
    >
      {#snippet status()}{#if player.fault}{player.fault}{:else if view.remarks.length > 0}{view.remarks
            .length}
          {view.remarks.length === 1 ? 'remark is' : 'remarks are'} with the player{:else}play, and press
          “here” wherever you want to say something{/if}{/snippet}
    </Acts>
  {/snippet}
</Sheet>

<style>
  h1 {
    font-size: clamp(28px, 4.4vw, 46px);
    line-height: 1.1;
  }
  form {
    display: flex;
    flex-wrap: wrap;
    gap: 8px 14px;
    align-items: center;
    margin: 16px 0 0 40px;
    font-size: 20px;
  }
  #says {
    flex: 1 1 260px;
    max-width: 560px;
    min-height: 48px;
    font-size: 20px;
  }
  .remark {
    margin: 10px 0 0 40px;
    font-size: 18px;
  }
  @media (max-width: 720px) {
    form,
    .remark {
      margin-left: 8px;
    }
  }
</style>
