import { createWriteStream } from 'node:fs';
import { mkdtemp, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { Readable, Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { error } from '@sveltejs/kit';
import { readArchiveFile, unreadable } from '$lib/server/archive/reader';
import { MOST_ARCHIVE_BYTES, sayTooLarge } from '$lib/server/archive/unpack';
import { filesFolder, incomingFolder, theApp } from '$lib/server/context';
import { CodedError, ERRORS, isDiskFull } from '$lib/server/errors';
import { placeFiles } from '$lib/server/files/folder';
import { allow } from '$lib/server/http';
import { serverLog } from '$lib/server/log';
import { STATUS } from '$lib/server/status';
import { importArchive } from '$lib/server/usecase/archive';
import type { Intake } from '$lib/schema/view';
import type { RequestHandler } from './$types';

/**
 * Takes an archive in: the file itself is the body, counted while it comes. The answer says, a line of JSON at a time, how far it is;
 * when nobody listens any more, it stops and nothing is changed.
 */
export const POST: RequestHandler = async (event) => {
  allow(event, importArchive, undefined);
  // a kind that no other site can send without asking first
  if (event.request.headers.get('content-type') !== 'application/zip' || !event.request.body)
    error(415, { message: 'Choose a file first.' });
  const length = Number(event.request.headers.get('content-length') ?? 0);
  if (length > MOST_ARCHIVE_BYTES) error(413, { message: unreadable(sayTooLarge(length)).message });
  const { who } = event.locals;
  const folder = await mkdtemp(incomingFolder()).catch(refuse);
  const file = join(folder, 'archive.zip');
  const stopped = new AbortController();
  try {
    await receive(event.request.body, file);
  } catch (thrown) {
    await rm(folder, { recursive: true, force: true });
    refuse(thrown);
  }
  const text = new TextEncoder();
  const answer = new ReadableStream<Uint8Array>({
    async start(lines) {
      const say = (line: Intake) => {
        if (!stopped.signal.aborted) lines.enqueue(text.encode(`${JSON.stringify(line)}\n`));
      };
      try {
        const onProgress = (step: 'unpack' | 'check', done: number) => say({ step, done });
        const files = join(folder, 'files');
        const archive = await readArchiveFile(file, files, { signal: stopped.signal, onProgress });
        const of = archive.candidates.length;
        // before the records that name them: a file that nothing names does no harm
        const takeAway = placeFiles(files, filesFolder());
        const taken = await importArchive(theApp(), who, {
          archive,
          signal: stopped.signal,
          onProgress: (done) => say({ step: 'take in', done, of })
        }).catch((thrown: unknown) => {
          takeAway();
          throw thrown;
        });
        say({ step: 'done', taken });
      } catch (thrown) {
        if (!(thrown instanceof CodedError)) serverLog.error({ err: thrown }, 'an archive was not taken in');
        const says =
          thrown instanceof CodedError ? thrown.message : unreadable('Something went wrong.').message;
        say({ step: 'fault', says });
      } finally {
        await rm(folder, { recursive: true, force: true });
        if (!stopped.signal.aborted) lines.close();
      }
    },
    cancel: () => stopped.abort()
  });
  return new Response(answer, { headers: { 'content-type': 'application/x-ndjson; charset=utf-8' } });
};

/** Why the file was not received. */
function refuse(thrown: unknown): never {
  if (thrown instanceof CodedError) error(413, { message: thrown.message });
  if (isDiskFull(thrown)) error(STATUS['disk-full'], { message: ERRORS['disk-full'] });
  throw thrown;
}

async function receive(body: ReadableStream, file: string): Promise<void> {
  let bytes = 0;
  const count = new Transform({
    transform(chunk: Buffer, _encoding, next) {
      bytes += chunk.length;
      if (bytes > MOST_ARCHIVE_BYTES) next(unreadable(sayTooLarge(bytes)));
      else next(null, chunk);
    }
  });
  await pipeline(Readable.fromWeb(body as never), count, createWriteStream(file));
}
