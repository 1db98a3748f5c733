import { createHash } from 'node:crypto';
import {
  mkdtempSync,
  readFileSync,
  readdirSync,
  rmSync,
  statSync,
  symlinkSync,
  writeFileSync
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { tonesWav } from '../demo/tones-wav';
import type { Sound } from '../../core/record';
import { readRange } from '../files/serve';
import { receiverOf } from './receive';
import { readSound } from './sound';

const TAKE = '6f1c0f7e-9a51-4a0b-8b1e-0d1f3c9a7e11';
const WAV = tonesWav([
  { frequency: 440, seconds: 0.5 },
  { frequency: 0, seconds: 0.25 }
]);
const hashOf = (bytes: Uint8Array) => createHash('sha256').update(bytes).digest('hex');

let folder: string;
let kept: [string, Sound][];
let refused: string[];
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'irvot-takes-'));
  kept = [];
  refused = [];
});
afterEach(() => rmSync(folder, { recursive: true }));

const sending = () => join(folder, 'sending');
const files = () => join(folder, 'files');
const receiver = (keep = (id: string, sound: Sound) => void kept.push([id, sound])) =>
  receiverOf(sending(), files(), keep, (id) => void refused.push(id));

type Sent = Uint8Array | ReadableStream<Uint8Array>;
type Receiver = ReturnType<typeof receiver>;
const ask = (to: Receiver, method: string, headers: Record<string, string>, body?: Sent) =>
  to.handleWeb(
    new Request(`http://studio/takes/${TAKE}/sending`, {
      method,
      headers: { 'tus-resumable': '1.0.0', ...headers },
      ...(body === undefined ? {} : { body, duplex: 'half' })
    } as unknown as RequestInit)
  );
const begin = (to: Receiver, bytes: Uint8Array) => ask(to, 'POST', { 'upload-length': String(bytes.length) });
const part = (to: Receiver, at: number, body: Sent) =>
  ask(to, 'PATCH', { 'upload-offset': String(at), 'content-type': 'application/offset+octet-stream' }, body);
const isAt = async (to: Receiver) => Number((await ask(to, 'HEAD', {})).headers.get('upload-offset'));

/** A body of which the line breaks behind some bytes. */
const broken = (bytes: Uint8Array) =>
  new ReadableStream<Uint8Array>({
    start: (stream) => {
      stream.enqueue(bytes);
      setTimeout(() => stream.error(new Error('no line')), 5);
    }
  });

