/**
 * The archive as a file: a zip of JSON, written and read whole. A file from elsewhere is not trusted: unpacked within limits, only names
 * the format knows, and every value through the schema before anything is looked at.
 */
import { strToU8, zipSync } from 'fflate';
import type { ZodType } from 'zod';
import {
  ARCHIVE_VERSION,
  type Archive,
  archiveCalls,
  archiveCandidate,
  archiveFault,
  archiveHead
} from '../../schema/archive';
import { Unreadable, unpack } from './unpack';

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

export type Progress = (step: 'unpack' | 'check', done: number) => void;

/** Throws Unreadable with a sentence that says what is wrong with the file. */
export function readArchive(chunks: Iterable<Uint8Array>, onProgress: Progress = () => {}): Archive {
  const files = unpack(chunks, (read) => onProgress('unpack', read));
  const head = parse(files, HEAD, archiveHead);
  if (head.version > ARCHIVE_VERSION)
    throw new Unreadable(
      `It was written by a newer program (version ${head.version}, this one reads ${ARCHIVE_VERSION}). Use a newer program.`
    );
  const names = Array.from({ length: head.candidates }, (_, n) => candidateFile(n));
  const known = new Set([HEAD, CALLS, ...names]);
  const foreign = [...files.keys()].find((name) => !known.has(name));
  if (foreign !== undefined)
    throw new Unreadable(`It holds a file that does not belong there: ${foreign.slice(0, 80)}.`);
  const calls = parse(files, CALLS, archiveCalls);
  const candidates = names.map((name, n) => {
    const candidate = parse(files, name, archiveCandidate);
    files.delete(name);
    onProgress('check', n + 1);
    return candidate;
  });
  const archive = { head, calls, candidates };
  const fault = archiveFault(archive);
  if (fault) throw new Unreadable(fault);
  return archive;
}

function parse<T>(files: ReadonlyMap<string, string>, name: string, schema: ZodType<T>): T {
  const text = files.get(name);
  if (text === undefined)
    throw new Unreadable(
      name === HEAD ? 'It is a zip file, but no archive of a studio.' : `Its ${name} is missing.`
    );
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    throw new Unreadable(`Its ${name} is damaged.`);
  }
  const read = schema.safeParse(value);
  if (read.success) return read.data;
  const [issue] = read.error.issues;
  throw new Unreadable(`In ${name}, ${issue!.path.join('.') || 'at its top'}: ${issue!.message}`);
}
