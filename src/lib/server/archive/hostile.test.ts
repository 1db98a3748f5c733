import { createHash } from 'node:crypto';
import { mkdirSync, mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { crc32, deflateRawSync } from 'node:zlib';
import { Zip, type ZipInputFile, ZipPassThrough, strToU8, zipSync } from 'fflate';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type App, type Who, makeApp } from '../app';
import { openDb } from '../db/open';
import { openDemo } from '../../../../tests/fixtures/demo-studio';
import { placeFiles, readFiles } from '../files/folder';
import type { Archive } from '../../schema/archive';
import { listCalls } from '../store/call';
import { listCandidates } from '../store/candidate';
import * as intake from '../store/intake';
import { exportStudio, importArchive } from '../usecase/archive';
import { readArchive, writeArchive } from './file';
import { readArchiveFile } from './reader';
import { unpack } from './unpack';

/** The whole file. */
const zipped = (archive: Archive) => new Uint8Array(Buffer.concat([...writeArchive(archive)]));

const folder = mkdtempSync(join(tmpdir(), 'irvot-archive-'));
const files = join(folder, 'files');
afterAll(() => rmSync(folder, { recursive: true, force: true }));
const NOW = Date.parse('2026-11-24T08:00:00Z');
const TEACHER: Who = { kind: 'teacher', accountId: 't', name: 'Teacher' };
const studio = () => makeApp(openDb(':memory:'), () => NOW);
let demo: App;
let whole: Archive;

beforeAll(() => {
  demo = openDemo();
  whole = exportStudio(demo, TEACHER, {});
});

const refusal = async (files: Record<string, Uint8Array>) => {
  try {
    await unpack(Buffer.from(zipSync(files, { level: 9 })));
    return 'unpacked';
  } catch (thrown) {
    return (thrown as Error).message;
  }
};
/** A zip of files that hold nothing but zeros, so many bytes each. */
function zipOfZeros(names: readonly string[], bytes: number): Buffer {
  const zeros = Buffer.alloc(bytes);
  const [packed, crc] = [deflateRawSync(zeros), crc32(zeros)];
  const chunks: Uint8Array[] = [];
  const zip = new Zip((_, chunk) => chunks.push(chunk));
  for (const filename of names) {
    const file: ZipInputFile = { filename, compression: 8, size: bytes, crc };
    zip.add(file);
    file.ondata!(null, packed, true);
  }
  zip.end();
  return Buffer.concat(chunks);
}
const kept = (bytes: Uint8Array) => {
  const file = join(folder, 'archive.zip');
  writeFileSync(file, bytes);
  return file;
};

describe('an archive that is small and unpacks to much', () => {
  it('is counted while it is unpacked, whatever it says of itself', async () => {
    const MB = 1024 * 1024;
    const large = zipOfZeros(['archive.json'], 120 * MB);
    await expect(unpack(large)).rejects.toThrow('larger than any studio');
    const names = Array.from({ length: 5 }, (_, i) => `candidates/000${i}.json`);
    await expect(unpack(zipOfZeros(names, 80 * MB))).rejects.toThrow('larger than any studio');
    const lying = new Uint8Array(large);
    // the size it claims stands in its directory: no more than that is unpacked
    new DataView(lying.buffer).setUint32(lying.length - 22 - 46 - 'archive.json'.length + 24, 10, true);
    await expect(unpack(Buffer.from(lying))).rejects.toThrow('no zip file');
  });

  it('holds no more values and is nested no deeper than a studio', async () => {
    expect(await refusal({ 'archive.json': strToU8(`[${'1,'.repeat(4_200_000)}1]`) })).toContain(
      'more than any studio'
    );
    expect(await refusal({ 'archive.json': strToU8('['.repeat(100_000)) })).toContain('nested deeper');
    expect(
      await refusal({
        'archive.json': strToU8('{"a":"[[[[[[[[[[[[[[[[[[[[[[[[","b":"\\"[[[[[[[[[[[[[[[[["}')
      })
    ).toBe('unpacked');
  });

  it('has no more files than a studio, and none twice', async () => {
    const many = Object.fromEntries(Array.from({ length: 22_100 }, (_, i) => [`f${i}`, strToU8('{}')]));
    expect(await refusal(many)).toContain('files that do not belong there');
    const chunks: Uint8Array[] = [];
    const zip = new Zip((_, chunk) => chunks.push(chunk));
    for (let i = 0; i < 2; i += 1) {
      const file = new ZipPassThrough('archive.json');
      zip.add(file);
      file.push(strToU8('{}'), true);
    }
    zip.end();
    await expect(unpack(Buffer.concat(chunks))).rejects.toThrow('do not belong there');
  });
});

