/**
 * The seconds a block has been at work, counted while its desk is open, and kept on the device so that a reload loses next to none. Counted by
 * a clock that nobody sets: one that is put right, or falls back for the winter, neither ends a block nor halts it.
 */
const TICK_MS = 250;
/** A reload loses no more than this. */
const KEPT_EVERY_MS = 3000;
const PLACE = 'irvot-desk-clock';

export class DeskClock {
  #run = $state.raw<{ readonly block: string; readonly base: number; readonly sinceMs: number } | null>(null);
  #nowMs = $state(0);
  #keptMs = 0;
  #ticking: ReturnType<typeof setInterval> | undefined;

  /** Null where that block is not the one that runs. */
  secondsOf(block: string | undefined): number | null {
    if (!this.#run || this.#run.block !== block) return null;
    return this.#run.base + Math.max(0, this.#nowMs - this.#run.sinceMs) / 1000;
  }

  begin(block: string): void {
    this.#start(block, 0);
  }

  /** Goes on where it was; `seconds` where this device kept nothing of it. */
  takeUp(block: string, seconds: number): void {
    const [kept, base] = (localStorage.getItem(PLACE) ?? '').split(' ');
    this.#start(block, kept === block ? Number(base) : seconds);
  }

  stop(): void {
    this.#keep();
    clearInterval(this.#ticking);
    this.#run = null;
  }

  #start(block: string, base: number): void {
    clearInterval(this.#ticking);
    this.#nowMs = performance.now();
    this.#run = { block, base, sinceMs: this.#nowMs };
    this.#keep();
    this.#ticking = setInterval(() => this.#tick(), TICK_MS);
  }

  #tick(): void {
    this.#nowMs = performance.now();
    if (this.#nowMs - this.#keptMs >= KEPT_EVERY_MS) this.#keep();
  }

  #keep(): void {
    if (!this.#run) return;
    this.#keptMs = this.#nowMs;
    localStorage.setItem(PLACE, `${this.#run.block} ${Math.round(this.secondsOf(this.#run.block)!)}`);
  }
}
