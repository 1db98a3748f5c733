/**
 * The folder of files beside the studio's database, for what is too large for it. A file's name is made from its content, so it never
 * changes: a backup has each once, as another name of the same bytes where the disk allows it.
 */
import { createHash } from 'node:crypto';
import {
  closeSync,
  copyFileSync,
  existsSync,
  linkSync,
  mkdirSync,
  openSync,
  readSync,
  readdirSync,
  renameSync,
  rmSync,
  statSync,
  utimesSync,
  writeSync
} from 'node:fs';
import { join } from 'node:path';

/** Of a studio or of its backups. */
export const filesOf = (directory: string) => join(directory, 'files');

/** What the studio no longer has, until no backup is left that had it. */
const GONE = '.gone';
/** As long as backups are kept. */
const KEPT_MS = 14 * 24 * 3_600_000;

const namesIn = (folder: string) => (existsSync(folder) ? readdirSync(folder) : []);

/** Brings what is new into the backups' folder; what has been gone from the studio for a fortnight goes there too. */
export function keepFiles(from: string, to: string, nowMs: number): void {
  const there = new Set(namesIn(from));
  if (there.size === 0 && !existsSync(to)) return;
  mkdirSync(to, { recursive: true });
  for (const name of there) {
    if (existsSync(join(to, name + GONE))) renameSync(join(to, name + GONE), join(to, name));
    else if (!existsSync(join(to, name))) copy(join(from, name), join(to, name));
  }
  for (const name of namesIn(to).filter((one) => !there.has(one))) {
    const file = join(to, name);
    if (!name.endsWith(GONE)) {
      renameSync(file, file + GONE);
      utimesSync(file + GONE, nowMs / 1000, nowMs / 1000);
    } else if (nowMs - statSync(file).mtimeMs > KEPT_MS) rmSync(file);
  }
}

/** A copy is whole when it has its name. */
function copy(from: string, to: string): void {
  try {
    linkSync(from, to);
  } catch {
    copyFileSync(from, `${to}.partial`);
    renameSync(`${to}.partial`, to);
  }
}

/** SHA-256 of the content, as 64 hexadecimal digits. */
export const FILE_NAME = /^[0-9a-f]{64}$/;

/** A file as it is read, in parts. */
export type ReadFile = { readonly name: string; readonly parts: Generator<Uint8Array> };

const PART = 256 * 1024;

/** The files of a folder, all or those of some names, one opened at a time. */
export function* readFiles(folder: string, only?: ReadonlySet<string>): Generator<ReadFile> {
  for (const name of namesIn(folder)
    .filter((one) => FILE_NAME.test(one) && (only?.has(one) ?? true))
    .sort()) {
    const handle = openIfThere(join(folder, name));
    if (handle !== null) yield { name, parts: partsOf(handle) };
  }
}

function openIfThere(file: string): number | null {
  try {
    return openSync(file, 'r');
  } catch {
    return null;
  }
}

/** The rest of an open file, which is closed at its end or when nobody reads on. */
function* partsOf(handle: number): Generator<Uint8Array> {
  try {
    for (;;) {
      const part = new Uint8Array(PART);
      const read = readSync(handle, part, 0, PART, null);
      if (read === 0) return;
      yield part.subarray(0, read);
    }
  } finally {
    closeSync(handle);
  }
}

/** Writes a file part by part; `end` says whether it is what its name says. */
export function writeFile(folder: string, name: string): { write(part: Uint8Array): void; end(): boolean } {
  mkdirSync(folder, { recursive: true });
  const handle = openSync(join(folder, name), 'wx', 0o600);
  const digest = createHash('sha256');
  return {
    write(part) {
      digest.update(part);
      writeSync(handle, part);
    },
    end() {
      closeSync(handle);
      return digest.digest('hex') === name;
    }
  };
}

/** Brings files from one folder into another that has them or not; what it says takes away again those that were new. */
export function placeFiles(from: string, to: string): () => void {
  const fresh = namesIn(from).filter((name) => !existsSync(join(to, name)));
  if (fresh.length > 0) mkdirSync(to, { recursive: true, mode: 0o700 });
  for (const name of fresh) renameSync(join(from, name), join(to, name));
  return () => fresh.forEach((name) => rmSync(join(to, name), { force: true }));
}
