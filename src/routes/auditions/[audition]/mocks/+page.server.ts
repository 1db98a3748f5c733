import type { RequestEvent } from '@sveltejs/kit';
import {
  bookForm,
  drawForm,
  hearForm,
  jurorForm,
  jurorLinkForm,
  limitsIn,
  mockForm,
  moveForm,
  settleForm
} from '$lib/schema/mock';
import { allow, runAs } from '$lib/server/http';
import { linkFor } from '$lib/server/reach';
import { smallForms, undoable } from '$lib/server/small-form';
import { settleNote } from '$lib/server/usecase/ballot';
import { endJuror, inviteJuror, openBallots } from '$lib/server/usecase/jurors';
import { bookMock, drawAgain, dropMock, hearBars, moveMock, readMocks } from '$lib/server/usecase/mocks';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = (event) => ({
  view: runAs(event, readMocks, { auditionId: event.params.audition })
});

const act = smallForms<RequestEvent<{ audition: string }>>((event) =>
  allow(event, readMocks, { auditionId: event.params.audition })
);

export const actions: Actions = {
  book: (event) =>
    act(event, 'book', bookForm, ({ id, count, isInOrder, warmUpMin, waitingMin, ...rest }) => {
      const booked = { ...rest, before: limitsIn({ warmUpMin, waitingMin }) };
      const { audition: auditionId } = event.params;
      const drawing = { count, isInOrder: isInOrder !== '' };
      return undoable(
        'It is booked, and the plan is laid again around it.',
        runAs(event, bookMock, { auditionId, id, booked, drawing })
      );
    }),
  move: (event) =>
    act(event, 'move', moveForm, ({ mock: mockId, warmUpMin, waitingMin, ...rest }) => {
      const booked = { ...rest, before: limitsIn({ warmUpMin, waitingMin }) };
      return undoable('It is moved.', runAs(event, moveMock, { mockId, booked }));
    }),
  hear: (event) =>
    act(event, 'hear', hearForm, ({ mock: mockId, item: itemId, ...bars }) =>
      undoable('It is heard there.', runAs(event, hearBars, { mockId, itemId, ...bars }))
    ),
  draw: (event) =>
    act(event, 'draw', drawForm, ({ mock: mockId, count, isInOrder }) =>
      undoable(
        'It is drawn again.',
        runAs(event, drawAgain, { mockId, drawing: { count, isInOrder: isInOrder !== '' } })
      )
    ),
  drop: (event) =>
    act(event, 'drop', mockForm, ({ mock: mockId }) =>
      undoable('It is given up.', runAs(event, dropMock, { mockId }))
    ),
  juror: (event) =>
    act(event, 'juror', jurorForm, ({ mock: mockId, name }) => {
      const token = runAs(event, inviteJuror, { mockId, name, jurorId: null });
      return { link: linkFor(event.url, `/ballot/${token}`), of: mockId };
    }),
  link: (event) =>
    act(event, 'juror', jurorLinkForm, ({ mock: mockId, juror: jurorId }) => {
      const token = runAs(event, inviteJuror, { mockId, name: '', jurorId });
      return { link: linkFor(event.url, `/ballot/${token}`), of: mockId };
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
