/**
 * The server's own log: sign-ins, refusals, exports, and what went wrong, with the id a person was shown. Ids alone: no names, no
 * notes, no secrets, nothing that was typed. Silent until the application says where to.
 */
import { existsSync, renameSync, statSync } from 'node:fs';
import pino from 'pino';

const streams = pino.multistream([]);
const MOST_BYTES = 10 * 1024 * 1024;

/** Where an error came from; its message may hold what somebody typed. */
function withoutMessage(thrown: unknown): unknown {
  if (!(thrown instanceof Error)) return { type: typeof thrown };
  const frames = (thrown.stack ?? '').split('\n').filter((line) => line.trimStart().startsWith('at '));
  return { type: thrown.name, code: (thrown as { code?: unknown }).code, frames };
}

export const serverLog = pino({ name: 'irvot', base: null, serializers: { err: withoutMessage } }, streams);

/** A file that gives way to a new one when it is full; the one before it is kept beside it. */
function rolling(file: string): { write: (line: string) => void } {
  const kept = pino.destination({ dest: file, sync: true, mode: 0o600 });
  // a log that cannot be written (a full disk) ends nothing: the console has the line too
  kept.on('error', () => {});
  let bytes = existsSync(file) ? statSync(file).size : 0;
  return {
    write(line) {
      if (bytes > MOST_BYTES) {
        renameSync(file, `${file}.1`);
        kept.reopen();
        bytes = 0;
      }
      bytes += line.length;
      kept.write(line);
    }
  };
}

/** To the console, and to a file of at most 10 MB with one older beside it. */
export function keepLog(file: string): void {
  streams.add({ level: 'warn', stream: process.stdout });
  streams.add({ level: 'info', stream: rolling(file) });
}
