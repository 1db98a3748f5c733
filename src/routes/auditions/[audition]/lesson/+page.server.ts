import { type ActionFailure, type RequestEvent, fail } from '@sveltejs/kit';
import type { z } from 'zod';
import { answerForm, noteForm, stepForm, targetForm, weekForm } from '$lib/schema/lesson-form';
import { pinRungForm } from '$lib/schema/pin-form';
import { dayOf, sayBpm, sayDate } from '$lib/core/units';
import { STEPS } from '$lib/schema/steps';
import { fillLogLine, logLine } from '$lib/server/form/log-line';
import { keepSpotLine } from '$lib/server/form/spot-line';
import { allow, runAs, fieldsOf, sayRefusal } from '$lib/server/http';
import { readLesson, saveLessonNote, setDayMinutes, setStep, setTarget } from '$lib/server/usecase/lesson';
import { answerWish } from '$lib/server/usecase/wish';
import { pinMilestone } from '$lib/server/usecase/pin';
import { orderItems } from '$lib/server/usecase/list';
import { readOwner } from '$lib/server/usecase/studio';
import type { Undo } from '$lib/schema/view';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async (event) => ({
  lesson: runAs(event, readLesson, { auditionId: event.params.audition }),
  line: await fillLogLine()
});

type Answer = Promise<{ undo: Undo } | ActionFailure<{ fault: string; noteNow?: string }>>;
type Fields = Awaited<ReturnType<typeof fieldsOf>>;

/** Carries a decision of a lesson out; what is wrong comes back as a sentence, and nothing is changed. */
function decide<T>(
  schema: z.ZodType<T>,
  run: (event: RequestEvent<{ audition: string }>, value: T) => Undo,
  typed: (fields: Fields) => unknown = (fields) => fields.record()
) {
  return async (event: RequestEvent<{ audition: string }>): Answer => {
    allow(event, readLesson, undefined);
    const read = schema.safeParse(typed(await fieldsOf(event)));
    if (!read.success) return fail(400, { fault: read.error.issues[0]!.message });
    try {
      return { undo: run(event, read.data) };
    } catch (thrown) {
      return fail(400, { fault: sayRefusal(thrown) });
    }
  };
}

/** The candidate of this audition. */
const candidateOf = (event: RequestEvent<{ audition: string }>) =>
  runAs(event, readOwner, { auditionId: event.params.audition });

const readWeek = (fields: Fields) => {
  const minutes = fields.all('minutes');
  return fields.all('date').map((date, i) => ({ date, minutes: minutes[i] }));
};

const saveNote = decide(noteForm, (event, { note, was }) => ({
  says: 'The note is saved; the candidate reads it.',
  token: runAs(event, saveLessonNote, { candidateId: candidateOf(event), note, was })
}));

export const actions: Actions = {
  target: decide(targetForm, (event, to) => ({
    says: `The target is now ${sayBpm(to.bpm)}.`,
    token: runAs(event, setTarget, to)
  })),
  step: decide(stepForm, (event, { itemId, step }) => ({
    says: 'The step is changed.',
    token: runAs(event, setStep, { itemId, step: STEPS[step] })
  })),
  order: async (event) => {
    allow(event, orderItems, undefined);
    const ids = (await fieldsOf(event)).get('ids').split(',');
    const token = runAs(event, orderItems, { auditionId: event.params.audition, ids });
    const undo: Undo = { says: 'The order is changed.', token };
    return { undo };
  },
  week: decide(
    weekForm,
    (event, days) => ({
      says: 'The minutes of next week are changed.',
      token: runAs(event, setDayMinutes, { candidateId: candidateOf(event), days })
    }),
    readWeek
  ),
  note: async (event) => {
    const answer = await saveNote(event);
    if ('undo' in answer) return answer;
    // what another window saved: whoever saves again has been told of it
    const { note: noteNow } = runAs(event, readLesson, { auditionId: event.params.audition });
    return fail(answer.status, { ...answer.data, noteNow });
  },
  line: logLine,
  /** A milestone is kept as a pin of its rung. */
  pin: decide(pinRungForm, (event, pin) => ({
    says: `The rung ${sayBpm(pin.bpm)} is pinned to ${sayDate(dayOf(pin.date))}.`,
    token: runAs(event, pinMilestone, pin)
  })),
  spot: keepSpotLine,
  wish: decide(answerForm, (event, answer) => {
    const { token, isDone } = runAs(event, answerWish, answer);
    const done = isDone ? 'It is done, and the plan is laid again.' : 'The candidate reads it.';
    return { says: `The wish is answered: ${answer.answer}. ${done}`, token };
  })
};
