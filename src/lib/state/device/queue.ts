/**
 * What a desk has made, kept on the device: each event before the screen moves on, and until the studio has said that it is kept there. Sent in
 * order, any number of times; the studio counts each once. What was sent stays for some days, so that a page that was asked for just
 * before, and a day that is made here, miss nothing. What somebody else who used this device has not sent is left alone; what one account played for several candidates goes to
 * each of them. What the studio refuses stays here and holds nothing else back; a day that was told by a clock that went wrong is asked about
 * before anything of it is sent.
 */
import type { DeskEvent } from '$lib/core/record';
import { dayOf, formatDate } from '$lib/core/units';
import type { DeskAnswer } from '$lib/schema/desk';
import { type Guess, type Kept, type Shelf, waits } from './shelf';

/** As many as the studio takes in one go. */
const AT_ONCE = 400;
/** What was sent stays so long: a day that is made here next may have to know it. */
const DAYS_KEPT = 14;
/** From so far on a clock is wrong: what is nearer tells the same day but for a late minute. */
const WRONG_MS = 10 * 60_000;

/** An event as it is made: the queue gives it its id, its device and its number. */
export type DeskDraft = DeskEvent extends infer One
  ? One extends DeskEvent
    ? Omit<One, 'id' | 'device' | 'seq' | 'atMs'>
    : never
  : never;

/**
 * sent: nothing waits. sending: what was done just now is on its way. waiting: no line, tried again by itself. refused: by the studio or this
 * device, which says why. asking: the clock was wrong, and on which day it was played is not known: `date` is what it was kept under, `likely`
 * what the clock as it is now says.
 */
export type QueueState =
  | { readonly kind: 'sent'; readonly atMs: number | null }
  | { readonly kind: 'sending' }
  | { readonly kind: 'waiting'; readonly count: number }
  | { readonly kind: 'refused'; readonly says: string }
  | { readonly kind: 'asking'; readonly date: string; readonly likely: string };

export type Line = {
  /** Sends events to a candidate's desk; rejects where nothing comes through. */
  readonly post: (candidate: string, events: readonly DeskEvent[]) => Promise<Response>;
  /** The studio's clock less this device's, asked now; null where nothing comes through. */
  readonly askOffset: () => Promise<number | null>;
  /** The date in a zone, as YYYY-MM-DD. */
  readonly dateIn: (atMs: number, zone: string) => Promise<string>;
};
type Sent = { readonly state: QueueState; readonly answer: DeskAnswer | null };

const NOTHING: Sent = { state: { kind: 'sent', atMs: null }, answer: null };

/** What one account has here, sent to whose it is. */
export class EventsToSend {
  #last: Promise<unknown> = Promise.resolve();

  /** `candidate` is whose desk an event is of that an earlier build kept without saying; empty where none is open. */
  constructor(
    private readonly shelf: Shelf,
    private readonly owner: string,
    private readonly line: Line,
    private readonly candidate = ''
  ) {}

  async all(): Promise<Kept[]> {
    return (await this.shelf.all()).filter(({ owner }) => owner === this.owner);
  }
  whose = (kept: Kept): string => kept.candidate ?? this.candidate;
  of = async (candidate: string) => (await this.all()).filter((one) => this.whose(one) === candidate);
  waitingFor = async (candidate: string) => (await this.of(candidate)).filter(waits);

  /** To each candidate what waits of theirs, `first` before the others; never twice at once. What `first` hears is answered when it is heard. */
  send(first: string): Promise<Sent> {
    const sent = this.#last.then(() => (first === '' ? NOTHING : this.#sendTo(first)));
    this.#last = sent.then(() => this.#sendOthers(first)).catch(() => {});
    return sent;
  }

  /** Resolves when all that was under way has ended. */
  settled = async () => void (await this.#last);

  async #sendOthers(first: string): Promise<void> {
    const others = new Set((await this.all()).filter(waits).map(this.whose));
    others.delete(first);
    others.delete('');
    for (const other of others) await this.#sendTo(other);
  }

