import { readFileSync } from 'node:fs';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { beforeAll, describe, expect, it } from 'vitest';
import { type App, type Who, makeApp } from '../app';
import { openDb } from '../db/open';
import { openDemo } from '../../../../tests/fixtures/demo-studio';
import type { Archive } from '../../schema/archive';
import { listCandidates, privateNoteOf } from '../store/candidate';
import { exportCandidate, exportStudio, importArchive } from '../usecase/archive';
import { readCalls } from '../usecase/call';
import { readUsual, saveUsual } from '../usecase/usual';
import { layWaiting } from '../../../../tests/fixtures/lay-waiting';
import { readCountback } from '../usecase/countback';
import { readArchive as readWhole, writeArchive } from './file';

const NOW = Date.parse('2026-11-24T08:00:00Z');
const TEACHER: Who = { kind: 'teacher', accountId: 't', name: 'Teacher' };
/** No archive here has files beside its records. */
const readArchive = (bytes: Uint8Array) => readWhole(Buffer.from(bytes), '/nowhere');
const studio = () => makeApp(openDb(':memory:'), () => NOW);
let demo: App;
let whole: Archive;

const zipped = (archive: Archive) => new Uint8Array(Buffer.concat([...writeArchive(archive)]));
const asBytes = zipped;
const asJson = (archive: unknown) => JSON.parse(JSON.stringify(archive)) as unknown;
const idOf = (app: App, name: string) => listCandidates(app.db).find((c) => c.name.startsWith(name))!.id;
const refusal = async (bytes: Uint8Array) => {
  try {
    await readArchive(bytes);
    return 'read';
  } catch (thrown) {
    return (thrown as Error).message;
  }
};
/** The archive with one of its files changed. */
const altered = (name: string, change: (value: never) => unknown) => {
  const files = unzipSync(asBytes(whole));
  files[name] = strToU8(JSON.stringify(change(JSON.parse(strFromU8(files[name]!)) as never)));
  return zipSync(files);
};

beforeAll(() => {
  demo = openDemo();
  whole = exportStudio(demo, TEACHER, {});
});

describe('the whole studio as an archive', () => {
  it('brings along how a new item climbs, where nothing is usual there yet', async () => {
    const [from, to] = [studio(), studio()];
    saveUsual(from, TEACHER, { schools: { inARow: 5, shape: 'equal-bpm' } });
    const read = async () => readArchive(asBytes(exportStudio(from, TEACHER, {})));
    await importArchive(to, TEACHER, { archive: await read() });
    expect(readUsual(to, TEACHER, {})).toEqual({ inARow: 5, shape: 'equal-bpm' });
    saveUsual(from, TEACHER, { schools: { inARow: 2 } });
    await importArchive(to, TEACHER, { archive: await read() });
    expect(readUsual(to, TEACHER, {})).toEqual({ inARow: 5, shape: 'equal-bpm' });
    expect(exportCandidate(demo, TEACHER, { candidateId: whole.candidates[0]!.id }).head).not.toHaveProperty(
      'usualSchools'
    );
  });

  it('brings along a list that nobody takes', async () => {
    const other = studio();
    await importArchive(other, TEACHER, { archive: await readArchive(asBytes(whole)) });
    const untaken = readCalls(other, TEACHER, {}).filter(({ takers }) => takers.length === 0);
    expect(untaken.map(({ name, items }) => [name, items.length])).toEqual([
      ['Lockkeepers’ Wind Academy', 2]
    ]);
  });

  it('goes out and into another studio to the identical content, and out again to the same bytes', async () => {
    const other = studio();
    const taken = await importArchive(other, TEACHER, { archive: await readArchive(asBytes(whole)) });
    expect(taken.candidates).toHaveLength(6);
    const again = exportStudio(other, TEACHER, {});
    expect(asJson(again.calls)).toEqual(asJson(whole.calls));
    // what a laying again agrees is compared by itself below
    const facts = (archive: Archive) =>
      asJson(
        archive.candidates.map((c) => ({ ...c, auditions: c.auditions.map((a) => ({ ...a, agreed: 0 })) }))
      );
    expect(facts(again)).toEqual(facts(whole));
    expect(zipped(whole)).toEqual(zipped(whole));
  });

  it('moves no date by moving house', async () => {
    const other = studio();
    await importArchive(other, TEACHER, { archive: await readArchive(asBytes(whole)) });
    layWaiting(other);
    for (const { auditions } of whole.candidates)
      for (const { id } of auditions) {
        const rungs = (app: App) =>
          readCountback(app, TEACHER, { auditionId: id }).plan!.items.map((i) => i.rungs.map((r) => r.date));
        expect(rungs(other)).toEqual(rungs(demo));
      }
  });

  it('is as docs/formats.md describes it', () => {
    const docs = readFileSync('docs/formats.md', 'utf8');
    const part = docs.slice(docs.indexOf('## Archive'));
    const [candidate] = whole.candidates;
    const keys = [
      ...Object.keys(whole.head),
      ...Object.keys(whole.calls[0]!),
      ...Object.keys(whole.calls[0]!.items[0]!),
      ...Object.keys(candidate!),
      ...Object.keys(candidate!.auditions[0]!),
      ...Object.keys(candidate!.auditions[0]!.items[0]!)
    ];
    for (const key of keys) expect(part, key).toContain(`\`${key}\``);
  });
});

