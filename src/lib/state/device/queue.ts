/**
 * What a desk has made, kept on the device: each event before the screen moves on, and until the studio has said that it is kept there. Sent in
 * order, any number of times; the studio counts each once. What was sent stays for its day, so that a page that was asked for just before
 * misses nothing. What somebody else who used this device has not sent is left alone; what one account played for several candidates goes to
 * each of them.
 */
import type { IDBPDatabase } from 'idb';
import type { DeskEvent } from '$lib/core/record';
import type { DeskAnswer } from '$lib/schema/desk';
import { openDevice } from './store';

/** As many as the studio takes in one go. */
const AT_ONCE = 400;

type Kept = {
  readonly key: number;
  readonly owner: string;
  /** Who played it; missing where an earlier build kept it, which knew of one candidate at a time. */
  readonly candidate?: string;
  readonly event: DeskEvent;
  readonly isSent: boolean;
};
/** What was kept here last: its day, and when. */
type Last = { readonly date: string; readonly atMs: number };
/** An event as it is made: the queue gives it its id, its device and its number. */
export type DeskDraft = DeskEvent extends infer One
  ? One extends DeskEvent
    ? Omit<One, 'id' | 'device' | 'seq' | 'atMs'>
    : never
  : never;

/** sent: nothing waits. sending: what was done just now is on its way. waiting: no line, tried again by itself. refused: by the studio or this device, which says why. */
export type QueueState =
  | { readonly kind: 'sent'; readonly atMs: number | null }
  | { readonly kind: 'sending' }
  | { readonly kind: 'waiting'; readonly count: number }
  | { readonly kind: 'refused'; readonly says: string };

/** Sends events to a candidate's desk. */
type Post = (candidate: string, events: readonly DeskEvent[]) => Promise<Response>;
type Sent = { readonly state: QueueState; readonly answer: DeskAnswer | null };

export class DeviceQueue {
  #last: Promise<unknown> = Promise.resolve();

  private constructor(
    private readonly db: IDBPDatabase,
    private readonly owner: string,
    private readonly candidate: string,
    private readonly device: string,
    private readonly post: Post
  ) {}

  /** `owner` is whose account it is, `candidate` whose desk. What was sent, and is somebody else's or of another day than `date`, goes. Rejects where the browser keeps nothing. */
  static async open(owner: string, candidate: string, date: string, post: Post): Promise<DeviceQueue> {
    const db = await openDevice();
    const changing = db.transaction('device', 'readwrite');
    const device = ((await changing.store.get('id')) as string | undefined) ?? crypto.randomUUID();
    await changing.store.put(device, 'id');
    await changing.done;
    const clearing = db.transaction('events', 'readwrite');
    for (const kept of (await clearing.store.getAll()) as Kept[])
      if (kept.isSent && (kept.owner !== owner || kept.event.date !== date))
        await clearing.store.delete(kept.key);
    await clearing.done;
    return new DeviceQueue(db, owner, candidate, device, post);
  }

  /** Keeps an event on the device; it is kept when this resolves. */
  async keep(draft: DeskDraft): Promise<DeskEvent> {
    const changing = this.db.transaction(['events', 'device'], 'readwrite');
    const seq = (((await changing.objectStore('device').get('seq')) as number | undefined) ?? 0) + 1;
    await changing.objectStore('device').put(seq, 'seq');
    const last = (await changing.objectStore('device').get('last')) as Last | undefined;
    // a clock that was put back does not put what comes after before what was
    const atMs = last?.date === draft.date ? Math.max(Date.now(), last.atMs + 1) : Date.now();
    await changing.objectStore('device').put({ date: draft.date, atMs }, 'last');
    const made = { id: crypto.randomUUID(), device: this.device, seq, atMs };
    const event = { ...draft, ...made } as DeskEvent;
    const { owner, candidate } = this;
    await changing.objectStore('events').add({ owner, candidate, event, isSent: false });
    await changing.done;
    return event;
  }

  async #kept(): Promise<Kept[]> {
    const all = (await this.db.getAll('events')) as Kept[];
    return all.filter(({ owner }) => owner === this.owner);
  }

  #whose = ({ candidate }: Kept): string => candidate ?? this.candidate;

  /** What is here of this desk, in order: what waits, and what was sent of the day. */
  all = async (): Promise<DeskEvent[]> =>
    (await this.#kept()).filter((one) => this.#whose(one) === this.candidate).map(({ event }) => event);
  /** Of this desk. */
  countWaiting = async () => (await this.#waitingFor(this.candidate)).length;
  readonly #waiting = async () => (await this.#kept()).filter(({ isSent }) => !isSent);
  readonly #waitingFor = async (candidate: string) =>
    (await this.#waiting()).filter((one) => this.#whose(one) === candidate);

  /** Sends what waits of this desk, and behind it what else this account has here, never twice at once. `answer` is null where nothing came through. */
  send(): Promise<Sent> {
    const sent = this.#last.then(() => this.#sendTo(this.candidate));
    this.#last = sent.then(() => this.#sendOthers()).catch(() => {});
    return sent;
  }

  async #sendOthers(): Promise<void> {
    const others = new Set((await this.#waiting()).map((one) => this.#whose(one)));
    others.delete(this.candidate);
    for (const other of others) await this.#sendTo(other);
  }

  async #sendTo(to: string): Promise<Sent> {
    const kept = (await this.#waitingFor(to)).slice(0, AT_ONCE);
    const count = kept.length;
    if (count === 0) return { state: { kind: 'sent', atMs: null }, answer: null };
    const response = await this.post(
      to,
      kept.map(({ event }) => event)
    ).catch(() => null);
    if (!response || response.status >= 500) return { state: { kind: 'waiting', count }, answer: null };
    if (!response.ok || response.redirected || !isJson(response)) {
      const says = response.redirected
        ? 'sign in again'
        : await response.json().then(
            (body: { message?: string }) => body.message ?? 'the studio refuses it',
            () => 'the studio refuses it'
          );
      return { state: { kind: 'refused', says: `cannot send: ${says}` }, answer: null };
    }
    const answer = (await response.json()) as DeskAnswer;
    const marking = this.db.transaction('events', 'readwrite');
    for (const one of kept)
      if (answer.kept.includes(one.event.id)) await marking.store.put({ ...one, isSent: true });
    await marking.done;
    const left = (await this.#waitingFor(to)).length;
    return {
      state: left === 0 ? { kind: 'sent', atMs: Date.now() } : { kind: 'waiting', count: left },
      answer
    };
  }
}

const isJson = (response: Response) =>
  response.headers.get('content-type')?.startsWith('application/json') === true;
