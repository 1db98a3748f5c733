/**
 * What a session at the desk keeps, sends and hears. An event is on the device before it is shown; sending goes on by itself. Where there is no
 * line, the plan is laid again here once a block has ended.
 */
import type { DeskEvent } from '$lib/core/record';
import type { DeskAnswer } from '$lib/schema/desk';
import { offsetIn, readClock } from './device/clock';
import { studioLine } from './device/line';
import { type DeskDraft, DeviceQueue, type QueueState } from './device/queue';
import { type Kept, openShelf } from './device/shelf';

/** What has not been sent by then is said to wait. */
const SAID_TO_WAIT_MS = 800;
/** After a line was missed it is tried again after so long. */
const AGAIN_MS = 15_000;

type DeskOf = {
  /** Whose account it is. */
  readonly owner: string;
  readonly candidate: string;
  readonly audition: string;
  readonly date: string;
  /** The zone in which this device told the date; null where the studio did. */
  readonly toldIn: string | null;
};

export class DeskLine {
  #queue: DeviceQueue | null = null;
  #again: ReturnType<typeof setTimeout> | undefined;
  #waits: ReturnType<typeof setTimeout> | undefined;
  #hasEnded = false;

  state = $state.raw<QueueState>({ kind: 'sent', atMs: null });
  /** What the studio said of what was logged last, or what was made of it here. */
  answer = $state.raw<DeskAnswer | null>(null);
  /** What the studio does not take. */
  refused = $state.raw<readonly Kept[]>([]);

  constructor(private readonly desk: DeskOf) {}

  /** What is here of this desk. Rejects where the browser keeps nothing. */
  async open(): Promise<readonly DeskEvent[]> {
    const { owner, candidate, date, toldIn: zone } = this.desk;
    const offsetMs = offsetIn(await readClock());
    const of = { owner, candidate, date };
    this.#queue = await DeviceQueue.open(await openShelf(), of, studioLine, { offsetMs, zone });
    await this.#lookAtRefused();
    return this.#queue.all();
  }

  close(): void {
    clearTimeout(this.#again);
    clearTimeout(this.#waits);
  }

  /** Null where nothing is kept here. */
  async keep(draft: DeskDraft): Promise<DeskEvent | null> {
    const event = (await this.#queue?.keep(draft)) ?? null;
    if (draft.kind === 'end') this.#hasEnded = true;
    return event;
  }

  /** What was kept is shown now; it goes. */
  sendSoon(): void {
    if (this.state.kind === 'sent') this.state = { kind: 'sending' };
    clearTimeout(this.#waits);
    this.#waits = setTimeout(() => void this.#sayWaiting(), SAID_TO_WAIT_MS);
    void this.send();
  }

  sayNoRoom(): void {
    this.state = { kind: 'refused', says: 'not kept: this device has no room left' };
  }

  async send(): Promise<void> {
    if (!this.#queue) return;
    clearTimeout(this.#again);
    const { state, answer } = await this.#queue.send();
    // nothing waited: another page of this device has sent it
    if (state.kind !== 'sent' || state.atMs !== null) this.state = state;
    else if (this.state.kind === 'sending' || this.state.kind === 'waiting')
      this.state = { kind: 'sent', atMs: Date.now() };
    if (answer && (answer.isLaid || answer.notLogged.length > 0)) this.answer = answer;
    if (answer && answer.refused.length > 0) await this.#lookAtRefused();
    if (answer?.isLaid) {
      this.#hasEnded = false;
      void this.#keepAnew();
    }
    if (state.kind !== 'waiting') return;
    this.#again = setTimeout(() => void this.send(), answer ? 0 : AGAIN_MS);
    if (!answer && this.#hasEnded) await this.#layHere();
  }

  /** On which day it was played that was kept under another. */
  async sayDay(from: string, to: string): Promise<void> {
    await this.#queue?.sayDay(from, to);
    await this.send();
  }
  async retry(): Promise<void> {
    await this.#queue?.retry();
    await this.#lookAtRefused();
    await this.send();
  }
  async letGo(): Promise<void> {
    await this.#queue?.letGo();
    await this.#lookAtRefused();
  }

  async #lookAtRefused(): Promise<void> {
    this.refused = (await this.#queue?.refused()) ?? [];
  }

  async #sayWaiting(): Promise<void> {
    const count = (await this.#queue?.countWaiting()) ?? 0;
    if (count > 0 && this.state.kind !== 'refused' && this.state.kind !== 'asking')
      this.state = { kind: 'waiting', count };
  }

  /** What is kept here of the season follows what the studio has laid. */
  async #keepAnew(): Promise<void> {
    const { owner, audition } = this.desk;
    const { keepKit, readKit } = await import('./device/kits');
    if (await readKit(owner, audition)) await keepKit(owner, audition).catch(() => false);
  }

  /** Without a line: from what is kept here of the season. Nothing where nothing is. */
  async #layHere(): Promise<void> {
    this.#hasEnded = false;
    const { dayHere } = await import('./device/day-here');
    const here = await dayHere(this.desk.owner, this.desk.audition).catch(() => null);
    if (!here) return;
    const { isLaid, moves, notLogged } = here;
    if (isLaid || notLogged.length > 0)
      this.answer = { kept: [], refused: [], isLaid, moves, notLogged, isHere: true };
  }
}
