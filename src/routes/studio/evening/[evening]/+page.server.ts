import { jurorNameForm, mockForm, seatForm } from '$lib/schema/mock';
import { allow, runAs } from '$lib/server/http';
import { linkFor } from '$lib/server/reach';
import { smallForm, undoable } from '$lib/server/small-form';
import {
  addSeat,
  dropEvening,
  endSeat,
  makeSeatLinks,
  playEarlier,
  readEvening
} from '$lib/server/usecase/evening';
import { z } from 'zod';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = (event) => ({
  view: runAs(event, readEvening, { evening: event.params.evening })
});

const nothing = z.object({});

export const actions: Actions = {
  earlier: (event) => {
    allow(event, playEarlier, undefined);
    const { evening } = event.params;
    return smallForm(event, 'earlier', mockForm, ({ mock: mockId }) =>
      undoable('They have changed places.', runAs(event, playEarlier, { evening, mockId }))
    );
  },
  seat: (event) => {
    allow(event, addSeat, undefined);
    const { evening } = event.params;
    return smallForm(event, 'seat', jurorNameForm, ({ name }) =>
      undoable(`${name} hears it.`, runAs(event, addSeat, { evening, name }))
    );
  },
  links: (event) => {
    allow(event, makeSeatLinks, undefined);
    const { evening } = event.params;
    return smallForm(event, 'links', nothing, () => ({
      links: runAs(event, makeSeatLinks, { evening }).map(({ name, token }) => ({
        name,
        link: linkFor(event.url, `/ballot/${token}`)
      }))
    }));
  },
  endSeat: (event) => {
    allow(event, endSeat, undefined);
    const { evening } = event.params;
    return smallForm(event, 'seat', seatForm, ({ seat }) => runAs(event, endSeat, { evening, seat }));
  },
  drop: (event) => {
    allow(event, dropEvening, undefined);
    const { evening } = event.params;
    return smallForm(event, 'drop', nothing, () =>
      undoable('It is given up.', runAs(event, dropEvening, { evening }))
    );
  }
};
