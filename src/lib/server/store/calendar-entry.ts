/** What has gone out in calendar files, so that a new file can update or cancel it. */
import { type Db, preparedOnce } from '../db/open';

export type CalendarEntryRow = { uid: string; date: string; sequence: number; digest: string };

const statements = preparedOnce((db) => ({
  from: db.prepare<[string, string], CalendarEntryRow>(
    'SELECT uid, date, sequence, digest FROM calendar_entry WHERE audition_id = ? AND date >= ?'
  ),
  put: db.prepare(
    `INSERT INTO calendar_entry (uid, audition_id, date, sequence, digest) VALUES (?, ?, ?, ?, ?)
     ON CONFLICT (uid) DO UPDATE SET date = excluded.date, sequence = excluded.sequence, digest = excluded.digest`
  )
}));

export const entriesFrom = (db: Db, auditionId: string, date: string) =>
  statements(db).from.all(auditionId, date);
export const putEntry = (db: Db, auditionId: string, row: CalendarEntryRow) =>
  statements(db).put.run(row.uid, auditionId, row.date, row.sequence, row.digest);