describe('one candidate to take along', () => {
  it('brings the list, the log and the plan, and not the teacher’s private note', async () => {
    const archive = exportCandidate(demo, TEACHER, { candidateId: idOf(demo, 'Ilka') });
    expect(privateNoteOf(demo.db, idOf(demo, 'Ilka'))).not.toBe('');
    expect(JSON.stringify(archive)).not.toContain('Shy of the first entry');
    const other = studio();
    await importArchive(other, TEACHER, { archive: await readArchive(asBytes(archive)) });
    expect(listCandidates(other.db).map((c) => c.name)).toEqual(['Ilka Verbeeck']);
    const logged = archive.candidates[0]!.auditions[0]!.items.flatMap((i) => i.log);
    expect(logged.length).toBeGreaterThan(50);
  });

  it('finds a list that came along with another candidate in place', async () => {
    const other = studio();
    for (const name of ['Ilka', 'Jorre']) {
      const archive = exportCandidate(demo, TEACHER, { candidateId: idOf(demo, name) });
      await importArchive(other, TEACHER, { archive });
    }
    expect(exportStudio(other, TEACHER, {}).calls).toHaveLength(1);
  });

  it('is refused where the candidate is there already, and a list of a name that is there gets a number', async () => {
    const archive = exportCandidate(demo, TEACHER, { candidateId: idOf(demo, 'Ilka') });
    await expect(importArchive(demo, TEACHER, { archive })).rejects.toThrow(
      'Ilka Verbeeck is in this studio already'
    );
    // ids are uuids, and of what the desk has logged 32 signs
    const renamed = JSON.parse(
      JSON.stringify(archive).replaceAll(/"([0-9a-f]{8}-|[\w-]{32}")/g, '"x$1')
    ) as Archive;
    expect((await importArchive(demo, TEACHER, { archive: renamed })).lists).toEqual([
      'Saltmarsh Youth Winds'
    ]);
    expect(exportStudio(demo, TEACHER, {}).calls.map((c) => c.name)).toContain('Saltmarsh Youth Winds (2)');
  });
});

describe('a file that is no sound archive is refused with a sentence', () => {
  it.each([
    ['cut short', () => asBytes(whole).slice(0, 5000), 'cut short'],
    ['of other bytes', () => strToU8('not a zip at all'), 'no zip file'],
    ['empty', () => new Uint8Array(0), 'no zip file'],
    ['a zip of something else', () => zipSync({ 'readme.txt': strToU8('hello') }), 'no archive of a studio'],
    [
      'from a newer program',
      () => altered('archive.json', (head: object) => ({ ...head, version: 2 })),
      'newer program (version 2'
    ],
    [
      'with a hostile path',
      () => zipSync({ ...unzipSync(asBytes(whole)), '../../etc/passwd': strToU8('x') }),
      'does not belong there: ../../etc/passwd'
    ],
    [
      'with a missing file',
      () => altered('archive.json', (head: object) => ({ ...head, candidates: 7 })),
      'candidates/0007.json is missing'
    ],
    [
      'with foreign ids',
      () => altered('calls.json', (calls: { id: string }[]) => calls.map((c) => ({ ...c, id: `${c.id}x` }))),
      'takes a list that is not in it'
    ],
    [
      'with an id twice',
      () => altered('calls.json', (calls: object[]) => [...calls, calls[0]]),
      'stands in it twice'
    ],
    [
      'with a value outside its limits',
      () => altered('candidates/0001.json', (c: object) => ({ ...c, zone: 'Nowhere/Else' })),
      'In candidates/0001.json, zone: No such time zone'
    ],
    [
      'too large',
      () => zipSync({ 'archive.json': new Uint8Array(70 * 1024 * 1024) }, { level: 0 }),
      'at most 64 MB of records'
    ]
  ])('%s', async (_, bytes, says) => {
    const said = await refusal(bytes());
    expect(said).toContain(says);
  });

  it('and a round years ahead, before any plan is laid to it', async () => {
    const other = studio();
    const calls = whole.calls.map((c) => ({
      ...c,
      rounds: c.rounds.map((r) => ({ ...r, date: '2099-01-09' }))
    }));
    await expect(importArchive(other, TEACHER, { archive: { ...whole, calls } })).rejects.toThrow(
      '2099-01-09 is more than two years ahead. Check the year. Nothing was changed.'
    );
    expect(listCandidates(other.db)).toEqual([]);
  });

  it('leaves nothing half taken in', async () => {
    const other = studio();
    const broken = {
      ...whole,
      candidates: whole.candidates.map((c, i) => (i === 4 ? { ...c, id: whole.candidates[0]!.id } : c))
    };
    await expect(importArchive(other, TEACHER, { archive: broken })).rejects.toThrow(
      'in this studio already'
    );
    expect(listCandidates(other.db)).toEqual([]);
    expect(exportStudio(other, TEACHER, {}).calls).toEqual([]);
  });
});
