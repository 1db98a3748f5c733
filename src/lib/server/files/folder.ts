/**
 * The folder of files beside the studio's database, for what is too large for it. A file's name is made from its content, so it never
 * changes: a backup has each once, as another name of the same bytes where the disk allows it.
 */
import {
  copyFileSync,
  existsSync,
  linkSync,
  mkdirSync,
  readdirSync,
  renameSync,
  rmSync,
  statSync,
  utimesSync
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
