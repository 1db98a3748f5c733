/**
 * Blocks as a teacher deals them, in time order: each day's even share goes to a few items, those first whose window closes, then those
 * that have rested as long as they may, then those furthest behind their pace. An item's block carries it to its next turn. At most two
 * rungs of a ladder are completed on a day. Decides days and minutes together; what finds no block is left, never bent.
 */
import type { DayNumber, Minutes } from '../units';
import {
  type BlockTask,
  MOST_BLOCKS_A_DAY,
  type DayTable,
  type Placement,
  type Sized,
  mostOn
} from './block-task';
import { type Pace, readPace } from './pace';

/** Rungs of one item that are completed on a day (judgement). */
const MOST_RUNGS_A_DAY = 2;
/** What is no ladder comes round as a ladder would (judgement). */
const USUAL_REST_DAYS = 2;

/** The same task gives the same blocks. Cost: days x items. */
export function dealBlocks(task: BlockTask, table: DayTable): Sized {
  const dealing = new Dealing(task, table, readPace(task, table));
  const at = new Map(table.days.map((day, d) => [day, d]));
  for (const day of task.practiceDays) dealing.deal(day, at.get(day));
  dealing.useSpare();
  return dealing.sized();
}

type Turn = {
  readonly item: number;
  /** At least so much, or nothing. */
  readonly least: Minutes;
  readonly most: Minutes;
  readonly want: Minutes;
  /** What is impossible later. */
  readonly must: Minutes;
  readonly rest: number;
  readonly isDue: boolean;
  readonly lag: number;
};

class Dealing {
  readonly #task: BlockTask;
  readonly #table: DayTable;
  readonly #pace: Pace;
  readonly #rows: readonly number[][];
  readonly #left: Minutes[];
  readonly #dealt: Minutes[];
  readonly #rested: number[];
  readonly #load: Minutes[];
  readonly #placements: Placement[] = [];
  /** Minutes of each level that earlier days did not use. */
  readonly #carried = new Map<object, Minutes>();
  /** The number of each practice day, from 0. */
  readonly #numbers = new Map<DayNumber, number>();

  constructor(task: BlockTask, table: DayTable, pace: Pace) {
    [this.#task, this.#table, this.#pace] = [task, table, pace];
    this.#rows = rowsByClosing(task);
    this.#left = [...task.placed];
    this.#dealt = pace.minutes.map(() => 0);
    this.#load = table.days.map(() => 0);
    task.practiceDays.forEach((day, i) => this.#numbers.set(day, i));
    this.#rested = pace.minutes.map((_, i) => restedBefore(task, i));
  }

  deal(day: DayNumber, d: number | undefined): void {
    const played = d === undefined ? new Set<number>() : this.#dealDay(day, d);
    this.#rested.forEach((rest, i) => {
      const isTouched = played.has(i) || this.#task.lying.ofDemand(i, day) > 0;
      this.#rested[i] = isTouched || this.#task.climbing[i]?.touchedOn.has(day) ? 0 : rest + 1;
    });
  }

