/**
 * Takes on the device: each piece of the sound is kept as it comes, so that a crash loses the last second or two, and a long take fills no
 * memory; sent when it has ended, in pieces that go on where the line broke, and gone from here when the studio has it.
 */
import type { Take } from '$lib/core/record';
import { openDevice } from './store';

type KeptTake = {
  readonly owner: string;
  readonly take: Take;
  /** False while it is being recorded, and after a crash. */
  readonly isEnded: boolean;
  readonly kind: string;
  /** The studio has a part of it: it is asked how much. */
  readonly isBegun?: boolean;
};

/** Held by the page that records it: no other takes it for one that was left in the middle. */
const lockOf = (id: string) => `irvot take ${id}`;

/** Pieces of a take are kept under its id and their number. */
const piecesOf = (id: string) => IDBKeyRange.bound([id, 0], [id, Infinity]);

/** Begins to keep one; `add` keeps the next piece and resolves when it is kept; `end` says whether there is any. */
export async function keepTake(owner: string, take: Take, kind: string) {
  const db = await openDevice();
  await db.put('takes', { owner, take, kind, isEnded: false } satisfies KeptTake);
  let count = 0;
  let letGo = () => {};
  const isOver = new Promise<void>((resolve) => (letGo = resolve));
  void navigator.locks.request(lockOf(take.id), () => isOver);
  return {
    add: async (piece: Blob) => {
      const bytes = await piece.arrayBuffer();
      await db.put('pieces', bytes, [take.id, count++]);
    },
    end: async (ended: Take) => {
      if (count === 0) await db.delete('takes', take.id);
      else await db.put('takes', { owner, take: ended, kind, isEnded: true } satisfies KeptTake);
      db.close();
      letGo();
      return count > 0;
    }
  };
}

/** What a crash or a reload left in the middle has ended there; what has no piece is none. */
export async function endInterrupted(owner: string): Promise<void> {
  const { held = [] } = await navigator.locks.query();
  const isRecorded = (id: string) => held.some(({ name }) => name === lockOf(id));
  const db = await openDevice();
  for (const kept of (await db.getAll('takes')) as KeptTake[]) {
    if (kept.owner !== owner || kept.isEnded || isRecorded(kept.take.id)) continue;
    const pieces = await db.count('pieces', piecesOf(kept.take.id));
    if (pieces === 0) await db.delete('takes', kept.take.id);
    else await db.put('takes', { ...kept, isEnded: true });
  }
  db.close();
}

/** Takes that have ended and are not sent. */
export async function waitingTakes(owner: string): Promise<Take[]> {
  const db = await openDevice();
  const all = (await db.getAll('takes')) as KeptTake[];
  db.close();
  return all.filter((kept) => kept.owner === owner && kept.isEnded).map(({ take }) => take);
}

async function noteBegun(id: string): Promise<void> {
  const db = await openDevice();
  // in one go: what is sent and gone meanwhile does not come back
  const { store, done } = db.transaction('takes', 'readwrite');
  const kept = (await store.get(id)) as KeptTake | undefined;
  if (kept) await store.put({ ...kept, isBegun: true });
  await done;
  db.close();
}

async function soundOf(id: string): Promise<{ sound: Blob; isBegun: boolean }> {
  const db = await openDevice();
  const kept = (await db.get('takes', id)) as KeptTake;
  const pieces = (await db.getAll('pieces', piecesOf(id))) as ArrayBuffer[];
  db.close();
  return { sound: new Blob(pieces, { type: kept.kind }), isBegun: kept.isBegun === true };
}

/** Gone from this device. */
export async function forgetTake(id: string): Promise<void> {
  const db = await openDevice();
  await db.delete('pieces', piecesOf(id));
  await db.delete('takes', id);
  db.close();
}

/** Why it is not sent, in the studio's words; tried again where there is no line, which nobody says, or where the studio has no room for now. */
export type TakeSent = 'sent' | { readonly isTriedAgain: boolean; readonly says: string };

const NO_ROOM = 507;
/** Asked again how far it is, or its part before is still being written. */
const SOON = [409, 423];

/** `status` is 0 where no answer came. */
const notSent = (status: number, says: string): TakeSent =>
  status >= 400 && status < 500
    ? { isTriedAgain: false, says }
    : { isTriedAgain: true, says: status === NO_ROOM ? says : '' };

/** Notes the take at the studio and sends its sound; what is there already is not sent again. `onShare` hears how much of it is. */
export async function sendTake(
  take: Take,
  onShare: (share: number) => void = () => {},
  file: Blob | null = null
): Promise<TakeSent> {
  const noted = await fetch('/takes', {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ take })
  }).catch(() => null);
  if (!noted) return notSent(0, '');
  if (noted.redirected) return { isTriedAgain: false, says: 'Sign in again.' };
  const answer = (await noted.json().catch(() => ({}))) as { hasSound?: boolean; message?: string };
  if (!noted.ok) return notSent(noted.status, answer.message ?? 'The studio refuses it.');
  const { sound, isBegun } = file ? { sound: file, isBegun: false } : await soundOf(take.id);
  const sent = answer.hasSound ? 'sent' : await sendSound(sound, take.id, isBegun, onShare);
  if (sent === 'sent' && !file) await forgetTake(take.id);
  return sent;
}

async function sendSound(
  sound: Blob,
  id: string,
  isBegun: boolean,
  onShare: (share: number) => void
): Promise<TakeSent> {
  const { DetailedError, Upload } = await import('tus-js-client');
  const address = `/takes/${id}/sending`;
  const statusOf = (thrown: unknown) =>
    (thrown instanceof DetailedError && thrown.originalResponse?.getStatus()) || 0;
  return new Promise((resolve) => {
    new Upload(sound, {
      endpoint: address,
      ...(isBegun ? { uploadUrl: new URL(address, location.href).href } : {}),
      onUploadUrlAvailable: () => void noteBegun(id),
      storeFingerprintForResuming: false,
      chunkSize: PIECE_BYTES,
      retryDelays: [500, 2000, 5000],
      // a studio that has no room has none two seconds later
      onShouldRetry: (thrown) => {
        const status = statusOf(thrown);
        return status === 0 || SOON.includes(status) || (status >= 500 && status !== NO_ROOM);
      },
      onProgress: (done, all) => onShare(all === 0 ? 0 : done / all),
      onSuccess: () => resolve('sent'),
      onError: (thrown) => {
        const answer = thrown instanceof DetailedError ? thrown.originalResponse?.getBody() : null;
        resolve(notSent(statusOf(thrown), answer ?? ''));
      }
    }).start();
  });
}

/** A line that breaks loses no more than this. */
const PIECE_BYTES = 1_000_000;