  async #sendTo(to: string): Promise<Sent> {
    const waiting = await this.waitingFor(to);
    const kept = waiting.slice(0, AT_ONCE);
    const noLine: Sent = { state: { kind: 'waiting', count: waiting.length }, answer: null };
    if (kept.length === 0) return NOTHING;
    const asking = await this.#askDay(kept);
    if (asking === 'no line') return noLine;
    if (asking) return { state: asking, answer: null };
    const events = kept.map(({ event }) => event);
    const response = await this.line.post(to, events).catch(() => null);
    if (!response || response.status >= 500) return noLine;
    if (!response.ok || response.redirected || !isJson(response))
      return { state: { kind: 'refused', says: await whyNot(response) }, answer: null };
    const answer = (await response.json().catch(() => null)) as DeskAnswer | null;
    // the line broke in the middle of the answer
    if (!answer) return noLine;
    const refusals = new Map(answer.refused.map(({ id, says }) => [id, says]));
    const isKept = new Set(answer.kept);
    const heard = kept.filter(({ event }) => refusals.has(event.id) || isKept.has(event.id));
    // an answer that speaks of none of them is not asked for again at once
    if (heard.length === 0) return noLine;
    await this.shelf.put(
      heard.map((one): Kept => {
        const refused = refusals.get(one.event.id);
        return refused === undefined ? { ...one, isSent: true } : { ...one, refused };
      })
    );
    const left = (await this.waitingFor(to)).length;
    const state: QueueState =
      left === 0 ? { kind: 'sent', atMs: Date.now() } : { kind: 'waiting', count: left };
    return { state, answer };
  }

  /** Where days were told without the studio, whether the clock by which they were is right after all. */
  async #askDay(kept: readonly Kept[]): Promise<Extract<QueueState, { kind: 'asking' }> | 'no line' | null> {
    const told = kept.filter((one) => one.guess);
    if (told.length === 0) return null;
    const offsetMs = await this.line.askOffset();
    if (offsetMs === null) return 'no line';
    for (const { event, guess } of told) {
      const wrongBy = offsetMs - guess!.offsetMs;
      if (Math.abs(wrongBy) < WRONG_MS) continue;
      const likely = await this.line.dateIn(event.atMs + wrongBy, guess!.zone);
      if (likely !== event.date) return { kind: 'asking', date: event.date, likely };
    }
    return null;
  }

  /** What was kept under one day was played on another, or on that very one: it is said, and goes. */
  async sayDay(candidate: string, from: string, to: string): Promise<void> {
    const told = (await this.waitingFor(candidate)).filter(
      ({ event, guess }) => guess && event.date === from
    );
    await this.shelf.put(
      told.map(({ guess: _, ...one }) => ({ ...one, event: { ...one.event, date: to } as DeskEvent }))
    );
  }

  refusedOf = async (candidate: string) =>
    (await this.of(candidate)).filter((one) => one.refused !== undefined);
  /** What the studio refused is tried once more ... */
  async retry(candidate: string): Promise<void> {
    const refused = await this.refusedOf(candidate);
    await this.shelf.put(refused.map(({ refused: _, ...one }) => one));
  }
  /** ... or let go of. */
  async letGo(candidate: string): Promise<void> {
    await this.shelf.drop(await this.refusedOf(candidate));
  }
}

const isJson = (response: Response) =>
  response.headers.get('content-type')?.startsWith('application/json') === true;

async function whyNot(response: Response): Promise<string> {
  const says = response.redirected
    ? 'sign in again'
    : await response.json().then(
        (body: { message?: string }) => body.message ?? 'the studio refuses it',
        () => 'the studio refuses it'
      );
  return `cannot send: ${says}`;
}

/** One desk's own. */
export class DeviceQueue {
  readonly #out: EventsToSend;

  private constructor(
    private readonly shelf: Shelf,
    private readonly owner: string,
    private readonly candidate: string,
    line: Line,
    private readonly date: string,
    private readonly day: { readonly offsetMs: number; readonly zone: string | null }
  ) {
    this.#out = new EventsToSend(shelf, owner, line, candidate);
  }

  /**
   * `owner` is whose account it is, `candidate` whose desk. What was sent, and is somebody else's or of long before `date`, goes. `day` has the
   * studio's clock less this device's, as far as it is known, and the zone by which this device told the date; null where the studio told it.
   */
  static async open(
    shelf: Shelf,
    { owner, candidate, date }: { readonly owner: string; readonly candidate: string; readonly date: string },
    line: Line,
    day: { readonly offsetMs: number; readonly zone: string | null }
  ): Promise<DeviceQueue> {
    const since = formatDate(dayOf(date) - DAYS_KEPT);
    const isOver = ({ isSent, owner: whose, event }: Kept) =>
      isSent && (whose !== owner || event.date < since);
    await shelf.drop((await shelf.all()).filter(isOver));
    return new DeviceQueue(shelf, owner, candidate, line, date, day);
  }

  /** Keeps an event on the device; it is kept when this resolves. */
  async keep(draft: DeskDraft): Promise<DeskEvent> {
    const { owner, candidate } = this;
    const { offsetMs, zone } = this.day;
    const { event } = await this.shelf.add((seq, last) => {
      const now = Date.now() + offsetMs;
      // a clock that was put back does not put what comes after before what was
      const atMs = last?.date === draft.date ? Math.max(now, last.atMs + 1) : now;
      const made = { id: crypto.randomUUID(), device: this.shelf.device, seq, atMs };
      const guess = zone === null ? {} : { guess: { zone, offsetMs } satisfies Guess };
      return { owner, candidate, event: { ...draft, ...made } as DeskEvent, isSent: false, ...guess };
    });
    return event;
  }

  /** What is here of this desk, in order: what waits, what is refused, and what was sent of the day. */
  async all(): Promise<DeskEvent[]> {
    const here = await this.#out.of(this.candidate);
    return here.filter(({ isSent, event }) => !isSent || event.date === this.date).map(({ event }) => event);
  }
  countWaiting = async () => (await this.#out.waitingFor(this.candidate)).length;
  /** Sends what waits of this desk, and behind it what else this account has here. `answer` is null where nothing came through. */
  send = (): Promise<Sent> => this.#out.send(this.candidate);
  sayDay = (from: string, to: string) => this.#out.sayDay(this.candidate, from, to);
  refused = () => this.#out.refusedOf(this.candidate);
  retry = () => this.#out.retry(this.candidate);
  letGo = () => this.#out.letGo(this.candidate);
}