describe('a sound that is sent in pieces', () => {
  it('arrives whole and once, wherever the line breaks and whatever is sent twice', async () => {
    const cuts = fc.array(
      fc.record({
        share: fc.double({ min: 0.01, max: 1, noNaN: true }),
        isBroken: fc.boolean(),
        isTwice: fc.boolean()
      }),
      { minLength: 1, maxLength: 6 }
    );
    await fc.assert(
      fc.asyncProperty(cuts, async (pieces) => {
        rmSync(files(), { recursive: true, force: true });
        kept = [];
        let to = receiver();
        expect((await begin(to, WAV)).status).toBe(201);
        for (const { share, isBroken, isTwice } of pieces) {
          const at = await isAt(to);
          const piece = WAV.subarray(at, at + Math.floor(share * (WAV.length - at)));
          if (piece.length === 0 || at + piece.length === WAV.length) continue;
          await part(to, at, isBroken ? broken(piece) : piece).catch(() => null);
          // sent again since its answer was lost: it is not where that begins
          if (isTwice && (await isAt(to)) > at) expect((await part(to, at, piece)).status).toBe(409);
          // the studio was started anew meanwhile
          to = receiver();
        }
        const at = await isAt(to);
        expect((await part(to, at, WAV.subarray(at))).status).toBe(204);
        expect(kept).toEqual([
          [TAKE, { name: hashOf(WAV), kind: 'audio/wav', bytes: WAV.length, lengthMs: 750 }]
        ]);
        expect(readFileSync(join(files(), hashOf(WAV)))).toEqual(WAV);
        expect(readdirSync(sending())).toEqual([]);
      }),
      { seed: 16, numRuns: 25 }
    );
  });

  it('is readable by its owner alone, and there once however many takes have it', async () => {
    const to = receiver();
    for (let i = 0; i < 2; i += 1) {
      await begin(to, WAV);
      await part(to, 0, WAV);
    }
    expect(kept).toHaveLength(2);
    expect(readdirSync(files())).toEqual([hashOf(WAV)]);
    expect(statSync(join(files(), hashOf(WAV))).mode & 0o077).toBe(0);
  });

  it('is refused with a sentence, and nothing of it is kept, where it is too large or no sound', async () => {
    const to = receiver();
    const large = await ask(to, 'POST', { 'upload-length': '3000000000' });
    expect(large.status).toBe(413);
    const png = Buffer.from('89504e470d0a1a0a0000000d49484452', 'hex');
    await begin(to, png);
    const answer = await part(to, 0, png);
    expect([answer.status, await answer.text()]).toEqual([
      415,
      'This is no sound that can be read. Nothing was kept of it.'
    ]);
    expect([kept, refused]).toEqual([[], [TAKE]]);
    expect(readdirSync(sending())).toEqual([]);
  });

  it('is told that the disk is full, leaves room for the others, and begins anew when there is room', async () => {
    const to = receiver();
    await begin(to, WAV);
    rmSync(join(sending(), TAKE));
    // every write to this device says that there is no room
    symlinkSync('/dev/full', join(sending(), TAKE));
    const answer = await part(to, 0, WAV);
    expect([answer.status, await answer.text()]).toEqual([507, expect.stringContaining('is full')]);
    expect(readdirSync(sending())).toEqual([]);
    expect((await ask(to, 'HEAD', {})).status).toBe(404);
    await begin(to, WAV);
    expect((await part(to, 0, WAV)).status).toBe(204);
    expect(kept).toHaveLength(1);
  });

  it('goes again where its take is gone meanwhile', async () => {
    const to = receiver(() => {
      throw new Error('gone');
    });
    await begin(to, WAV);
    expect((await part(to, 0, WAV)).status).toBe(500);
    expect(readdirSync(files())).toEqual([]);
  });

  it('stays where another take has the same, though its own is gone meanwhile', async () => {
    const to = receiver((id, sound) => {
      kept.push([id, sound]);
      if (kept.length === 2) throw new Error('gone');
    });
    for (const status of [204, 500]) {
      await begin(to, WAV);
      expect((await part(to, 0, WAV)).status).toBe(status);
    }
    expect(readdirSync(files())).toEqual([hashOf(WAV)]);
  });
});

describe('what a file is', () => {
  const faultOf = async (bytes: Uint8Array) => {
    writeFileSync(join(folder, 'x'), bytes);
    return readSound(join(folder, 'x')).then(
      () => null,
      (thrown: Error) => thrown.message
    );
  };
  it('is told by its content, and what is cut, empty or something else is refused', async () => {
    expect(await faultOf(WAV)).toBeNull();
    expect(await faultOf(new Uint8Array())).toMatch('no sound');
    expect(await faultOf(Buffer.from('%PDF-1.7 '.repeat(200)))).toMatch('no sound');
    // a head without a sample
    expect(await faultOf(WAV.subarray(0, 44))).toMatch(/nothing in this sound|no sound/);
  });

  it('is silence as well as music, at 8 kHz as well as at 48', async () => {
    const quiet = tonesWav([{ frequency: 0, seconds: 1 }]);
    expect(await faultOf(quiet)).toBeNull();
    const slow = Buffer.from(quiet);
    slow.writeUInt32LE(8000, 24);
    slow.writeUInt32LE(16_000, 28);
    writeFileSync(join(folder, 'y'), slow);
    // the same samples last six times as long
    expect((await readSound(join(folder, 'y'))).lengthMs).toBe(6000);
  });
});

describe('a part of a file', () => {
  // RFC 9110, section 14.1.2
  it.each([
    [null, 'all'],
    ['bytes=0-499', [0, 499]],
    ['bytes=500-999', [500, 999]],
    ['bytes=-500', [9500, 9999]],
    ['bytes=9500-', [9500, 9999]],
    ['bytes=0-0', [0, 0]],
    ['bytes=9990-20000', [9990, 9999]],
    ['bytes=10000-', null],
    ['bytes=5-2', null],
    ['bytes=-0', null],
    ['bytes=0-0,-1', 'all'],
    ['lines=1-2', 'all']
  ])('%s of 10,000 bytes', (header, part) => {
    expect(readRange(header, 10_000)).toEqual(part);
  });
});
