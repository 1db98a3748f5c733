import { mkdtempSync, readFileSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { keepLog, serverLog } from './log';

const folder = mkdtempSync(join(tmpdir(), 'irvot-log-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

describe('the server’s log', () => {
  it('gives way to a new file when it is full, says where an error came from, and not what was typed', () => {
    const file = join(folder, 'irvot.log');
    writeFileSync(file, `${'x'.repeat(10 * 1024 * 1024 + 1)}\n`);
    keepLog(file);
    serverLog.error({ err: new RangeError('not a civil date: what somebody typed') }, 'unknown error');
    const [line] = readFileSync(file, 'utf8').split('\n');
    expect(JSON.parse(line!)).toMatchObject({ msg: 'unknown error', err: { type: 'RangeError' } });
    expect(line).toContain('log.test.ts');
    expect(line).not.toContain('somebody typed');
    expect(readdirSync(folder).sort()).toEqual(['irvot.log', 'irvot.log.1']);
    expect(statSync(file).mode & 0o077).toBe(0);
  });

  it('ends nothing where it cannot be written', () => {
    // a device of the system on which every write fails for want of room
    keepLog('/dev/full');
    serverLog.error({ err: new RangeError('x') }, 'first');
    expect(() => serverLog.error({ err: new RangeError('x') }, 'second')).not.toThrow();
    expect(readFileSync(join(folder, 'irvot.log'), 'utf8')).toContain('"second"');
  });
});
