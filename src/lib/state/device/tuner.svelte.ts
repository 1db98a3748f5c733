/** What the microphone hears as notes, while it is open; and what was heard, note by note. Nothing is recorded. */
import {
  type Listening,
  type NoteNumber,
  type NoteSpread,
  type Tone,
  LOOK_SAMPLES,
  SILENCE,
  afterLook,
  heardAs,
  pitchReader,
  spreadsOf
} from '$lib/core/pitch';

import { openMicrophone, sayNoMicrophone } from './microphone';

const LOOK_MS = 60;

export class Tuner {
  listening = $state.raw<Listening>(SILENCE);
  /** Notes that lasted, since it was opened. */
  tones = $state.raw<readonly Tone[]>([]);
  readonly spreads: readonly NoteSpread[] = $derived.by(() => spreadsOf(this.tones));
  /** Why it hears nothing; empty where it does. */
  fault = $state('');
  isOpen = $state(false);
  /** The A it stands on, in Hz, and the root of pure intervals; null: all equal. */
  a = 440;
  root: NoteNumber | null = null;
  #stream: MediaStream | null = null;
  #context: AudioContext | null = null;
  #timer: ReturnType<typeof setInterval> | undefined;

  /** Asks for the microphone. */
  async open(): Promise<void> {
    try {
      this.#stream = await openMicrophone();
      const context = (this.#context = new AudioContext());
      const analyser = new AnalyserNode(context, { fftSize: LOOK_SAMPLES });
      new MediaStreamAudioSourceNode(context, { mediaStream: this.#stream }).connect(analyser);
      await context.resume();
      const read = pitchReader(context.sampleRate);
      const samples = new Float32Array(LOOK_SAMPLES);
      this.#timer = setInterval(() => {
        analyser.getFloatTimeDomainData(samples);
        this.#look(read(samples));
      }, LOOK_MS);
      [this.isOpen, this.fault] = [true, ''];
    } catch (thrown) {
      this.fault = `${sayNoMicrophone(thrown)} The drone sounds without it.`;
    }
  }

  #look(frequency: number | null): void {
    const heard = frequency === null ? null : heardAs(frequency, this.a, this.root);
    const { listening, ended } = afterLook(this.listening, heard, performance.now());
    this.listening = listening;
    if (ended) this.tones = [...this.tones, ended];
  }

  close(): void {
    clearInterval(this.#timer);
    this.#stream?.getTracks().forEach((track) => track.stop());
    void this.#context?.close();
    [this.#stream, this.#context, this.isOpen] = [null, null, false];
  }
}
