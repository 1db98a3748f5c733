/**
 * A process to be killed: it works on a studio in a directory and says, at once and line by line, what it was told is kept.
 *   write DIRECTORY    logs touch after touch      write-unsynced DIRECTORY   the same, with the syncs of before
 *   backup DIRECTORY   makes backup after backup
 */
import { writeSync } from 'node:fs';
import { type Who, makeApp } from '../../src/lib/server/app';
import { makeBackup } from '../../src/lib/server/db/backup';
import { backupsOf, openStudio } from '../../src/lib/server/db/studio-file';
import { addAudition } from '../../src/lib/server/usecase/call';
import { addItem, readList } from '../../src/lib/server/usecase/list';
import { logTouch } from '../../src/lib/server/usecase/log';
import { addCandidate, readStudio } from '../../src/lib/server/usecase/studio';
import { STUDY } from '../fixtures/small-studio';

const NOW = Date.parse('2026-11-24T08:00:00Z');
const TEACHER: Who = { kind: 'teacher', accountId: 't', name: 'Teacher' };
const [work, directory] = process.argv.slice(2) as [string, string];
const say = (line: string) => writeSync(1, `${line}\n`);

const db = openStudio(directory);
if (work === 'write-unsynced') db.pragma('synchronous = NORMAL');
const app = makeApp(db, () => NOW);
const itemId = findItem() ?? makeItem();
say('ready');
if (work === 'backup')
  for (let second = 0; ; second += 1) say(await makeBackup(db, backupsOf(directory), NOW + second * 1000));
for (;;) say(logTouch(app, TEACHER, { itemId, date: '2026-11-24', minutes: 5 }).id);

function findItem(): string | undefined {
  const audition = readStudio(app, TEACHER, {}).rows[0]?.auditions[0];
  return audition && readList(app, TEACHER, { auditionId: audition.id }).items[0]?.id;
}

function makeItem(): string {
  const zone = 'Europe/Brussels';
  const candidateId = addCandidate(app, TEACHER, { name: 'Ada', instruments: 'oboe', zone });
  const rounds = [{ id: '', name: 'first round', date: '2027-01-09', zone, isHistory: false }];
  const auditionId = addAudition(app, TEACHER, { candidateId, name: 'Wind band', rounds, dates: [] });
  return addItem(app, TEACHER, { auditionId, item: STUDY });
}