  #dealDay(day: DayNumber, d: number): Set<number> {
    const level = this.#task.levels.ofColumn[this.#table.column[d]!]!;
    const budget = Math.min(this.#table.room[d]!, this.#table.target[d]! + (this.#carried.get(level) ?? 0));
    const blocks = MOST_BLOCKS_A_DAY - (this.#task.touched.get(day)?.blocks ?? 0);
    const turns = this.#turns(day, d);
    const chosen = this.#choose(turns, budget, this.#table.room[d]!, blocks);
    if (chosen.length === 0) chosen.push(...this.#toBegin(turns, day, this.#table.room[d]!));
    const minutes = share(chosen, budget, this.#task.longest);
    const played = new Set<number>();
    let used = 0;
    chosen.forEach((turn, i) => {
      const given = this.#whole(turn, minutes[i]!, this.#table.room[d]! - used, d);
      if (given < turn.least) return;
      this.#place(turn.item, d, given);
      played.add(turn.item);
      used += given;
    });
    this.#carried.set(level, budget - used);
    return played;
  }

  /** Who can have a turn on a day, in the order in which they come. */
  #turns(day: DayNumber, d: number): Turn[] {
    const { climbing, least, lying } = this.#task;
    const turns: Turn[] = [];
    this.#pace.minutes.forEach((all, item) => {
      const dealt = this.#dealt[item]!;
      if (this.#pace.canPlay[item]![d] !== 1 || dealt >= all) return;
      const isThere = lying.ofDemand(item, day) > 0;
      const most = Math.min(mostOn(this.#task, item, day), this.#open(item, d), this.#stepsOf(item));
      const atLeast = isThere ? 1 : least[item]!;
      if (most < atLeast) return;
      const mostRest = climbing[item]?.mostRest(day) ?? USUAL_REST_DAYS;
      const until = Math.min(d + mostRest, this.#table.days.length - 1);
      const want = Math.ceil(this.#pace.byDay[item]![until]! - dealt - 1e-9);
      turns.push({
        item,
        least: atLeast,
        most,
        want: Math.max(atLeast, Math.min(want, most, this.#task.longest)),
        must: Math.min(most, Math.ceil(this.#pace.least[item]![d]! - dealt - 1e-9)),
        rest: this.#rested[item]!,
        isDue:
          climbing[item] != null && this.#rested[item]! >= mostRest && this.#canAfford(item, day, mostRest),
        lag:
          (this.#pace.byDay[item]![d]! - dealt) / Math.max(atLeast, want) +
          (this.#task.before(item, day) ? WORTH_BEFORE : 0)
      });
    });
    return turns.sort(
      (a, b) =>
        Number(b.must > 0) - Number(a.must > 0) ||
        Number(b.isDue) - Number(a.isDue) ||
        (a.isDue ? b.rest - a.rest : 0) ||
        b.lag - a.lag ||
        a.item - b.item
    );
  }

  /** As many as the day's minutes are for: all that must or are due, and others while there is something left for them. */
  #choose(turns: readonly Turn[], budget: Minutes, room: Minutes, blocks: number): Turn[] {
    const chosen: Turn[] = [];
    let [leastSum, wanted] = [0, 0];
    for (const turn of turns) {
      const isMust = turn.must > 0;
      const needs = Math.max(turn.least, turn.must);
      if (leastSum + needs > (isMust ? room : budget)) continue;
      if (!isMust && (chosen.length >= blocks || (wanted >= budget && !turn.isDue))) continue;
      chosen.push(turn);
      leastSum += needs;
      wanted += Math.max(turn.want, turn.must);
    }
    return chosen;
  }

  /** Who begins does so on the first day, though its even share is less than a block: what nobody has played yet, where nothing else lies. */
  #toBegin(turns: readonly Turn[], day: DayNumber, room: Minutes): Turn[] {
    const { practiceDays, touched, lying, climbing } = this.#task;
    const isEmpty = !touched.has(day) && lying.on(day) === 0;
    if (day !== practiceDays[0] || !isEmpty) return [];
    return turns
      .filter(({ item, least }) => climbing[item]?.lastPlayed === null && least <= room)
      .slice(0, 1);
  }

  /** All that is left where the rest would be less than a block; less where that keeps the rest one. */
  #whole({ item, most, least }: Turn, minutes: Minutes, room: Minutes, d: number): Minutes {
    const owed = this.#open(item, d);
    const given = Math.min(minutes, room, owed);
    const rest = owed - given;
    const block = this.#task.least[item]!;
    if (rest === 0 || rest >= block) return given;
    const less = given - (block - rest);
    const canAll = owed <= Math.min(most, room);
    if (canAll && (rest < block / 2 || less < least)) return owed;
    return less >= least ? less : given;
  }

  /** Minutes of an item that may still lie on a day. */
  #open(item: number, d: number): Minutes {
    const column = this.#table.column[d]!;
    return this.#rows[item]!.reduce(
      (sum, r) => sum + (this.#task.opens[r]!.has(column) ? this.#left[r]! : 0),
      0
    );
  }

  /** Minutes that complete at most two more rungs. */
  #stepsOf(item: number): Minutes {
    const rungs = this.#task.climbing[item]?.rungs;
    if (!rungs) return Infinity;
    let before = this.#dealt[item]!;
    let [most, complete] = [0, 0];
    for (const rung of rungs) {
      const open = Math.max(0, rung - before);
      before = Math.max(0, before - rung);
      if (open === 0) continue;
      if (complete === MOST_RUNGS_A_DAY) return most + open - 1;
      most += open;
      complete += 1;
    }
    return Infinity;
  }

  /** Whether its minutes are enough for a block each time it has to come. */
  #canAfford(item: number, day: DayNumber, mostRest: number): boolean {
    const owed = this.#pace.minutes[item]! - this.#dealt[item]!;
    const last = this.#pace.lastDay[item]!;
    const days = (this.#numbers.get(last) ?? 0) - this.#numbers.get(day)! + 1;
    return owed >= this.#task.least[item]! * Math.ceil(days / (mostRest + 1));
  }

  #place(item: number, d: number, minutes: Minutes): void {
    const column = this.#table.column[d]!;
    let wanted = minutes;
    for (const r of this.#rows[item]!) {
      const part = this.#task.opens[r]!.has(column) ? Math.min(wanted, this.#left[r]!) : 0;
      if (part === 0) continue;
      this.#left[r]! -= part;
      wanted -= part;
      this.#placements.push({ row: r, day: this.#table.days[d]!, minutes: part });
    }
    this.#dealt[item]! += minutes - wanted;
    this.#load[d]! += minutes - wanted;
  }

  /** What is left over grows a block that is there, or makes one, on the lightest of its days. */
  useSpare(): void {
    this.#pace.minutes.forEach((all, item) => {
      for (let more = all - this.#dealt[item]!; more > 0;) {
        const placed = this.#placeLightest(item, more);
        if (placed === 0) return;
        more -= placed;
      }
    });
  }

  #placeLightest(item: number, more: Minutes): Minutes {
    const { days, room, load } = this.#table;
    const own = new Map<DayNumber, Minutes>();
    for (const p of this.#placements)
      if (this.#task.demands.rows[p.row]!.item === item) own.set(p.day, (own.get(p.day) ?? 0) + p.minutes);
    let best: { d: number; minutes: Minutes; share: number } | null = null;
    for (let d = 0; d < days.length; d += 1) {
      if (this.#open(item, d) === 0) continue;
      const there = own.get(days[d]!) ?? 0;
      const isThere = there + this.#task.lying.ofDemand(item, days[d]!) > 0;
      const minutes = Math.min(
        more,
        room[d]! - this.#load[d]!,
        mostOn(this.#task, item, days[d]!) - there,
        this.#open(item, d)
      );
      if (minutes < (isThere ? 1 : Math.min(more, this.#task.least[item]!)) || minutes <= 0) continue;
      if (!isThere && minutes < this.#task.least[item]!) continue;
      const share = (load[d]! + this.#load[d]! + minutes - this.#table.target[d]!) / (load[d]! + room[d]!);
      if (!best || share < best.share - 1e-12) best = { d, minutes, share };
    }
    if (!best) return 0;
    this.#place(item, best.d, best.minutes);
    return best.minutes;
  }

  sized(): Sized {
    return {
      placements: this.#placements,
      left: this.#left,
      missing: this.#left.reduce((sum, minutes) => sum + minutes, 0),
      load: this.#load
    };
  }
}

/** A day on which an item was agreed before counts as if it lagged by so much of a block more (judgement). */
const WORTH_BEFORE = 1.5;

/** A day's minutes among its turns: what each must or at least has, then up to what it wants, then as much as it may. */
function share(chosen: readonly Turn[], budget: Minutes, longest: Minutes): Minutes[] {
  const minutes = chosen.map((turn) => Math.max(turn.least, turn.must));
  let left = budget - minutes.reduce((sum, m) => sum + m, 0);
  for (const upTo of [
    (turn: Turn) => turn.want,
    (turn: Turn) => Math.min(turn.most, longest),
    (turn: Turn) => turn.most
  ]) {
    const more = chosen.map((turn, i) => Math.max(0, upTo(turn) - minutes[i]!));
    const all = more.reduce((sum, m) => sum + m, 0);
    if (left <= 0 || all === 0) continue;
    const part = Math.min(1, left / all);
    let given = 0;
    more.forEach((m, i) => {
      const whole = Math.min(Math.floor(m * part), left - given);
      minutes[i]! += whole;
      given += whole;
    });
    for (let i = 0; i < chosen.length && given < Math.min(left, all); i += 1)
      if (minutes[i]! < upTo(chosen[i]!)) {
        minutes[i]! += 1;
        given += 1;
      }
    left -= given;
  }
  return minutes;
}

/** Each item's rows, those first that close first. */
function rowsByClosing({ demands, items }: BlockTask): number[][] {
  const ofItem: number[][] = Array.from({ length: items }, () => []);
  demands.rows.forEach((row, r) => ofItem[row.item]!.push(r));
  const closes = demands.rows.map((row) =>
    Math.max(-1, ...row.cells.map((c) => demands.columns[c.column]!.days.at(-1)!))
  );
  for (const own of ofItem) own.sort((a, b) => closes[a]! - closes[b]! || a - b);
  return ofItem;
}

/** Practice days since the item was last played, before the first that is dealt. */
function restedBefore({ climbing, practiceDays }: BlockTask, item: number): number {
  const last = climbing[item]?.lastPlayed ?? null;
  const first = practiceDays[0];
  return last === null || first === undefined ? 0 : Math.max(0, Math.min(USUAL_REST_DAYS, first - last - 1));
}
