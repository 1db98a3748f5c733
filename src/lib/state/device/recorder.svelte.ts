/**
 * Records a take with the browser's own recorder, every second of it kept on the device as it comes. The first seconds of the microphone are
 * looked at: too loud, or next to nothing, is said while it can still be moved.
 */
import { LONGEST_TAKE_MS } from '$lib/core/record/words';
import { type LevelFault, levelFault } from '$lib/core/take/level';
import type { Take } from '$lib/core/record';
import { openMicrophone, sayNoMicrophone } from './microphone';
import { keepTake } from './takes';

const PIECE_MS = 1000;
const LOOK_MS = 100;
/** So long the level is looked at. */
const LEVEL_MS = 3000;
const BITS_PER_SECOND = 96_000;
const KINDS = ['audio/webm;codecs=opus', 'audio/mp4'];

type Keeping = Awaited<ReturnType<typeof keepTake>>;

export class Recorder {
  /** Since when it records, by the device's clock; null where it does not. */
  sinceMs = $state<number | null>(null);
  /** Why it does not, or no longer; empty where nothing is wrong. */
  fault = $state('');
  level = $state<LevelFault | null>(null);
  take: Take | null = null;
  #recorder: MediaRecorder | null = null;
  #stream: MediaStream | null = null;
  #context: AudioContext | null = null;
  #looking: ReturnType<typeof setInterval> | undefined;
  #keeping: Keeping | null = null;
  #kept: Promise<void> = Promise.resolve();
  /** Of the clock that counts beats, when the recording began. */
  #zero = 0;

  /** Asks for the microphone; true when it records. Call from a tap or a key. */
  async begin(owner: string, take: Take): Promise<boolean> {
    try {
      this.#stream = await openMicrophone();
    } catch (thrown) {
      this.fault = sayNoMicrophone(thrown);
      return false;
    }
    const kind = KINDS.find((one) => MediaRecorder.isTypeSupported(one));
    if (!kind) {
      this.fault = 'This browser records no sound.';
      this.#close();
      return false;
    }
    try {
      this.#keeping = await keepTake(owner, take, kind);
    } catch {
      this.fault = 'This device keeps no sound: a private window does not, or it has no room left.';
      this.#close();
      return false;
    }
    try {
      this.#zero = await this.#start(kind);
    } catch {
      this.fault = 'This browser does not record this microphone.';
      await this.#keeping.end(take);
      this.#close();
      return false;
    }
    [this.fault, this.level, this.take, this.sinceMs] = ['', null, take, Date.now()];
    this.#stream.getTracks().forEach((track) => {
      track.onended = () => this.#stop('The microphone went away: what was recorded until then is kept.');
    });
    this.#look();
    return true;
  }

  /** Resolves to the moment at which it began. */
  #start(kind: string): Promise<number> {
    return new Promise((resolve, reject) => {
      const recorder = new MediaRecorder(this.#stream!, {
        mimeType: kind,
        audioBitsPerSecond: BITS_PER_SECOND
      });
      this.#recorder = recorder;
      recorder.ondataavailable = ({ data }) => this.#keep(data);
      recorder.onstart = () => resolve(performance.now());
      recorder.onerror = () => reject(new Error('not recorded'));
      recorder.start(PIECE_MS);
    });
  }

  /** The music begins now. */
  musicBegins(): void {
    if (this.take) this.take = { ...this.take, musicAtMs: Math.round(performance.now() - this.#zero) };
  }

  /** Resolves to the take when all of it is kept on the device; null where nothing was recorded. */
  async end(): Promise<Take | null> {
    const recorder = this.#recorder;
    if (!recorder || !this.take || !this.#keeping) return null;
    const { take } = this;
    await new Promise<void>((resolve) => {
      recorder.onstop = () => resolve();
      if (recorder.state === 'inactive') resolve();
      else recorder.stop();
    });
    await this.#kept;
    const isKept = await this.#keeping.end(take);
    this.#close();
    return isKept ? take : null;
  }

  #keep(piece: Blob): void {
    if (piece.size === 0) return;
    this.#kept = this.#kept
      .then(() => this.#keeping!.add(piece))
      .catch(() => this.#stop('This device has no room left: what was recorded until now is kept.'));
    if (performance.now() - this.#zero > LONGEST_TAKE_MS - 2 * PIECE_MS)
      this.#stop('A take lasts an hour and a half at most: it has ended here.');
  }

  #stop(why: string): void {
    this.fault = why;
    if (this.#recorder?.state === 'recording') this.#recorder.stop();
  }

  #look(): void {
    const context = (this.#context = new AudioContext());
    const analyser = new AnalyserNode(context, { fftSize: 8192 });
    new MediaStreamAudioSourceNode(context, { mediaStream: this.#stream! }).connect(analyser);
    const samples = new Float32Array(analyser.fftSize);
    const began = performance.now();
    let loudest = 0;
    this.#looking = setInterval(() => {
      analyser.getFloatTimeDomainData(samples);
      for (const sample of samples) loudest = Math.max(loudest, Math.abs(sample));
      const isOver = performance.now() - began > LEVEL_MS;
      this.level = levelFault(loudest, isOver);
      if (isOver) this.#stopLooking();
    }, LOOK_MS);
  }

  #stopLooking(): void {
    clearInterval(this.#looking);
    void this.#context?.close();
    this.#context = null;
  }

  #close(): void {
    this.#stopLooking();
    this.#stream?.getTracks().forEach((track) => track.stop());
    [this.#recorder, this.#stream, this.#keeping, this.sinceMs, this.take] = [null, null, null, null, null];
  }
}
