/**
 * A session at the desk: the day as its events have made it, the block in hand, and the seconds it has been at work. What is done becomes an
 * event that is kept on the device first and shown then; sending goes on by itself.
 */
import {
  type DeskBlock,
  type DeskDay,
  type Move,
  type Standing,
  type Work,
  blockInHand,
  nextPart,
  readDeskDay,
  standingOf,
  workNow
} from '$lib/core/practice';
import type { DeskEvent, RoadBlock } from '$lib/core/record';
import type { BlockEnd } from '$lib/core/record/words';
import type { DeskAnswer } from '$lib/schema/desk';
import { type DeskDraft, DeviceQueue, type QueueState } from './device/queue';

/** After a line was missed it is tried again after so long. */
const AGAIN_MS = 15_000;
/** A reload loses no more of the clock than this. */
const CLOCK_MS = 3000;
const CLOCK = 'irvot-desk-clock';

type Facts = {
  readonly candidateId: string;
  /** Whose account it is that plays. */
  readonly owner: string;
  readonly date: string;
  readonly roadMap: readonly RoadBlock[];
  readonly events: readonly DeskEvent[];
};

export class DeskSession {
  #events = $state.raw<readonly DeskEvent[]>([]);
  #clock = $state.raw<{ readonly block: string; readonly base: number; readonly sinceMs: number } | null>(
    null
  );
  #nowMs = $state(0);
  #queue: DeviceQueue | null = null;
  #turn: Promise<void> = Promise.resolve();
  #again: ReturnType<typeof setTimeout> | undefined;
  #ticking: ReturnType<typeof setInterval> | undefined;

  queueState = $state.raw<QueueState>({ kind: 'sent', atMs: null });
  /** What the studio said of what was logged last. */
  answer = $state.raw<DeskAnswer | null>(null);
  /** Why nothing can be kept here; empty where it can. */
  fault = $state('');
  isOpen = $state(false);
  /** Null before the day is begun. */
  readonly day: DeskDay | null = $derived.by(() => readDeskDay(this.#events, this.facts.date));
  readonly block: DeskBlock | null = $derived.by(() => this.day && blockInHand(this.day));
  readonly work: Work | null = $derived.by(() =>
    this.day && this.block?.run ? workNow(this.day, this.block) : null
  );
  readonly standing: Standing | null = $derived.by(() =>
    this.day && this.block ? standingOf(this.day, this.block) : null
  );
  /** Seconds the block in hand has been at work. */
  readonly seconds: number = $derived.by(() => {
    if (!this.#clock || this.#clock.block !== this.block?.id) return this.block?.run?.seconds ?? 0;
    return this.#clock.base + Math.max(0, this.#nowMs - this.#clock.sinceMs) / 1000;
  });
  readonly secondsLeft: number = $derived.by(() =>
    this.block ? (this.block.minutes + (this.block.run?.moreMin ?? 0)) * 60 - this.seconds : 0
  );

  constructor(readonly facts: Facts) {
    this.#events = facts.events;
  }

  /** Call in the browser. */
  async open(): Promise<void> {
    if (!isSecureContext) {
      this.fault =
        'The desk needs a safe address (https), or this very machine: over plain http a browser keeps nothing and plays no click.';
      return;
    }
    try {
      this.#queue = await DeviceQueue.open(this.facts.owner, this.facts.date, (events) =>
        fetch(`/candidates/${this.facts.candidateId}/desk`, {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify({ events })
        })
      );
    } catch {
      this.fault =
        'This browser keeps nothing on the device (a private window does not), so nothing is begun here. Open the desk in an ordinary window.';
      return;
    }
    this.#events = [...this.#events, ...(await this.#queue.all())];
    await this.#closeEarlier();
    this.isOpen = true;
    this.#takeUp();
    this.#ticking = setInterval(() => this.#tick(), 250);
    void this.send();
  }

  close(): void {
    clearInterval(this.#ticking);
    clearTimeout(this.#again);
    this.#keepClock();
  }

  /** Begins the block in hand, and the day where it was not. */
  async begin(): Promise<void> {
    await this.makeDay();
    const { block } = this;
    if (block && !block.run) {
      this.#clock = { block: block.id, base: 0, sinceMs: Date.now() };
      this.#nowMs = Date.now();
      await this.#keep({ kind: 'begin', date: this.facts.date, block: block.id });
    }
  }

  /** Fixes the road map as it is shown, so that it can be changed by hand or begun. */
  async makeDay(): Promise<void> {
    if (!this.day)
      await this.#keep({ kind: 'day', date: this.facts.date, blocks: [...this.facts.roadMap] } as DeskDraft);
  }

  /** One after the other, however fast they are given: each is answered where the one before has led. */
  move = (move: Move) => this.#inTurn(() => this.#move(move));

  #inTurn(act: () => Promise<void>): Promise<void> {
    return (this.#turn = this.#turn.then(act));
  }

  async #move(move: Move): Promise<void> {
    const { standing, block } = this;
    if (!standing || !block) return;
    const isAnswer = move.kind === 'clean' || move.kind === 'not-yet';
    await this.#keep({
      kind: 'move',
      date: this.facts.date,
      block: block.id,
      move,
      part: block.run?.part ?? 0,
      ...(isAnswer ? { bpm: standing.bpm } : {})
    });
    // a part that holds at today's rung leads on to the next
    const isThere = isAnswer && this.standing?.phase === 'at-rest' && standing.phase !== 'at-rest';
    const next = isThere && this.day ? nextPart(this.day, this.block!) : null;
    if (next !== null) await this.take(next);
  }

  /** Takes up another part of the block in hand. */
  async take(part: number): Promise<void> {
    if (this.block?.run)
      await this.#keep({ kind: 'part', date: this.facts.date, block: this.block.id, part });
  }

  /** Takes back the last answer, or what moved the tempo. */
  undo = () =>
    this.#inTurn(async () => {
      const last = this.block?.run?.moves.at(-1);
      if (last && last.part !== this.block!.run!.part) await this.take(last.part);
      if (last)
        await this.#keep({ kind: 'undo', date: this.facts.date, block: this.block!.id, event: last.id });
    });

  /** What did not hold in the latest attempt. */
  async state(notHeld: readonly string[]): Promise<void> {
    const last = this.block?.run?.answers.at(-1);
    if (last)
      await this.#keep({
        kind: 'elements',
        date: this.facts.date,
        block: this.block!.id,
        event: last.id,
        notHeld: [...notHeld]
      });
  }

  async more(minutes: number): Promise<void> {
    await this.#keep({ kind: 'more', date: this.facts.date, block: this.block!.id, minutes });
    if (this.standing) await this.move({ kind: 'go-on' });
  }

  /** Ends the block in hand; the next is begun where the session goes on. */
  async end(how: BlockEnd): Promise<void> {
    const { block } = this;
    if (!block?.run) return;
    const seconds = Math.max(0, Math.round(this.seconds));
    await this.#keep({ kind: 'end', date: this.facts.date, block: block.id, seconds, how });
    this.#clock = null;
    localStorage.removeItem(CLOCK);
    if (how === 'next' || how === 'shorter') await this.begin();
  }

  /** Sets one thing of one block of the day. */
  async set(
    block: string,
    set: { minutes: number } | { place: number } | { isDropped: boolean }
  ): Promise<void> {
    await this.makeDay();
    await this.#keep({ kind: 'set', date: this.facts.date, block, set });
  }

  /** Puts a block into the day; `place` lies between those of its neighbours. */
  async add(block: Omit<RoadBlock, 'id'>, place: number): Promise<void> {
    await this.makeDay();
    const added = { ...block, id: crypto.randomUUID() };
    await this.#keep({ kind: 'add', date: this.facts.date, added, place } as DeskDraft);
  }

  async send(): Promise<void> {
    clearTimeout(this.#again);
    const { state, answer } = await this.#queue!.send();
    this.queueState = state.kind === 'sent' && state.atMs === null ? this.queueState : state;
    if (answer && (answer.isLaid || answer.notLogged.length > 0)) this.answer = answer;
    if (state.kind === 'waiting') this.#again = setTimeout(() => void this.send(), answer ? 0 : AGAIN_MS);
  }

  async #keep(draft: DeskDraft): Promise<void> {
    const event = await this.#queue!.keep(draft);
    this.#events = [...this.#events, event];
    void this.send();
  }

  /** What was begun on an earlier day and never ended, ends with what was played of it. */
  async #closeEarlier(): Promise<void> {
    const dates = this.#events.map((event) => event.date).filter((date) => date < this.facts.date);
    for (const date of dates.filter((one, i) => dates.indexOf(one) === i)) {
      const open = readDeskDay(this.#events, date)?.blocks.filter((one) => one.run && !one.run.end) ?? [];
      for (const { id, run } of open)
        await this.#keep({ kind: 'end', date, block: id, seconds: run!.seconds, how: 'not-today' });
    }
  }

  /** A block that was interrupted goes on where it was. */
  #takeUp(): void {
    const { block } = this;
    if (!block?.run) return;
    const [kept, seconds] = (localStorage.getItem(CLOCK) ?? '').split(' ');
    const base = kept === block.id ? Number(seconds) : block.run.seconds;
    this.#clock = { block: block.id, base, sinceMs: Date.now() };
    this.#nowMs = Date.now();
  }

  #tick(): void {
    this.#nowMs = Date.now();
    if (this.#clock && (this.#nowMs - this.#clock.sinceMs) % CLOCK_MS < 250) this.#keepClock();
  }

  #keepClock(): void {
    if (this.#clock && this.block?.run && !this.block.run.end)
      localStorage.setItem(CLOCK, `${this.#clock.block} ${Math.round(this.seconds)}`);
  }
}
