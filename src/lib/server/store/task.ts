/** Tasks around an audition, in the order in which they were entered. */
import type { Task, TaskDate } from '../../core/record';
import { type Db, preparedOnce } from '../db/open';

type Row = { id: string; name: string; due_on: string | null; who: string; done_on: string | null };

const statements = preparedOnce((db) => ({
  of: db.prepare<[string], Row>(
    'SELECT id, name, due_on, who, done_on FROM task WHERE audition_id = ? ORDER BY place'
  ),
  add: db.prepare(
    `INSERT INTO task (id, audition_id, place, name, due_on, who, done_on)
     VALUES (@id, @auditionId, @place, @name, @dueOn, @who, @doneOn)`
  ),
  dropAll: db.prepare('DELETE FROM task WHERE audition_id = ?')
}));

export const tasksOf = (db: Db, auditionId: string): Task[] =>
  statements(db)
    .of.all(auditionId)
    .map(({ id, name, due_on: dueOn, who, done_on: doneOn }) => ({ id, name, dueOn, who, doneOn }));

/** All of them, instead of those before. */
export function putTasks(db: Db, auditionId: string, tasks: readonly Task[]): void {
  statements(db).dropAll.run(auditionId);
  tasks.forEach((task, place) => statements(db).add.run({ ...task, auditionId, place }));
}

/** Those that are open, as dates of the season. */
export const datesOfTasks = (db: Db, auditionId: string): TaskDate[] =>
  tasksOf(db, auditionId).flatMap(({ name, dueOn, doneOn }) =>
    dueOn === null || doneOn !== null ? [] : [{ date: dueOn, name, kind: 'task' as const }]
  );
