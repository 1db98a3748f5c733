/** A drone for a page: tones that sound until they are silenced. Begun by a tap, as browsers ask. */

/** Overtones of our own making, falling: enough to tune to, and soft. */
const OVERTONES = [0, 1, 0.5, 0.33, 0.2, 0.12, 0.08];
const FADE_SECONDS = 0.06;
const LEVEL = 0.22;

export class Drone {
  #context: AudioContext | null = null;
  #voices: { readonly tone: OscillatorNode; readonly gain: GainNode }[] = [];

  /** In place of what sounded before. Throws where this device plays no sound. */
  async play(frequencies: readonly number[], volume: number): Promise<void> {
    const context = (this.#context ??= new AudioContext());
    await context.resume();
    this.silence();
    const wave = new PeriodicWave(context, { imag: OVERTONES, real: OVERTONES.map(() => 0) });
    this.#voices = frequencies.map((frequency) => {
      const tone = new OscillatorNode(context, { frequency, periodicWave: wave });
      const gain = new GainNode(context, { gain: 0 });
      gain.gain.linearRampToValueAtTime(LEVEL * volume, context.currentTime + FADE_SECONDS);
      tone.connect(gain).connect(context.destination);
      tone.start();
      return { tone, gain };
    });
  }

  silence(): void {
    const now = this.#context?.currentTime ?? 0;
    for (const { tone, gain } of this.#voices) {
      gain.gain.cancelScheduledValues(now);
      gain.gain.setTargetAtTime(0, now, FADE_SECONDS / 3);
      tone.stop(now + 4 * FADE_SECONDS);
    }
    this.#voices = [];
  }

  async close(): Promise<void> {
    await this.#context?.close();
    this.#context = null;
  }
}
