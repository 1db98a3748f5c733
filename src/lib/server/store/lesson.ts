/** What lessons leave: notes to take home, one a day, and a candidate's wishes with their answers. */
import type { LessonNote, Wish, WishAnswer, WishAsk } from '../../core/record';
import { type Db, preparedOnce } from '../db/open';

export type { Wish, WishAnswer };

type WishRow = {
  id: string;
  made_on: string;
  says: string;
  answer: WishAnswer | null;
  asks_json: string | null;
  reply: string;
};

const statements = preparedOnce((db) => ({
  notes: db.prepare<[string], LessonNote>(
    'SELECT date, note FROM lesson_note WHERE candidate_id = ? ORDER BY date DESC'
  ),
  putNote: db.prepare(
    `INSERT INTO lesson_note (candidate_id, date, note) VALUES (?, ?, ?)
     ON CONFLICT (candidate_id, date) DO UPDATE SET note = excluded.note`
  ),
  dropNote: db.prepare('DELETE FROM lesson_note WHERE candidate_id = ? AND date = ?'),
  wishes: db.prepare<[string], WishRow>(
    'SELECT id, made_on, says, answer, asks_json, reply FROM wish WHERE candidate_id = ? ORDER BY made_on DESC, rowid DESC'
  ),
  addWish: db.prepare(
    'INSERT INTO wish (id, candidate_id, made_on, says, answer, asks_json, reply) VALUES (?, ?, ?, ?, ?, ?, ?)'
  ),
  countWaiting: db.prepare<[string], { n: number }>(
    'SELECT count(*) AS n FROM wish WHERE candidate_id = ? AND answer IS NULL'
  ),
  candidateOf: db.prepare<[string], { candidate_id: string }>('SELECT candidate_id FROM wish WHERE id = ?'),
  answer: db.prepare('UPDATE wish SET answer = ?, reply = ? WHERE id = ?'),
  dropWish: db.prepare('DELETE FROM wish WHERE id = ?')
}));

/** Newest first. */
export const lessonNotesOf = (db: Db, candidateId: string): LessonNote[] =>
  statements(db).notes.all(candidateId);
/** An empty note is none. */
export function putLessonNote(db: Db, candidateId: string, { date, note }: LessonNote): void {
  if (note === '') statements(db).dropNote.run(candidateId, date);
  else statements(db).putNote.run(candidateId, date, note);
}
/** Newest first. */
export const wishesOf = (db: Db, candidateId: string): Wish[] =>
  statements(db)
    .wishes.all(candidateId)
    .map(({ id, made_on, says, answer, asks_json, reply }) => ({
      ...{ id, madeOn: made_on, says, answer },
      ...(asks_json === null ? {} : { asks: JSON.parse(asks_json) as WishAsk }),
      ...(reply === '' ? {} : { reply })
    }));
export const countWaitingWishes = (db: Db, candidateId: string): number =>
  statements(db).countWaiting.get(candidateId)!.n;
export const addWish = (db: Db, candidateId: string, { id, madeOn, says, answer, asks, reply = '' }: Wish) =>
  statements(db).addWish.run(
    id,
    candidateId,
    madeOn,
    says,
    answer,
    asks ? JSON.stringify(asks) : null,
    reply
  );
export const candidateOfWish = (db: Db, id: string) => statements(db).candidateOf.get(id)?.candidate_id;
export const answerWish = (db: Db, id: string, answer: WishAnswer | null, reply: string) =>
  statements(db).answer.run(answer, reply, id);
export const dropWish = (db: Db, id: string) => statements(db).dropWish.run(id);
