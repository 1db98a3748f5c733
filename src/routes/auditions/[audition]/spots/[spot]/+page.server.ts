import { fail } from '@sveltejs/kit';
import { type Ways, wayOf } from '$lib/core/practice';
import { isInside } from '$lib/core/units';
import type { SpotSet } from '$lib/core/record';
import { againForm } from '$lib/schema/take';
import { readPlaces, spotSetForm } from '$lib/schema/spot-form';
import { allow, fieldsOf, runAs, sayRefusal } from '$lib/server/http';
import { hearSpotAgain } from '$lib/server/usecase/heard';
import { readSpot, setSpot } from '$lib/server/usecase/spots';
import type { Actions, PageServerLoad } from './$types';

const inputOf = ({ params }: { params: { audition: string; spot: string } }) => ({
  auditionId: params.audition,
  spotId: params.spot
});

export const load: PageServerLoad = (event) => ({ view: runAs(event, readSpot, inputOf(event)) });

type Item = { readonly name: string; readonly fromBar: number; readonly toBar: number };

/** What a small form asks, or the sentence that says why it cannot be done. */
function setOf(what: string, value: string, item: Item, ways: Ways): SpotSet | string {
  switch (what) {
    case 'open':
    case 'rest':
      return { isOpen: what === 'open' };
    case 'first':
    case 'not-first':
      return { isFirst: what === 'first' };
    case 'method':
      if (value !== '' && !wayOf(value, ways)) return 'Choose a way from the list.';
      return { method: value || null };
    case 'elsewhere': {
      const elsewhere = readPlaces(value);
      if (!elsewhere) return 'Write the bars as 61-62, 85: at most twelve places.';
      if (!elsewhere.every((bars) => isInside(bars, item)))
        return `${item.name} has bars ${item.fromBar} to ${item.toBar}.`;
      return { elsewhere };
    }
    default: {
      const issue = value.replaceAll(/\s+/g, ' ').trim();
      if (issue === '' || issue.length > 200) return 'What is wrong there? In at most 200 characters.';
      return { issue };
    }
  }
}

export const actions: Actions = {
  again: async (event) => {
    allow(event, readSpot, inputOf(event));
    const read = againForm.safeParse((await fieldsOf(event)).record());
    if (!read.success) return fail(400, { what: 'again', fault: read.error.issues[0]!.message });
    const { take: takeId, isSolved, idea } = read.data;
    const { params } = event;
    try {
      runAs(event, hearSpotAgain, { takeId, spotId: params.spot, isSolved: isSolved !== '', idea });
      return { what: 'again', fault: '' };
    } catch (thrown) {
      return fail(400, { what: 'again', fault: sayRefusal(thrown) });
    }
  },
  set: async (event) => {
    allow(event, readSpot, inputOf(event));
    const read = spotSetForm.safeParse((await fieldsOf(event)).record());
    if (!read.success) return fail(400, { what: '', fault: read.error.issues[0]!.message });
    const { what, value } = read.data;
    try {
      const { spot, item, candidate, ways } = runAs(event, readSpot, inputOf(event));
      const set = setOf(what, value, item, ways);
      if (typeof set === 'string') return fail(400, { what, fault: set });
      runAs(event, setSpot, { candidateId: candidate.id, spotId: spot.id, set });
      return { what, fault: '' };
    } catch (thrown) {
      return fail(400, { what, fault: sayRefusal(thrown) });
    }
  }
};
