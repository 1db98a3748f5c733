/** Around an audition: tasks that are not played, each with a day, a person and a tick. */
import { usualTasks } from '../../core/around';
import { type Task, familyOf } from '../../core/record';
import { type App, todayIn } from '../app';
import { applyChange } from '../change/apply';
import { boundCount, boundDates } from '../change/bounds';
import { orNotFound } from '../errors';
import { findAudition } from '../store/audition';
import { findCandidate } from '../store/candidate';
import { putTasks, tasksOf } from '../store/task';
import { lastTimesOf } from './before';
import { candidateOfAudition } from './owner';
import { useCase } from './use-case';

export const readTasks = useCase({
  rule: 'see',
  owner: candidateOfAudition,
  run(app: App, { auditionId }: { auditionId: string }) {
    const { audition, candidate } = both(app, auditionId);
    return {
      audition: { id: audition.id, name: audition.name },
      candidate: { id: candidate.id, name: candidate.name },
      today: todayIn(app, candidate.zone),
      tasks: tasksOf(app.db, auditionId),
      /** A round to which takes are sent. */
      isRecorded: audition.rounds.some(({ uploadBy }) => uploadBy !== undefined),
      times: lastTimesOf(app, { audition, candidate, own: { today: todayIn(app, candidate.zone) } })
    };
  }
});

function both(app: App, auditionId: string) {
  const audition = orNotFound(findAudition(app.db, auditionId));
  return { audition, candidate: orNotFound(findCandidate(app.db, audition.candidateId)) };
}

/** The usual ones, for an audition as it is known now. */
function usualOf(app: App, auditionId: string): Task[] {
  const { audition, candidate } = both(app, auditionId);
  const today = todayIn(app, candidate.zone);
  const ahead = <T extends { readonly date: string }>(all: readonly T[]) =>
    all
      .map(({ date }) => date)
      .filter((date) => date >= today)
      .sort()[0] ?? null;
  return usualTasks({
    deadline: ahead(audition.call.dates.filter(({ kind }) => kind === 'deadline')),
    round: ahead(audition.rounds),
    family: familyOf(candidate.instruments),
    today
  }).map(({ name, dueOn }) => ({ id: app.newId(), name, dueOn, who: '', doneOn: null }));
}

/** What comes with a new audition: the usual tasks, to be edited as one likes. */
export const bringUsualTasks = (app: App, auditionId: string): void =>
  putTasks(app.db, auditionId, usualOf(app, auditionId));

function change(app: App, auditionId: string, to: readonly Task[], cause: string): string {
  const { audition, candidate } = both(app, auditionId);
  boundCount('tasks', to.length);
  // what was entered long ago stays, however old it is by now
  const before = new Set(tasksOf(app.db, auditionId).map(({ dueOn }) => dueOn));
  const fresh = to.map(({ dueOn }) => dueOn).filter((date) => !before.has(date));
  boundDates(app, candidate.zone, fresh);
  const edit = { kind: 'tasks' as const, about: { auditionId }, to };
  return applyChange(app, { candidateId: audition.candidateId, edits: [edit], cause });
}

/** Enters a task, or changes the one of that id. Returns the secret by which it can be taken back. */
export const putTask = useCase({
  rule: 'own',
  owner: candidateOfAudition,
  run(app: App, input: { auditionId: string; task: Omit<Task, 'doneOn'> }): string {
    const { auditionId, task } = input;
    const all = tasksOf(app.db, auditionId);
    const to =
      task.id === ''
        ? [...all, { ...task, id: app.newId(), doneOn: null }]
        : all.map((one) => (one.id === task.id ? { ...task, doneOn: one.doneOn } : one));
    if (task.id !== '') orNotFound(all.find(({ id }) => id === task.id));
    return change(app, auditionId, to, 'a task');
  }
});

/** It is done today, or is not after all. */
export const tickTask = useCase({
  rule: 'own',
  owner: candidateOfAudition,
  run(app: App, { auditionId, id, isDone }: { auditionId: string; id: string; isDone: boolean }): string {
    const all = tasksOf(app.db, auditionId);
    orNotFound(all.find((one) => one.id === id));
    const doneOn = isDone ? todayIn(app, both(app, auditionId).candidate.zone) : null;
    const to = all.map((one) => (one.id === id ? { ...one, doneOn } : one));
    return change(app, auditionId, to, isDone ? 'a task done' : 'a task not done');
  }
});

export const dropTask = useCase({
  rule: 'own',
  owner: candidateOfAudition,
  run(app: App, { auditionId, id }: { auditionId: string; id: string }): string {
    const all = tasksOf(app.db, auditionId);
    orNotFound(all.find((one) => one.id === id));
    return change(
      app,
      auditionId,
      all.filter((one) => one.id !== id),
      'a task taken out'
    );
  }
});

/** The usual ones are entered beside those that are there; of one that is there by its name nothing changes but a day it did not have. */
export const addUsualTasks = useCase({
  rule: 'own',
  owner: candidateOfAudition,
  run(app: App, { auditionId }: { auditionId: string }): string {
    const all = tasksOf(app.db, auditionId);
    const usual = usualOf(app, auditionId);
    const dated = all.map((one) => ({
      ...one,
      dueOn: one.dueOn ?? usual.find(({ name }) => name === one.name)?.dueOn ?? null
    }));
    const names = new Set(all.map(({ name }) => name));
    const fresh = usual.filter(({ name }) => !names.has(name));
    return change(app, auditionId, [...dated, ...fresh], 'the usual tasks');
  }
});
