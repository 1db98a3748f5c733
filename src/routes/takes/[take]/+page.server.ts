import { fail } from '@sveltejs/kit';
import { barForm, keepForm } from '$lib/schema/take';
import { allow, fieldsOf, runAs } from '$lib/server/http';
import { makeSpots, readTake, setTake } from '$lib/server/usecase/takes';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = (event) => {
  const view = runAs(event, readTake, { takeId: event.params.take });
  const season = `/auditions/${view.auditionId}`;
  const home =
    event.url.searchParams.get('from') === 'desk'
      ? { href: `${season}/desk`, says: 'to the desk' }
      : { href: `${season}/takes`, says: 'all takes' };
  return { view, home };
};

export const actions: Actions = {
  spots: (event) => ({ made: runAs(event, makeSpots, { takeId: event.params.take }) }),
  keep: async (event) => {
    const about = { takeId: event.params.take };
    allow(event, setTake, about);
    const read = keepForm.safeParse((await fieldsOf(event)).record());
    if (!read.success) return fail(400, { fault: read.error.issues[0]!.message });
    runAs(event, setTake, { ...about, set: { isKept: read.data.isKept !== '' } });
  },
  bar: async (event) => {
    const about = { takeId: event.params.take };
    allow(event, setTake, about);
    const read = barForm.safeParse((await fieldsOf(event)).record());
    if (!read.success) return fail(400, { fault: read.error.issues[0]!.message });
    const { take } = runAs(event, readTake, about);
    const anchors = take.anchors.filter(({ bar }) => bar !== read.data.bar);
    runAs(event, setTake, { ...about, set: { anchors: [...anchors, read.data] } });
  }
};
