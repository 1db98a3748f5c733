import { fail } from '@sveltejs/kit';
import { isInside } from '$lib/core/units';
import { barForm, heardForm, keepForm, recordingForm, remarkSpotForm, shareForm } from '$lib/schema/take';
import { allow, fieldsOf, runAs, sayRefusal } from '$lib/server/http';
import { linkFor } from '$lib/server/reach';
import { addRecording, hearRun } from '$lib/server/usecase/heard';
import { endSharing, makeRemarkSpot, shareTake } from '$lib/server/usecase/listener';
import { sayCheck } from '$lib/server/usecase/readiness';
import { makeSpots, readTake, setTake } from '$lib/server/usecase/takes';
import type { Actions, PageServerLoad } from './$types';

/** Pages that lead here, and to which one goes back. */
const FROM = ['desk', 'lesson', 'log'] as const;

export const load: PageServerLoad = (event) => {
  const view = runAs(event, readTake, { takeId: event.params.take });
  const season = `/auditions/${view.auditionId}`;
  const from = event.url.searchParams.get('from');
  const page = FROM.find((one) => one === from);
  const home = page
    ? { href: `${season}/${page}`, says: `to the ${page}` }
    : { href: `${season}/takes`, says: 'all takes' };
  return { view, home };
};

export const actions: Actions = {
  share: async (event) => {
    const about = { takeId: event.params.take };
    allow(event, shareTake, about);
    const read = shareForm.safeParse((await fieldsOf(event)).record());
    if (!read.success) return fail(400, { shareFault: read.error.issues[0]!.message });
    try {
      const token = runAs(event, shareTake, { ...about, ...read.data });
      return { link: linkFor(event.url, `/listen/${token}`) };
    } catch (thrown) {
      return fail(400, { shareFault: sayRefusal(thrown) });
    }
  },
  endSharing: (event) => runAs(event, endSharing, { takeId: event.params.take }),
  remark: async (event) => {
    const about = { takeId: event.params.take };
    allow(event, makeRemarkSpot, about);
    const read = remarkSpotForm.safeParse((await fieldsOf(event)).record());
    if (!read.success) return fail(400, { fault: read.error.issues[0]!.message });
    const { mark: markId, ...bars } = read.data;
    runAs(event, makeRemarkSpot, { ...about, markId, bars });
    return { made: 1 };
  },
  spots: (event) => ({ made: runAs(event, makeSpots, { takeId: event.params.take }) }),
  // all of it was heard, and nothing new was found
  nothing: (event) => {
    const { item, take } = runAs(event, readTake, { takeId: event.params.take });
    allow(event, sayCheck, { itemId: item.id });
    if (!isInside(item, take))
      return fail(400, { heardFault: 'It is a part of the item: nothing follows for all of it.' });
    runAs(event, sayCheck, { itemId: item.id, check: 'take', isHeld: true });
    return { isClear: true };
  },
  heard: async (event) => {
    const about = { takeId: event.params.take };
    allow(event, hearRun, about);
    const read = heardForm.safeParse((await fieldsOf(event)).record());
    if (!read.success) return fail(400, { heardFault: read.error.issues[0]!.message });
    try {
      const token = runAs(event, hearRun, { ...about, isClean: read.data.isClean !== '' });
      return { undo: { says: 'Noted: heard by you.', token } };
    } catch (thrown) {
      return fail(400, { heardFault: sayRefusal(thrown) });
    }
  },
  target: async (event) => {
    const about = { takeId: event.params.take };
    allow(event, addRecording, about);
    const read = recordingForm.safeParse((await fieldsOf(event)).record());
    if (!read.success) return fail(400, { targetFault: read.error.issues[0]!.message });
    const { section: sectionId, bpm } = read.data;
    try {
      const token = runAs(event, addRecording, { ...about, sectionId, bpm });
      return { undo: { says: 'Taken over, and the plan is laid again.', token } };
    } catch (thrown) {
      return fail(400, { targetFault: sayRefusal(thrown) });
    }
  },
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
