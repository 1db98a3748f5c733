/** The demo's takes: invented tunes, synthesised here, as if they had been recorded at the desk. */
import { createHash } from 'node:crypto';
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { barsByLine } from '../../core/record/lines';
import { targetOf } from '../../core/tempo';
import { beatsPerBar } from '../../core/units';
import type { App, Who } from '../app';
import { findItem } from '../store/item';
import { keepSound } from '../takes/keep';
import { addTake, makeSpots, putMarks, setTake } from '../usecase/takes';
import { tonesWav } from './tones-wav';

/** Telephone quality is enough to show how a take is listened to. */
const RATE = 8000;
/** Steps of a mode that belongs to no piece, in hertz. */
const TONES = [294, 330, 349, 392, 440, 466, 392, 349];

type Recorded = {
  /** Share of the target at which it was played. */
  readonly share: number;
  readonly date: string;
  readonly marks: readonly { readonly bar: number; readonly element: string; readonly says: string }[];
  readonly isKept?: boolean;
};

/** One run of an item's first two lines, as it was played that day; marked, and made into spots where something was. */
export function recordRun(app: App, who: Who, itemId: string, played: Recorded): void {
  const item = findItem(app.db, itemId)!;
  const target = item.sections.map(({ tempo }) => targetOf(tempo)).find(Boolean);
  const bars = barsByLine(item).slice(0, 2).flat();
  const beats = target && beatsPerBar(item.metre, target.unit);
  if (!target || !beats) return;
  const tempo = { bpm: Math.round(target.bpm * played.share), unit: target.unit };
  const barSeconds = (beats * 60) / tempo.bpm;
  const take = {
    id: app.newId(),
    itemId,
    fromBar: bars[0]!,
    toBar: bars.at(-1)!,
    date: played.date,
    madeAtMs: app.now(),
    source: 'run' as const,
    tempo,
    musicAtMs: Math.round(barSeconds * 1000)
  };
  addTake(app, who, { itemId, take });
  if (app.files !== '') keepSound(app, take.id, putTune(app.files, bars.length, beats, barSeconds));
  const startOf = (bar: number) => Math.round((bar - bars[0]! + 1) * barSeconds * 1000);
  const put = played.marks.map(({ bar, element, says }) => ({
    id: app.newId(),
    element,
    says,
    atMs: startOf(bar) + 400
  }));
  putMarks(app, who, { takeId: take.id, put, drop: [] });
  makeSpots(app, who, { takeId: take.id });
  if (played.isKept) setTake(app, who, { takeId: take.id, set: { isKept: true } });
}

/** A bar of silence for the count, then a tone a beat, each with a breath behind it. */
function putTune(folder: string, bars: number, beats: number, barSeconds: number) {
  const beat = barSeconds / beats;
  const tune = Array.from({ length: Math.round(bars * beats) }, (_, n) => [
    {
      frequency: TONES[(n * 3 + Math.floor(n / 5)) % TONES.length]!,
      seconds: beat * 0.86,
      // a phrase of eight beats swells and dies away
      loudness: 0.3 + 0.7 * Math.sin((Math.PI * ((n % 8) + 1)) / 9) ** 2
    },
    { frequency: 0, seconds: beat * 0.14 }
  ]).flat();
  const wav = tonesWav([{ frequency: 0, seconds: barSeconds }, ...tune], RATE);
  const name = createHash('sha256').update(wav).digest('hex');
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  writeFileSync(join(folder, name), wav, { mode: 0o600 });
  const lengthMs = Math.round((1000 * (wav.length - 44)) / (2 * RATE));
  return { name, kind: 'audio/wav' as const, bytes: wav.length, lengthMs };
}
