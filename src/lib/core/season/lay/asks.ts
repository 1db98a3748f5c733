/** What each item asks of the days, beside what was pinned, agreed or missed of it. */
import { type AskedDemand, LEAST_BLOCK_MIN, dayCapacity } from '../../plan';
import { type DayNumber, type Minutes, dayOf } from '../../units';
import { statedOf } from '../facts/ground';
import type { BlockPin, SeasonItem, SeasonRequest } from '../facts/request';
import { askOfClimb, askOfMinutes, isRungOverdue, mostPerDay, rungPinsOf } from './ask';
import { type ItemCase, type ItemMinutes, type SeasonFrame, loggedOn } from './frame';

export type Ask = Pick<ItemMinutes, 'owner' | 'kind' | 'asked'>;

/** The ladder's minutes and the weekly ones, as far as the item asks for them. */
export function asksOf(request: SeasonRequest, frame: SeasonFrame, owner: ItemCase): Ask[] {
  const { item, climb, stages } = owner;
  if (!stages || item.isLeftOut) return [];
  const rungPins = rungPinsOf(request, item);
  const minutes = askOfMinutes(request, item, stages, frame, keptOf(request, item, 'minutes', frame.today));
  const ladder = askOfClimb(
    climb,
    item,
    stages,
    frame,
    rungPins,
    keptOf(request, item, 'ladder', frame.today),
    minutes?.mostPerDay,
    isRungOverdue(climb, request)
  );
  const behind = climb.clicksToGo ?? 0;
  const ask = (kind: Ask['kind'], asked: AskedDemand | null): Ask[] =>
    asked ? [{ owner, kind, asked: { ...asked, missed: missedOf(request, item, kind, frame, behind) } }] : [];
  return [...ask('ladder', ladder), ...ask('minutes', minutes)];
}

/**
 * Blocks pinned by hand belong to the ladder; an item without one gets them for its weekly minutes. Today's pinned minutes
 * that the log has used are done.
 */
function pinsOf(
  request: SeasonRequest,
  item: SeasonItem,
  kind: ItemMinutes['kind'],
  today: DayNumber
): AskedDemand['kept'] {
  const pinnedKind = item.sections.some((s) => s.tempo.kind !== 'free') ? 'ladder' : 'minutes';
  if (kind !== pinnedKind) return [];
  return (request.pins ?? [])
    .filter((pin): pin is BlockPin => 'minutes' in pin && pin.itemId === item.id && dayOf(pin.date) >= today)
    .map((pin) => ({
      day: dayOf(pin.date),
      minutes: leftToday(request, item, dayOf(pin.date), pin.minutes, today),
      isPinned: true
    }))
    .map((pin) => ({ ...pin, minutes: Math.min(pin.minutes, mostPerDay(item)) }))
    .filter((pin) => pin.minutes > 0);
}

function leftToday(
  request: SeasonRequest,
  item: SeasonItem,
  day: DayNumber,
  minutes: Minutes,
  today: DayNumber
): Minutes {
  return day === today ? minutes - loggedOn(request, today, item.id) : minutes;
}

/**
 * The block that was agreed for a day before today and not played since: one at most, however many days were missed. A day away, or
 * without minutes by now, makes nothing missed, nor does one stopped for pain.
 */
function missedOf(
  request: SeasonRequest,
  item: SeasonItem,
  kind: ItemMinutes['kind'],
  { today, longest }: SeasonFrame,
  behind: number
): AskedDemand['missed'] {
  const agreed = (request.previous?.allotments ?? []).filter(
    (a) => a.itemId === item.id && a.kind === kind && dayOf(a.date) < today
  );
  const open = agreed.map(({ date, minutes }) => {
    const since = request.log.filter((t) => t.itemId === item.id && t.date >= date);
    const played = since.reduce((sum, t) => sum + t.minutes, 0);
    const isAway = dayCapacity(dayOf(date), request.time).minutes === 0;
    const wasHurt = request.hurtDays?.includes(date) === true;
    return isAway || wasHurt ? 0 : Math.min(minutes, longest) - played;
  });
  const minutes = Math.max(0, ...open);
  return minutes >= LEAST_BLOCK_MIN ? { minutes, behind } : undefined;
}

/** Whether something else was said to hold since the last laying: then its ladder is another, and is laid afresh. */
function isSaidAnew({ previous }: SeasonRequest, item: SeasonItem): boolean {
  return Object.entries(statedOf(item)).some(([id, says]) => previous?.stated?.[id] !== says);
}

/** What was pinned or agreed from today on; today's minutes that the log has used are done. */
function keptOf(
  request: SeasonRequest,
  item: SeasonItem,
  kind: ItemMinutes['kind'],
  today: DayNumber
): AskedDemand['kept'] {
  const pins = pinsOf(request, item, kind, today);
  if (kind === 'ladder' && isSaidAnew(request, item)) return pins;
  const agreed = (request.previous?.allotments ?? [])
    .filter((a) => a.itemId === item.id && a.kind === kind && dayOf(a.date) >= today)
    .map((a) => ({
      day: dayOf(a.date),
      minutes: leftToday(request, item, dayOf(a.date), a.minutes, today),
      isPinned: false
    }))
    .filter((a) => a.minutes > 0 && !pins.some((pin) => pin.day === a.day));
  return [...pins, ...agreed];
}
