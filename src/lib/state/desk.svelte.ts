/**
 * A session at the desk: the day as its events have made it, the block in hand, and the seconds it has been at work. What is done becomes an
 * event that is kept on the device first and shown then; sending goes on by itself. Acts are done one after the other, however fast they are
 * given: each finds what the one before has left.
 */
import {
  type DeskBlock,
  type DeskDay,
  type EquipmentMark,
  type Move,
  type Ran,
  type Standing,
  type TaskInHand,
  type Work,
  blockInHand,
  equipmentIn,
  isSameTask,
  keyInHand,
  lastAnswered,
  nextTask,
  readDeskDay,
  standingOf,
  workNow
} from '$lib/core/practice';
import type { NoteSpread } from '$lib/core/pitch';
import type { DeskEvent, RoadBlock, Spot } from '$lib/core/record';
import type { BlockEnd } from '$lib/core/record/words';
import type { TodayView } from '$lib/schema/view';
import { type BlockSet, DayChanges } from './day-changes.svelte';
import { hasSafeLine, sayNoSafeLine } from './device/safe-line';
import { DeskClock } from './desk-clock.svelte';
import { sayRoom } from './device/room';
import { DeskLine } from './desk-line.svelte';
import type { DeskDraft } from './device/queue';

/** Who sits before it: the account, whether it is the candidate's own, and the zone in which this device told the day; null where the studio did. */
export type Player = {
  readonly account: string;
  readonly isCandidate: boolean;
  readonly toldIn: string | null;
};

type Who = {
  readonly kind: string;
  readonly isAlone: boolean;
  readonly drafts: { readonly accountId: string };
} | null;
export const playerOf = (who: Who, toldIn: string | null): Player => ({
  account: who?.drafts.accountId ?? '',
  isCandidate: who?.kind === 'candidate' || who?.isAlone === true,
  toldIn
});

export class DeskSession {
  #events = $state.raw<readonly DeskEvent[]>([]);
  readonly #clock = new DeskClock();
  #turn: Promise<void> = Promise.resolve();
  readonly #date: string;

