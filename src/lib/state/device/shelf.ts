/** Where a device lays down what was done at its desk, each event with its number, before anything else happens. */
import type { IDBPDatabase } from 'idb';
import type { DeskEvent } from '$lib/core/record';
import { openDevice } from './store';

/** By which clock the day of an event was told, where the studio could not be asked. */
export type Guess = {
  /** The candidate's. */
  readonly zone: string;
  /** The studio's clock less this device's, as it was known. */
  readonly offsetMs: number;
};

export type Kept = {
  readonly key: number;
  readonly owner: string;
  /** Who played it; missing where an earlier build kept it, which knew of one candidate at a time. */
  readonly candidate?: string;
  readonly event: DeskEvent;
  readonly isSent: boolean;
  /** Why the studio does not take it. */
  readonly refused?: string;
  readonly guess?: Guess;
};
/** Not sent yet, and not refused. */
export const waits = ({ isSent, refused }: Kept): boolean => !isSent && refused === undefined;

/** What was kept here last: its day, and when. */
export type Last = { readonly date: string; readonly atMs: number };

export type Shelf = {
  /** This device's own name. */
  readonly device: string;
  /** Lays down what is made with the next number; it is there when this resolves. */
  add(make: (seq: number, last: Last | undefined) => Omit<Kept, 'key'>): Promise<Kept>;
  /** In the order in which they were laid down. */
  all(): Promise<Kept[]>;
  put(changed: readonly Kept[]): Promise<void>;
  drop(gone: readonly Kept[]): Promise<void>;
};

/** Rejects where the browser keeps nothing. */
export async function openShelf(): Promise<Shelf> {
  const db = await openDevice();
  const naming = db.transaction('device', 'readwrite');
  const device = ((await naming.store.get('id')) as string | undefined) ?? crypto.randomUUID();
  await naming.store.put(device, 'id');
  await naming.done;
  return {
    device,
    add: (make) => add(db, make),
    all: async () => (await db.getAll('events')) as Kept[],
    async put(changed) {
      const writing = db.transaction('events', 'readwrite');
      for (const one of changed) void writing.store.put(one);
      await writing.done;
    },
    async drop(gone) {
      const writing = db.transaction('events', 'readwrite');
      for (const { key } of gone) void writing.store.delete(key);
      await writing.done;
    }
  };
}

async function add(db: IDBPDatabase, make: Parameters<Shelf['add']>[0]): Promise<Kept> {
  const changing = db.transaction(['events', 'device'], 'readwrite');
  const own = changing.objectStore('device');
  const seq = (((await own.get('seq')) as number | undefined) ?? 0) + 1;
  const kept = make(seq, (await own.get('last')) as Last | undefined);
  const { date, atMs } = kept.event;
  void own.put(seq, 'seq');
  void own.put({ date, atMs } satisfies Last, 'last');
  const key = (await changing.objectStore('events').add(kept)) as number;
  await changing.done;
  return { ...kept, key };
}
