/** Going through a take bar by bar: where the key's place lies, a bar back, a bar on, two bars again and again. */
import { type Placed, barAt, startOfBar } from '$lib/core/take';
import type { Milliseconds } from '$lib/core/units';
import type { Player } from './player.svelte';

/** From hearing to the key (judgement: as long as most hands take). */
const LATE_MS = 300;
/** Where bars are not known. */
const JUMP_MS = 3000;
/** So soon after a bar's beginning one goes back to the bar before. */
const AT_START_MS = 700;
const AROUND_MS = 2000;

/** The moment that is meant when a key is pressed now. */
export const placeOf = ({ nowMs, isPlaying, isHalf }: Player): Milliseconds =>
  Math.max(0, nowMs - (isPlaying ? LATE_MS * (isHalf ? 0.5 : 1) : 0));

/** Within a bar to its beginning, at its beginning to the bar before. */
export function goBack(player: Player, take: Placed, metre: string): void {
  const bar = barAt(take, metre, player.nowMs);
  const start = bar === null ? null : startOfBar(take, metre, bar);
  const isAtStart = start !== null && player.nowMs - start < AT_START_MS;
  player.goTo((isAtStart ? startOfBar(take, metre, bar! - 1) : start) ?? player.nowMs - JUMP_MS);
}

export function goOn(player: Player, take: Placed, metre: string): void {
  const bar = barAt(take, metre, player.nowMs);
  player.goTo((bar === null ? null : startOfBar(take, metre, bar + 1)) ?? player.nowMs + JUMP_MS);
}

/** This bar and the next; where bars are not known, what lies around. A second time lets go. */
export function loopHere(player: Player, take: Placed, metre: string): void {
  const bar = barAt(take, metre, player.nowMs);
  const fromMs = bar === null ? null : startOfBar(take, metre, bar);
  const toMs = bar === null ? null : (startOfBar(take, metre, bar + 2) ?? startOfBar(take, metre, bar + 1));
  player.repeat(
    fromMs !== null && toMs !== null
      ? { fromMs, toMs }
      : { fromMs: Math.max(0, player.nowMs - AROUND_MS), toMs: player.nowMs + AROUND_MS }
  );
}
