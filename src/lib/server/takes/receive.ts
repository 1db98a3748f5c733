/**
 * Sounds as they are sent: in pieces that go on where a line broke, by the open protocol tus, each beside the database until all of it is
 * there. Who may send, and how much, is asked by whoever calls this.
 */
import { chmodSync, createWriteStream, existsSync, mkdirSync, renameSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import type { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { FileStore } from '@tus/file-store';
import { Server } from '@tus/server';
import type { Sound } from '../../core/record';
import { CodedError, ERRORS, isDiskFull } from '../errors';
import { STATUS } from '../status';
import { readSound } from './sound';

/** A candidate without a line for a week sends the rest of it then. */
const GIVEN_UP_MS = 14 * 24 * 3_600_000;
/** As much as one take may have (200 MB). */
const MOST_SOUND_BYTES = 200e6;

const ADDRESS = /\/takes\/([0-9a-f-]{36})\/sending$/;
const takeIn = (url: string) => ADDRESS.exec(new URL(url).pathname)?.[1];

/** Answers as the protocol wants errors, in the studio's words. */
function answerTo(thrown: unknown): { status_code: number; body: string } | undefined {
  if (isDiskFull(thrown)) return { status_code: STATUS['disk-full'], body: ERRORS['disk-full'] };
  if (thrown instanceof CodedError) return { status_code: STATUS[thrown.code], body: thrown.message };
  return undefined;
}

/** Says why it cannot write, which the package's own keeps to itself: of a disk that is full, somebody wants to know. */
class SoundStore extends FileStore {
  override async write(readable: Readable, id: string, offset: number): Promise<number> {
    const file = createWriteStream(join(this.directory, id), { flags: 'r+', start: offset });
    await pipeline(readable, file);
    return offset + file.bytesWritten;
  }
}

/**
 * `sending` is the folder of what is under way, `files` that of what is there. `keep` is told what a take's sound was found to be, when its
 * file is in place; what it throws takes the file away again where it was new.
 */
export function receiverOf(
  sending: string,
  files: string,
  keep: (takeId: string, sound: Sound) => void,
  /** What was sent for a take is no sound. */
  refuse: (takeId: string) => void
): Server {
  mkdirSync(sending, { recursive: true, mode: 0o700 });
  const datastore = new SoundStore({ directory: sending, expirationPeriodInMilliseconds: GIVEN_UP_MS });
  return new Server({
    path: '/takes',
    datastore,
    maxSize: MOST_SOUND_BYTES,
    generateUrl: (_request, { id }) => `/takes/${id}/sending`,
    getFileIdFromRequest: ({ url }) => takeIn(url),
    namingFunction: ({ url }) => takeIn(url)!,
    onUploadFinish: async (_request, { id }) => {
      const path = join(sending, id);
      try {
        const sound = await readSound(path).catch((thrown: unknown) => {
          if (thrown instanceof CodedError) refuse(id);
          throw thrown;
        });
        putInPlace(path, files, sound.name, () => keep(id, sound));
      } catch (thrown) {
        throw answerTo(thrown) ?? thrown;
      } finally {
        await datastore.configstore.delete(id);
        rmSync(path, { force: true });
      }
      return {};
    },
    onResponseError: async ({ url }, thrown) => {
      // what is there of it makes room for others: the device has it all, and begins anew
      if (isDiskFull(thrown)) await datastore.remove(takeIn(url)!).catch(() => {});
      return answerTo(thrown);
    }
  });
}

function putInPlace(path: string, files: string, name: string, keep: () => void): void {
  const file = join(files, name);
  const isThere = existsSync(file);
  mkdirSync(files, { recursive: true, mode: 0o700 });
  if (!isThere) {
    chmodSync(path, 0o600);
    renameSync(path, file);
  }
  try {
    keep();
  } catch (thrown) {
    if (!isThere) rmSync(file, { force: true });
    throw thrown;
  }
}
