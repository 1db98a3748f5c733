/** Looks at a sound become notes: one begins when two looks agree, is held for a moment after it ends, and is remembered when it lasted. */
import type { Cents, Heard, NoteNumber } from './notes';

/** Shorter ones are passing notes (judgement). */
const LEAST_MS = 300;
/** A gap as long as this ends a note (judgement). */
const GAP_MS = 160;
/** So long an ended note stays to be read (judgement). */
const HOLD_MS = 1500;

/** A note that lasted, as it was heard. */
export type Tone = { readonly note: NoteNumber; readonly cents: Cents };

export type Listening = {
  /** The note that sounds, or is held. */
  readonly now: { readonly note: NoteNumber; readonly cents: Cents; readonly isHeld: boolean } | null;
  readonly looks: readonly (Heard & { readonly atMs: number })[];
  readonly endedAtMs: number | null;
};
export const SILENCE: Listening = { now: null, looks: [], endedAtMs: null };

/** The next look, null where there is no steady pitch; with the note that ended by it, if one did that lasted. */
export function afterLook(
  before: Listening,
  heard: Heard | null,
  atMs: number
): { readonly listening: Listening; readonly ended: Tone | null } {
  const { looks } = before;
  const last = looks.at(-1);
  const isNear = last !== undefined && atMs - last.atMs <= GAP_MS;
  if (heard && (last === undefined || (isNear && heard.note === last.note))) {
    const all = [...looks, { ...heard, atMs }];
    const now =
      all.length > 1 ? { note: heard.note, cents: medianOf(all.slice(-5)), isHeld: false } : before.now;
    return { listening: { now, looks: all, endedAtMs: null }, ended: null };
  }
  if (!heard && isNear) return { listening: before, ended: null };
  const endedAtMs = before.endedAtMs ?? last?.atMs ?? atMs;
  const isOver = atMs - endedAtMs > HOLD_MS;
  const listening = {
    now: isOver || !before.now ? null : { ...before.now, isHeld: true },
    looks: heard ? [{ ...heard, atMs }] : [],
    endedAtMs: isOver ? null : endedAtMs
  };
  return { listening, ended: last ? toneOf(looks) : null };
}

function toneOf(looks: Listening['looks']): Tone | null {
  const [first, last] = [looks[0]!, looks.at(-1)!];
  return last.atMs - first.atMs >= LEAST_MS ? { note: first.note, cents: medianOf(looks) } : null;
}

const medianOf = (looks: readonly { readonly cents: Cents }[]): Cents =>
  quantile(
    looks.map((l) => l.cents),
    0.5
  );

/** Of numbers, between the two that lie around it. */
function quantile(numbers: readonly number[], share: number): number {
  const sorted = [...numbers].sort((a, b) => a - b);
  const place = (sorted.length - 1) * share;
  const below = Math.floor(place);
  return (
    sorted[below]! + (sorted[Math.min(below + 1, sorted.length - 1)]! - sorted[below]!) * (place - below)
  );
}

/** Where a note lies for somebody: the middle half of what was heard, and its median. */
export type NoteSpread = {
  readonly note: NoteNumber;
  readonly median: Cents;
  readonly low: Cents;
  readonly high: Cents;
  readonly count: number;
};

/** Each note that lasted, from low to high. */
export function spreadsOf(tones: readonly Tone[]): NoteSpread[] {
  const notes = [...new Set(tones.map(({ note }) => note))].sort((a, b) => a - b);
  return notes.map((note) => {
    const cents = tones.filter((tone) => tone.note === note).map((tone) => tone.cents);
    const at = (share: number) => Math.round(quantile(cents, share) * 10) / 10;
    return { note, median: at(0.5), low: at(0.25), high: at(0.75), count: cents.length };
  });
}

/** Several sessions' spreads as one, each weighed with how often the note was heard. */
export function joinSpreads(sessions: readonly (readonly NoteSpread[])[]): NoteSpread[] {
  const byNote = new Map<NoteNumber, NoteSpread>();
  for (const spread of sessions.flat()) {
    const before = byNote.get(spread.note);
    const count = (before?.count ?? 0) + spread.count;
    const mean = (field: 'median' | 'low' | 'high') =>
      ((before?.[field] ?? 0) * (before?.count ?? 0) + spread[field] * spread.count) / count;
    byNote.set(spread.note, {
      note: spread.note,
      median: mean('median'),
      low: mean('low'),
      high: mean('high'),
      count
    });
  }
  return [...byNote.values()].sort((a, b) => a.note - b.note);
}

/** "9 high", "5 low", "in tune": whole cents. */
export function sayCents(cents: Cents): string {
  const whole = Math.round(Math.abs(cents));
  return whole === 0 ? 'in tune' : `${whole} ${cents > 0 ? 'high' : 'low'}`;
}
