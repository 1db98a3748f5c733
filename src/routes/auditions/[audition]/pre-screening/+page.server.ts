import type { RequestEvent } from '@sveltejs/kit';
import { chooseForm, filmForm, prescreenForm } from '$lib/schema/prescreen';
import { allow, runAs } from '$lib/server/http';
import { smallForms, undoable } from '$lib/server/small-form';
import { chooseTake, nameFilm, readPrescreen, setPrescreen } from '$lib/server/usecase/prescreen';
import type { Actions, PageServerLoad } from './$types';

type Event = RequestEvent<{ audition: string }>;
const aboutOf = ({ params }: Event) => ({ auditionId: params.audition });

export const load: PageServerLoad = (event) => {
  const roundId = event.url.searchParams.get('round') ?? undefined;
  return { view: runAs(event, readPrescreen, { ...aboutOf(event), roundId }) };
};

const act = smallForms<Event>((event) => allow(event, setPrescreen, aboutOf(event)));

export const actions: Actions = {
  set: (event) =>
    act(event, 'set', prescreenForm, ({ round: roundId, ...said }) =>
      undoable('It is kept.', runAs(event, setPrescreen, { ...aboutOf(event), roundId, ...said }))
    ),
  choose: (event) =>
    act(event, 'choose', chooseForm, ({ round: roundId, item: itemId, take }) =>
      undoable(
        take === '' ? 'None is chosen.' : 'It is the one that is sent.',
        runAs(event, chooseTake, { ...aboutOf(event), roundId, itemId, takeId: take === '' ? null : take })
      )
    ),
  film: (event) =>
    act(event, 'film', filmForm, ({ round: roundId, item: itemId, name }) =>
      undoable('It is noted.', runAs(event, nameFilm, { ...aboutOf(event), roundId, itemId, name }))
    )
};