describe('an archive read in its worker', () => {
  it('is the same as read here, and says how far it is', async () => {
    const steps: string[] = [];
    const read = await readArchiveFile(kept(zipped(whole)), files, {
      onProgress: (step) => steps.push(step)
    });
    expect(read).toEqual(await readArchive(Buffer.from(zipped(whole)), files));
    expect(steps[0]).toBe('unpack');
  });

  it('is refused there with its sentence, and stopped when nobody waits for it', async () => {
    await expect(readArchiveFile(kept(strToU8('no zip at all')), files)).rejects.toThrow(
      'This file was not taken in. It is no zip file, or it was cut short. Send it once more. Nothing was changed.'
    );
    const stopper = new AbortController();
    const reading = readArchiveFile(kept(zipped(whole)), files, { signal: stopper.signal });
    stopper.abort();
    await expect(reading).rejects.toThrow('It was stopped. Nothing was changed.');
  });
});

describe('files beside the records', () => {
  const sound = Array.from({ length: 3 }, (_, n) => Buffer.alloc(300_000 * n + 11, `take ${n} PK\x03\x04`));
  const nameOf = (bytes: Uint8Array) => createHash('sha256').update(bytes).digest('hex');
  const from = join(folder, 'from');
  const zippedWith = (folderOfFiles: string) =>
    Buffer.concat([...writeArchive({ ...whole, files: readFiles(folderOfFiles) })]);

  beforeAll(() => {
    mkdirSync(from);
    for (const bytes of sound) writeFileSync(join(from, nameOf(bytes)), bytes);
    writeFileSync(join(from, 'half.partial'), 'not a file of ours');
  });

  it('come out as they went in, read a part at a time, and are placed once', async () => {
    const to = join(folder, 'to');
    await readArchiveFile(kept(zippedWith(from)), to);
    const names = sound.map(nameOf).sort();
    expect(readdirSync(to).sort()).toEqual(names);
    for (const bytes of sound) expect(readFileSync(join(to, nameOf(bytes))).equals(bytes)).toBe(true);
    const studioFiles = join(folder, 'studio-files');
    mkdirSync(studioFiles);
    writeFileSync(join(studioFiles, names[0]!), 'here already');
    placeFiles(to, studioFiles)();
    // taken away again is only what was new
    expect(readdirSync(studioFiles)).toEqual([names[0]]);
  });

  it('are refused where one is not what its name says, or was packed to grow', async () => {
    const wrong = join(folder, 'wrong');
    mkdirSync(wrong);
    writeFileSync(join(wrong, nameOf(sound[0]!)), 'something else');
    await expect(readArchiveFile(kept(zippedWith(wrong)), join(folder, 'w'))).rejects.toThrow(/is damaged/);
    const grown = zipSync({ [`files/${'a'.repeat(64)}`]: new Uint8Array(30_000_000) }, { level: 9 });
    const sink = { write: () => {}, end: () => true };
    await expect(unpack(Buffer.from(grown), () => sink)).rejects.toThrow('larger than any studio');
  });
});

it('an archive that nobody reads on ends, however little of it was read', () => {
  for (const parts of [1, 2, 3]) {
    let ended = 0;
    const writing = writeArchive({ ...whole, end: () => (ended += 1) });
    for (let n = 0; n < parts; n += 1) writing.next();
    writing.return(undefined);
    expect(ended).toBe(1);
  }
});

describe('an archive that is taken in', () => {
  it('and stopped half-way leaves nothing behind', async () => {
    const app = studio();
    const stopper = new AbortController();
    const taking = importArchive(app, TEACHER, {
      archive: whole,
      signal: stopper.signal,
      onProgress: (done) => done === 3 && stopper.abort()
    });
    await expect(taking).rejects.toThrow('It was stopped.');
    expect([listCandidates(app.db), listCalls(app.db)]).toEqual([[], []]);
    await importArchive(app, TEACHER, { archive: whole });
    expect(listCandidates(app.db)).toHaveLength(whole.candidates.length);
  });

  it('and left half-way by a process that died is taken back at the next start', async () => {
    const app = studio();
    await importArchive(app, TEACHER, { archive: whole });
    intake.begin(app.db, [...whole.calls.map((c) => c.id), ...whole.candidates.slice(1).map((c) => c.id)]);
    intake.takeBack(app.db);
    // who was here before stays, with the list taken meanwhile
    const [first] = whole.candidates;
    expect(listCandidates(app.db).map((c) => c.id)).toEqual([first!.id]);
    const taken = new Set(first!.auditions.map((a) => a.callId));
    expect(new Set(listCalls(app.db).map((c) => c.id))).toEqual(taken);
  });

  it('with an id that something else here has is refused with a sentence, and nothing of it stays', async () => {
    const [first] = whole.candidates;
    const renamed = (text: string) => JSON.parse(text.replaceAll(/"([0-9a-f]{8})-/g, '"x$1-')) as Archive;
    const other = renamed(JSON.stringify({ ...whole, candidates: [first] }));
    const [audition] = other.candidates[0]!.auditions;
    (audition as { id: string }).id = first!.auditions[0]!.id;
    const before = exportStudio(demo, TEACHER, {});
    await expect(importArchive(demo, TEACHER, { archive: other })).rejects.toThrow(
      'Something of it is in this studio already. Nothing was changed.'
    );
    expect(exportStudio(demo, TEACHER, {})).toEqual(before);
  });
});
