import { type ActionFailure, type RequestEvent, fail, isHttpError } from '@sveltejs/kit';
import type { z } from 'zod';
import { answerForm, noteForm, stepForm, targetForm, weekForm } from '$lib/schema/lesson-form';
import { STEPS, stepKey } from '$lib/schema/item-form';
import { exceptionsText } from '$lib/schema/time';
import { ask } from '$lib/server/http';
import {
  answerWish,
  readLesson,
  saveLessonNote,
  setDayMinutes,
  setStep,
  setTarget
} from '$lib/server/usecase/lesson';
import { orderItems, readList } from '$lib/server/usecase/list';
import { takeBackAway } from '$lib/server/usecase/studio';
import type { Undo } from '$lib/schema/view';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = (event) => ({
  lesson: ask(event, readLesson, { auditionId: event.params.audition })
});

type Answer = Promise<{ undo: Undo | null } | ActionFailure<{ fault: string }>>;

/** Carries a decision out; what is wrong comes back as a sentence, and nothing is changed. */
async function decide<T>(schema: z.ZodType<T>, typed: unknown, run: (value: T) => Undo | null): Answer {
  const read = schema.safeParse(typed);
  if (!read.success) return fail(400, { fault: read.error.issues[0]!.message });
  try {
    return { undo: run(read.data) };
  } catch (thrown) {
    if (isHttpError(thrown) && thrown.status < 500) return fail(400, { fault: thrown.body.message });
    throw thrown;
  }
}

const fieldsOf = async (event: RequestEvent) => Object.fromEntries(await event.request.formData());

/** The candidate of this audition, asked in the teacher's name. */
const lessonOf = (event: RequestEvent) => ask(event, readLesson, { auditionId: event.params.audition! });

export const actions: Actions = {
  target: async (event) =>
    decide(targetForm, await fieldsOf(event), (to) => {
      const before = ask(event, setTarget, to);
      const fields = { itemId: to.itemId, sectionId: to.sectionId, bpm: String(before) };
      return { says: `Target ${before} is now ${to.bpm}.`, action: 'target', fields };
    }),
  step: async (event) =>
    decide(stepForm, await fieldsOf(event), ({ itemId, step }) => {
      const before = ask(event, setStep, { itemId, step: STEPS[step] });
      return { says: 'The step is changed.', action: 'step', fields: { itemId, step: stepKey(before) } };
    }),
  order: async (event) => {
    const auditionId = event.params.audition;
    const ids = String((await event.request.formData()).get('ids') ?? '').split(',');
    const before = ask(event, readList, { auditionId }).items.map((item) => item.id);
    ask(event, orderItems, { auditionId, ids });
    const undo: Undo = { says: 'The order is changed.', action: 'order', fields: { ids: before.join(',') } };
    return { undo };
  },
  week: async (event) => {
    const data = await event.request.formData();
    const dates = data.getAll('date').map(String);
    const minutes = data.getAll('minutes');
    return decide(
      weekForm,
      dates.map((date, i) => ({ date, minutes: minutes[i] })),
      (days) => {
        const candidateId = lessonOf(event).candidate.id;
        const before = ask(event, setDayMinutes, { candidateId, days });
        const fields = { exceptions: JSON.stringify(before) };
        return { says: 'The minutes of next week are changed.', action: 'weekBack', fields };
      }
    );
  },
  weekBack: async (event) => {
    const text = (await event.request.formData()).get('exceptions');
    return decide(exceptionsText, text, (exceptions) => {
      ask(event, takeBackAway, { candidateId: lessonOf(event).candidate.id, exceptions });
      return null;
    });
  },
  note: async (event) =>
    decide(noteForm, await fieldsOf(event), ({ note }) => {
      const { candidate, note: before } = lessonOf(event);
      ask(event, saveLessonNote, { candidateId: candidate.id, note });
      return { says: 'The note is saved; the candidate reads it.', action: 'note', fields: { note: before } };
    }),
  wish: async (event) =>
    decide(answerForm, await fieldsOf(event), (answer) => {
      ask(event, answerWish, answer);
      if (answer.answer === null) return null;
      const fields = { wishId: answer.wishId, answer: '' };
      return { says: `The wish is answered: ${answer.answer}.`, action: 'wish', fields };
    })
};
