/** A spot typed in one line on a page of an audition: read, kept, or answered with its sentence. */
import { type RequestEvent, fail } from '@sveltejs/kit';
import { parseSpotLine } from '../../core/practice';
import { spotLineForm } from '../../schema/spot-form';
import { allow, fieldsOf, runAs, sayRefusal } from '../http';
import { addSpot, readSpotPage } from '../usecase/spots';

export async function keepSpotLine(event: RequestEvent<{ audition: string }>) {
  const page = { auditionId: event.params.audition };
  allow(event, readSpotPage, page);
  const refuse = (spotFault: string) => fail(400, { spotFault });
  const read = spotLineForm.safeParse((await fieldsOf(event)).record());
  if (!read.success) return refuse(read.error.issues[0]!.message);
  const { id, itemId, line } = read.data;
  try {
    const item = runAs(event, readSpotPage, page).items.find((one) => one.id === itemId);
    if (!item) return refuse('Choose an item.');
    const spot = parseSpotLine(line, item);
    if (!spot.ok) return refuse(spot.faults[0]!.says);
    runAs(event, addSpot, { id, itemId, ...spot.value, notHeld: [...spot.value.notHeld] });
    return { spotKept: id };
  } catch (thrown) {
    return refuse(sayRefusal(thrown));
  }
}
