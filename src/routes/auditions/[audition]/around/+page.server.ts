import type { RequestEvent } from '@sveltejs/kit';
import { z } from 'zod';
import { dropTaskForm, taskForm, tickForm } from '$lib/schema/task-form';
import { allow, runAs } from '$lib/server/http';
import { smallForms, undoable } from '$lib/server/small-form';
import { addUsualTasks, dropTask, putTask, readTasks, tickTask } from '$lib/server/usecase/around';
import type { Actions, PageServerLoad } from './$types';

type Event = RequestEvent<{ audition: string }>;
const aboutOf = ({ params }: Event) => ({ auditionId: params.audition });

export const load: PageServerLoad = (event) => ({ view: runAs(event, readTasks, aboutOf(event)) });

const act = smallForms<Event>((event) => allow(event, putTask, aboutOf(event)));

export const actions: Actions = {
  put: (event) =>
    act(event, 'put', taskForm, (task) =>
      undoable('It is kept.', runAs(event, putTask, { ...aboutOf(event), task }))
    ),
  tick: (event) =>
    act(event, 'tick', tickForm, ({ id, isDone }) =>
      undoable(
        isDone ? 'It is done.' : 'It is open again.',
        runAs(event, tickTask, { ...aboutOf(event), id, isDone: isDone !== '' })
      )
    ),
  drop: (event) =>
    act(event, 'drop', dropTaskForm, ({ id }) =>
      undoable('It is taken out.', runAs(event, dropTask, { ...aboutOf(event), id }))
    ),
  usual: (event) =>
    act(event, 'usual', z.object({}), () =>
      undoable('They are entered.', runAs(event, addUsualTasks, aboutOf(event)))
    )
};
