/**
 * The archive as a file: a zip of JSON, written as it is read from the studio. A file from elsewhere is not trusted: unpacked within limits, only names
 * the format knows, and every value through the schema before anything is looked at.
 */
import { Zip, ZipDeflate, strToU8 } from 'fflate';
import type { ZodType } from 'zod';
import {
  ARCHIVE_VERSION,
  type Archive,
  type ArchiveCandidate,
  archiveCalls,
  archiveCandidate,
  archiveFault,
  archiveHead
} from '../../schema/archive';
import { FILE_NAME, type ReadFile, writeFile } from '../files/folder';
import { Unreadable, unpack } from './unpack';

const HEAD = 'archive.json';
const CALLS = 'calls.json';
const FILES = 'files/';
const isFile = (name: string) => name.startsWith(FILES) && FILE_NAME.test(name.slice(FILES.length));
/** When it was written is said in it; the files themselves have all the same time. */
const WRITTEN = '2000-01-01T00:00:00Z';
const candidateFile = (n: number) => `candidates/${String(n + 1).padStart(4, '0')}.json`;

/** An archive as it is written: its candidates and files one at a time, so that no more than one is held. */
export type Outgoing = Omit<Archive, 'candidates'> & {
  readonly candidates: Iterable<ArchiveCandidate>;
  readonly files?: Iterable<ReadFile>;
  /** Called once when it is written, or nobody reads on. */
  readonly end?: () => void;
};

/** The file's bytes as they come; the same content gives the same bytes. */
export function* writeArchive(outgoing: Outgoing): Generator<Uint8Array> {
  try {
    yield* writeParts(outgoing);
  } finally {
    outgoing.end?.();
  }
}

function* writeParts({ head, calls, candidates, files = [] }: Outgoing): Generator<Uint8Array> {
  const chunks: Uint8Array[] = [];
  const zip = new Zip((fault, chunk) => {
    if (fault) throw fault;
    chunks.push(chunk);
  });
  const open = (name: string, level: 0 | 6) => {
    const file = new ZipDeflate(name, { level });
    file.mtime = WRITTEN;
    zip.add(file);
    return file;
  };
  const put = (name: string, value: unknown) => {
    open(name, 6).push(strToU8(JSON.stringify(value, null, 1)), true);
    return chunks.splice(0);
  };
  yield* put(HEAD, head);
  yield* put(CALLS, calls);
  let n = 0;
  for (const candidate of candidates) {
    yield* put(candidateFile(n), candidate);
    n += 1;
  }
  for (const { name, parts } of files) {
    // sound is small already
    const file = open(FILES + name, 0);
    for (const part of parts) {
      file.push(part);
      yield* chunks.splice(0);
    }
    file.push(new Uint8Array(0), true);
    yield* chunks.splice(0);
  }
  zip.end();
  yield* chunks.splice(0);
}

export type Progress = (step: 'unpack' | 'check', done: number) => void;

/** The files beside the records go into a folder. Throws Unreadable with a sentence that says what is wrong with the archive. */
export async function readArchive(
  source: string | Buffer,
  filesFolder: string,
  onProgress: Progress = () => {}
): Promise<Archive> {
  const files = await unpack(
    source,
    (name) => (isFile(name) ? writeFile(filesFolder, name.slice(FILES.length)) : null),
    (read) => onProgress('unpack', read)
  );
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
