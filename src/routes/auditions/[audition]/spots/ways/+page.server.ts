import { randomUUID } from 'node:crypto';
import { fail } from '@sveltejs/kit';
import { wayAddForm, wayOfferForm } from '$lib/schema/spot-form';
import { allow, fieldsOf, runAs, sayRefusal } from '$lib/server/http';
import { addWay, readWaysPage, setWayOffered } from '$lib/server/usecase/ways';
import type { Actions, PageServerLoad, RequestEvent } from './$types';

const pageOf = ({ params }: { params: { audition: string } }) => ({ auditionId: params.audition });

export const load: PageServerLoad = (event) => ({
  view: runAs(event, readWaysPage, pageOf(event)),
  isTeacher: event.locals.who.kind === 'teacher',
  newId: randomUUID()
});

async function add(event: RequestEvent) {
  allow(event, readWaysPage, pageOf(event));
  const fields = await fieldsOf(event);
  const typed = { name: fields.get('name'), says: fields.get('says'), goodFor: [...fields.all('goodFor')] };
  const read = wayAddForm.safeParse({ ...fields.record(), ...typed });
  const refuse = (fault: string) => fail(400, { fault, typed });
  if (!read.success) return refuse(read.error.issues[0]!.message);
  const { isForAll, ...method } = read.data;
  try {
    const { candidate } = runAs(event, readWaysPage, pageOf(event));
    runAs(event, addWay, { candidateId: candidate.id, method, isForAll: isForAll === 'on' });
    return { added: method.id };
  } catch (thrown) {
    return refuse(sayRefusal(thrown));
  }
}

export const actions: Actions = {
  add,
  offer: async (event) => {
    allow(event, readWaysPage, pageOf(event));
    const read = wayOfferForm.safeParse((await fieldsOf(event)).record());
    if (!read.success) return fail(400, { fault: read.error.issues[0]!.message });
    const { candidate } = runAs(event, readWaysPage, pageOf(event));
    const { id, isOffered } = read.data;
    try {
      runAs(event, setWayOffered, { candidateId: candidate.id, methodId: id, isOffered: isOffered === '1' });
    } catch (thrown) {
      return fail(400, { fault: sayRefusal(thrown) });
    }
    return { set: id };
  }
};
