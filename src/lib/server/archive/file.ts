/**
 * The archive as a file: a zip of JSON, written and read whole. A file from elsewhere is not trusted: only names the format
 * knows, no more bytes than a studio can have, and every value through the schema before anything is looked at.
 */
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import type { ZodType } from 'zod';
import {
  ARCHIVE_VERSION,
  type Archive,
  archiveCalls,
  archiveCandidate,
  archiveFault,
  archiveHead
} from '../../schema/archive';
import { CodedError } from '../errors';

export const MOST_ARCHIVE_BYTES = 64 * 1024 * 1024;
/** Unpacked; a million touches are about 200 MB. */
const MOST_UNPACKED_BYTES = 512 * 1024 * 1024;
const HEAD = 'archive.json';
const CALLS = 'calls.json';
const candidateFile = (n: number) => `candidates/${String(n + 1).padStart(4, '0')}.json`;

/** The same content gives the same bytes. */
export function writeArchive({ head, calls, candidates }: Archive): Uint8Array {
  const json = (value: unknown) => strToU8(JSON.stringify(value, null, 1));
  const files: Record<string, Uint8Array> = { [HEAD]: json(head), [CALLS]: json(calls) };
  candidates.forEach((candidate, n) => (files[candidateFile(n)] = json(candidate)));
  return zipSync(files, { level: 6, mtime: new Date('2000-01-01T00:00:00Z') });
}

/** Throws CodedError "archive-unreadable" with a sentence that says what is wrong with the file. */
export function readArchive(bytes: Uint8Array): Archive {
  if (bytes.length > MOST_ARCHIVE_BYTES) throw unreadable(sayTooLarge(bytes.length));
  const files = unpack(bytes);
  const head = parse(files, HEAD, archiveHead);
  if (head.version > ARCHIVE_VERSION)
    throw unreadable(
      `It was written by a newer program (version ${head.version}, this one reads ${ARCHIVE_VERSION}). Use a newer program.`
    );
  const known = new Set([
    HEAD,
    CALLS,
    ...Array.from({ length: head.candidates }, (_, n) => candidateFile(n))
  ]);
  const foreign = Object.keys(files).find((name) => !known.has(name));
  if (foreign !== undefined)
    throw unreadable(`It holds a file that does not belong there: ${foreign.slice(0, 80)}.`);
  const archive = {
    head,
    calls: parse(files, CALLS, archiveCalls),
    candidates: Array.from({ length: head.candidates }, (_, n) =>
      parse(files, candidateFile(n), archiveCandidate)
    )
  };
  const fault = archiveFault(archive);
  if (fault) throw unreadable(fault);
  return archive;
}

export function sayTooLarge(bytes: number): string {
  const mega = (n: number) => Math.round(n / 1024 / 1024);
  return `It has ${mega(bytes)} MB; an archive has at most ${mega(MOST_ARCHIVE_BYTES)} MB.`;
}

function unpack(bytes: Uint8Array): Record<string, Uint8Array> {
  let sum = 0;
  const filter = ({ originalSize }: { originalSize: number }) => {
    sum += originalSize;
    return sum <= MOST_UNPACKED_BYTES;
  };
  let files: Record<string, Uint8Array>;
  try {
    files = unzipSync(bytes, { filter });
  } catch {
    throw unreadable('It is no zip file, or it was cut short. Send it once more.');
  }
  // what was passed over must not look like a small archive
  if (sum > MOST_UNPACKED_BYTES) throw unreadable('Unpacked it is larger than any studio.');
  return files;
}

function parse<T>(files: Record<string, Uint8Array>, name: string, schema: ZodType<T>): T {
  const bytes = files[name];
  if (!bytes)
    throw unreadable(
      name === HEAD ? 'It is a zip file, but no archive of a studio.' : `Its ${name} is missing.`
    );
  let value: unknown;
  try {
    value = JSON.parse(strFromU8(bytes));
  } catch {
    throw unreadable(`Its ${name} is damaged.`);
  }
  const read = schema.safeParse(value);
  if (read.success) return read.data;
  const [issue] = read.error.issues;
  throw unreadable(`In ${name}, ${issue!.path.join('.') || 'at its top'}: ${issue!.message}`);
}

function unreadable(why: string): CodedError {
  return new CodedError('archive-unreadable', `This file was not taken in. ${why} Nothing was changed.`);
}