  readonly line: DeskLine;
  /** Why nothing can be kept here; empty where it can. */
  fault = $state('');
  /** Said before the first note: there is hardly room for it. */
  warning = $state('');
  isOpen = $state(false);
  /** Null before the day is begun. */
  readonly day: DeskDay | null = $derived.by(() => readDeskDay(this.#events, this.#date));
  readonly block: DeskBlock | null = $derived.by(() => this.day && blockInHand(this.day));
  readonly work: Work | null = $derived.by(() =>
    this.day && this.block?.run ? workNow(this.day, this.block) : null
  );
  readonly standing: Standing | null = $derived.by(() =>
    this.day && this.block ? standingOf(this.day, this.block) : null
  );
  /** Whether it hurts, as was said last: then nothing that urges on is offered. */
  readonly isHurt: boolean = $derived.by(() => {
    const said = this.#events.findLast(({ kind }) => kind === 'hurt' || kind === 'well');
    return said ? said.kind === 'hurt' : this.view.hurt !== null;
  });
  /** What the block in hand has by the road map, in seconds. */
  readonly #planned: number = $derived.by(() =>
    this.block ? (this.block.minutes + (this.block.run?.moreMin ?? 0)) * 60 : 0
  );
  /** Seconds the block in hand has been at work. */
  readonly seconds: number = $derived.by(
    () => this.#clock.secondsOf(this.block?.id) ?? this.block?.run?.seconds ?? 0
  );
  readonly secondsLeft: number = $derived.by(() => this.#planned - this.seconds);

  constructor(
    private readonly view: TodayView,
    private readonly player: Player
  ) {
    [this.#events, this.#date] = [view.events, view.today];
    const { account: owner, toldIn } = player;
    const [candidate, audition] = [view.candidate.id, view.audition.id];
    this.line = new DeskLine({ owner, candidate, audition, date: view.today, toldIn });
  }

  /** Call in the browser. What is done before it has resolved waits for it. */
  open = () =>
    this.#inTurn(async () => {
      if (!hasSafeLine()) {
        this.fault = sayNoSafeLine('To keep what is played and to sound a click a browser needs');
        return;
      }
      try {
        this.#events = [...this.#events, ...(await this.line.open())];
      } catch {
        this.fault =
          'This browser keeps nothing on the device (a private window does not), so nothing is begun here. Open the desk in an ordinary window.';
        return;
      }
      this.warning = await sayRoom().catch(() => '');
      if (this.player.isCandidate) await this.#closeEarlier();
      this.isOpen = true;
      void this.line.send();
    });

  /** The block in hand is played from now on: one that was interrupted goes on where it was. */
  takeUp(): void {
    if (this.block?.run) this.#clock.takeUp(this.block.id, this.block.run.seconds);
  }

  close(): void {
    this.line.close();
    this.#clock.stop();
  }

  /** Begins the block in hand, and the day where it was not. */
  begin = () => this.#inTurn(() => this.#begin());

  move = (move: Move) => this.#inTurn(() => this.#move(move));

  /** Takes up another part of the block in hand, a spot, or another method. */
  take = (task: TaskInHand) => this.#inTurn(() => this.#take(task));

  /** Takes back the last answer, or what moved the tempo. */
  undo = () =>
    this.#inTurn(async () => {
      const run = this.block?.run;
      const last = run && lastAnswered(run);
      if (!last) return;
      const move = run.moves.at(-1);
      if (move && !isSameTask(move, run.task))
        await this.#take({ part: move.part, spot: move.spot, method: move.method });
      await this.#keep({ kind: 'undo', date: this.#date, block: this.block!.id, event: last.id });
    });

  /** The key in hand was played. */
  key = (mark: 'c' | 'n') =>
    this.#inTurn(async () => {
      const { block } = this;
      if (!block?.run || !block.scales || !block.fundamental) return;
      const { key, bpm, stage } = keyInHand(block.scales, block.run.keys);
      const played = { fundamental: block.fundamental, key, bpm, stage, mark };
      await this.#keep({ kind: 'key', date: this.#date, block: block.id, ...played });
    });

  /** A fresh page was read; looked at so long before. */
  page = (mark: 'c' | 'n', scanSeconds: number) =>
    this.#inTurn(async () => {
      if (this.block?.run)
        await this.#keep({ kind: 'page', date: this.#date, block: this.block.id, mark, scanSeconds });
    });

  /** The music was begun from the bar that was named. */
  start = (mark: 'c' | 'n') =>
    this.#inTurn(async () => {
      if (this.block?.run) await this.#keep({ kind: 'start', date: this.#date, block: this.block.id, mark });
    });

  /** A spot was found. It stands from now on; what it asks comes tomorrow. */
  found = (bars: Omit<Spot, 'id' | 'foundBy' | 'elsewhere'>, by?: 'probe' | 'microscope') =>
    this.#inTurn(() => {
      const foundBy = by ?? (this.player.isCandidate ? ('self' as const) : ('teacher' as const));
      const spot = { ...bars, id: crypto.randomUUID(), foundBy, elsewhere: [] };
      return this.#keep({ kind: 'spot', date: this.#date, spot } as DeskDraft);
    });

  /** What was changed of the instrument; empty takes a mark out. */
  equip = (says: string, mark: string = crypto.randomUUID()) =>
    this.#inTurn(() => this.#keep({ kind: 'equipment', date: this.#date, mark, says }));
  /** Marks of the instrument, those of this session included. */
  readonly equipment: readonly EquipmentMark[] = $derived.by(() => {
    const here = this.#events.flatMap((event) => (event.kind === 'equipment' ? [event] : []));
    const isSaid = (id: string) => here.some(({ mark }) => mark === id);
    return [...this.view.equipment.filter(({ id }) => !isSaid(id)), ...equipmentIn(here)];
  });

  /** Notes that the tuner heard. */
  tones = (spreads: readonly NoteSpread[]) =>
    this.#inTurn(async () => {
      if (spreads.length > 0) await this.#keep({ kind: 'tones', date: this.#date, tones: [...spreads] });
    });

  /** It hurts: the block ends; the teacher reads it where that is agreed to. */
  hurts = (isTold: boolean) =>
    this.#inTurn(async () => {
      await this.#keep({ kind: 'hurt', date: this.#date, isTold });
      // what nobody is told of ends as any other day that was enough
      await this.#end(isTold ? 'hurts' : 'not-today');
    });
  /** It is well again. */
  well = () => this.#inTurn(() => this.#keep({ kind: 'well', date: this.#date }));

  /** What did not hold in the latest attempt. */
  state = (notHeld: readonly string[]) =>
    this.#inTurn(async () => {
      const last = this.block?.run?.answers.at(-1);
      const of = { date: this.#date, block: this.block?.id ?? '' };
      if (last) await this.#keep({ kind: 'elements', ...of, event: last.id, notHeld: [...notHeld] });
    });

  /** The block in hand was run straight through. */
  ran = ({ broke, ...went }: Ran, takeId: string | null) =>
    this.#inTurn(async () => {
      if (!this.block?.run) return;
      const take = takeId === null ? {} : { take: takeId };
      const of = { date: this.#date, block: this.block.id };
      await this.#keep({ kind: 'ran', ...of, ...went, broke: [...broke], ...take });
    });

  more = (minutes: number) =>
    this.#inTurn(async () => {
      if (!this.block?.run) return;
      await this.#keep({ kind: 'more', date: this.#date, block: this.block.id, minutes });
      await this.#move({ kind: 'go-on' });
    });

  /** Ends the block in hand; the next is begun where the session goes on. */
  end = (how: BlockEnd) => this.#inTurn(() => this.#end(how));

  /** What was changed of the day by hand, and what takes it back. */
  readonly changes = new DayChanges();
  takeBack = () =>
    this.#inTurn(async () => {
      for (const { block, set } of this.changes.takeLast())
        await this.#keep({ kind: 'set', date: this.#date, block, set });
    });

  /** Sets one thing of one block of the day. */
  set = (block: string, set: BlockSet) => this.change(block, () => set);

  /** The same, from how the block and the day stand when it is its turn: what is done fast after each other adds up. Null changes nothing. */
  change = (id: string, make: (block: DeskBlock, day: DeskDay) => BlockSet | null) =>
    this.#inTurn(async () => {
      await this.#makeDay();
      const block = this.day?.blocks.find((one) => one.id === id);
      const set = block ? make(block, this.day!) : null;
      if (!block || !set) return;
      await this.#keep({ kind: 'set', date: this.#date, block: id, set });
      this.changes.remember(block, set);
    });

  /** Puts a block into the day; `place` lies between those of its neighbours. */
  add = (block: Omit<RoadBlock, 'id'>, place: number) =>
    this.#inTurn(async () => {
      await this.#makeDay();
      const added = { ...block, id: crypto.randomUUID() };
      await this.#keep({ kind: 'add', date: this.#date, added, place } as DeskDraft);
      this.changes.rememberAdded(added);
    });

  #inTurn(act: () => Promise<void>): Promise<void> {
    this.#turn = this.#turn.then(act).catch(() => this.line.sayNoRoom());
    return this.#turn;
  }

  async #keep(draft: DeskDraft): Promise<void> {
    this.#show(await this.line.keep(draft));
  }

  /** What is kept on the device is shown, and sent. */
  #show(...kept: readonly (DeskEvent | null)[]): void {
    const events = kept.filter((event) => event !== null);
    if (events.length === 0) return;
    this.#events = [...this.#events, ...events];
    this.line.sendSoon();
  }

  /** Fixes the road map as it is shown, so that it can be changed by hand or begun. */
  async #makeDay(): Promise<void> {
    if (!this.day)
      await this.#keep({ kind: 'day', date: this.#date, blocks: [...this.view.roadMap] } as DeskDraft);
  }

  async #begin(): Promise<void> {
    if (!this.day && this.view.roadMap.length === 0) return;
    await this.#makeDay();
    if (!this.block || this.block.run) return;
    await this.#keep({ kind: 'begin', date: this.#date, block: this.block.id });
    this.#clock.begin(this.block.id);
  }

  async #end(how: BlockEnd): Promise<void> {
    if (!this.block?.run) return;
    // what passes until the end is answered is not played
    const seconds = Math.round(Math.min(this.seconds, this.#planned));
    const done = seconds > 0 && this.block.fundamental ? { fundamental: this.block.fundamental } : {};
    const { id } = this.block;
    const ended = await this.line.keep({
      kind: 'end',
      date: this.#date,
      block: id,
      seconds,
      how,
      ...done
    });
    if (!ended) return;
    const day = readDeskDay([...this.#events, ended], this.#date);
    const next = how === 'next' || how === 'shorter' ? day && blockInHand(day) : null;
    // the next is shown with the end of the one before: no face between them takes a key
    const begun =
      next && !next.run ? [await this.line.keep({ kind: 'begin', date: this.#date, block: next.id })] : [];
    this.#show(ended, ...begun);
    this.#clock.stop();
    if (begun.length > 0) this.#clock.begin(next!.id);
    else this.takeUp();
  }

  async #take(task: TaskInHand): Promise<void> {
    if (this.block?.run) await this.#keep({ kind: 'part', date: this.#date, block: this.block.id, ...task });
  }

  async #move(move: Move): Promise<void> {
    const { standing, block } = this;
    if (!standing || !block?.run) return;
    const isAnswer = move.kind === 'clean' || move.kind === 'not-yet';
    const bpm = isAnswer ? { bpm: standing.bpm } : {};
    await this.#keep({ kind: 'move', date: this.#date, block: block.id, move, ...block.run.task, ...bpm });
    const wasAtRest = standing.phase === 'at-rest';
    const next = isAnswer && !wasAtRest && this.day ? nextTask(this.day, this.block!, this.seconds) : null;
    if (next !== null) await this.#take(next);
  }

  /** What was begun on an earlier day and never ended, ends with what was played of it. */
  async #closeEarlier(): Promise<void> {
    const dates = this.#events.map((event) => event.date).filter((date) => date < this.#date);
    for (const date of dates.filter((one, i) => dates.indexOf(one) === i)) {
      const open = readDeskDay(this.#events, date)?.blocks.filter((one) => one.run && !one.run.end) ?? [];
      for (const { id, run } of open)
        await this.#keep({ kind: 'end', date, block: id, seconds: run!.seconds, how: 'not-today' });
    }
  }
}
