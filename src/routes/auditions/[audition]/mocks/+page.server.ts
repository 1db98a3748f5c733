import { type RequestEvent, fail } from '@sveltejs/kit';
import type { z } from 'zod';
import {
  bookForm,
  drawForm,
  jurorForm,
  jurorLinkForm,
  mockForm,
  moveForm,
  settleForm
} from '$lib/schema/mock';
import type { SharedLink, Undo } from '$lib/schema/view';
import { allow, fieldsOf, runAs, sayRefusal } from '$lib/server/http';
import { linkFor } from '$lib/server/reach';
import { settleNote } from '$lib/server/usecase/ballot';
import {
  bookMock,
  drawAgain,
  dropMock,
  endJuror,
  inviteJuror,
  moveMock,
  openBallots,
  readMocks
} from '$lib/server/usecase/mocks';
import type { Actions, PageServerLoad } from './$types';

type Event = RequestEvent<{ audition: string }>;
type Answer = { readonly undo?: Undo; readonly link?: SharedLink; readonly invited?: string };

export const load: PageServerLoad = (event) => ({
  view: runAs(event, readMocks, { auditionId: event.params.audition })
});

/** Reads a small form and carries it out; a fault and a refusal are said where they belong. */
async function act<T extends z.ZodType>(
  event: Event,
  what: string,
  form: T,
  run: (read: z.infer<T>) => Answer | void
) {
  allow(event, readMocks, { auditionId: event.params.audition });
  const read = form.safeParse((await fieldsOf(event)).record());
  if (!read.success) return fail(400, { what, fault: read.error.issues[0]!.message });
  try {
    return run(read.data) ?? {};
  } catch (thrown) {
    return fail(400, { what, fault: sayRefusal(thrown) });
  }
}
const undo = (says: string, token: string): Answer => ({ undo: { says, token } });

export const actions: Actions = {
  book: (event) =>
    act(event, 'book', bookForm, ({ id, count, isInOrder, ...booked }) => {
      const { audition: auditionId } = event.params;
      const drawing = { count, isInOrder: isInOrder !== '' };
      return undo(
        'It is booked, and the plan is laid again around it.',
        runAs(event, bookMock, { auditionId, id, booked, drawing })
      );
    }),
  move: (event) =>
    act(event, 'move', moveForm, ({ mock: mockId, ...booked }) =>
      undo('It is moved.', runAs(event, moveMock, { mockId, booked }))
    ),
  draw: (event) =>
    act(event, 'draw', drawForm, ({ mock: mockId, count, isInOrder }) =>
      undo(
        'It is drawn again.',
        runAs(event, drawAgain, { mockId, drawing: { count, isInOrder: isInOrder !== '' } })
      )
    ),
  drop: (event) =>
    act(event, 'drop', mockForm, ({ mock: mockId }) =>
      undo('It is given up.', runAs(event, dropMock, { mockId }))
    ),
  juror: (event) =>
    act(event, 'juror', jurorForm, ({ mock: mockId, name }) => {
      const token = runAs(event, inviteJuror, { mockId, name, jurorId: null });
      return { link: linkFor(event.url, `/ballot/${token}`), invited: name };
    }),
  link: (event) =>
    act(event, 'juror', jurorLinkForm, ({ mock: mockId, juror: jurorId }) => {
      const token = runAs(event, inviteJuror, { mockId, name: '', jurorId });
      return { link: linkFor(event.url, `/ballot/${token}`) };
    }),
  endJuror: (event) =>
    act(event, 'juror', jurorLinkForm, ({ mock: mockId, juror: jurorId }) =>
      runAs(event, endJuror, { mockId, jurorId })
    ),
  open: (event) => act(event, 'open', mockForm, ({ mock: mockId }) => runAs(event, openBallots, { mockId })),
  settle: (event) =>
    act(event, 'settle', settleForm, ({ mock: mockId, juror: jurorId, isTaken, ...place }) =>
      runAs(event, settleNote, { mockId, jurorId, isTaken: isTaken !== '', ...place })
    )
};
