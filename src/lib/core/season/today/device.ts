/**
 * A day made without a line, from what a device keeps of an audition: what was played since is logged as the studio would log it, and the plan
 * is laid again from it, by the same code. Where nothing else has changed it is the plan that the studio will lay. The studio's counts.
 */
import { LONGEST_BLOCK_MIN } from '../../plan';
import { hurtDaysOf, longestAfterAll, readDeskDay, touchesOfDay, wishesIn } from '../../practice';
import type { DeskEvent, PracticeTime, Touch } from '../../record';
import type { Agreed, SeasonRequest } from '../facts/request';
import type { Part } from '../joint/join';
import { type JoinedSeason, agreedOf, joinSeason, toLay } from '../joint/season';
import { viewOf } from '../joint/view';
import { type Move, compareLayings } from '../laid/moves';
import type { SeasonPlan } from '../laid/plan';
import { layForEach } from '../lay/lay';
import { type DayFacts, withEvents } from './facts';
import { makeToday } from './make';
import type { TodayView } from './view';

/** All that a device keeps of an audition. */
export type Kit = {
  readonly facts: DayFacts;
  readonly part: Part;
  /** The candidate's other auditions that are laid with it. */
  readonly beside: readonly Part[];
  /** The latest; null where there is none. */
  readonly plan: SeasonPlan | null;
  /** What the latest plan of each of them agreed, by audition. */
  readonly agreed: Readonly<Record<string, Agreed | undefined>>;
  /** The candidate's home zone. */
  readonly zone: string;
  /** That say that it hurts, or that it is well; null where not all of them are for who looks. */
  readonly hurtEvents: readonly DeskEvent[] | null;
  /** Blocks that were wanted longer so far. */
  readonly wantedLonger: number;
  /** Who vouches for what is played here. */
  readonly evidence: NonNullable<Touch['evidence']>;
};

export type DayOnDevice = {
  readonly view: TodayView;
  readonly plan: SeasonPlan | null;
  /** Whether something was logged, and the plan laid again. */
  readonly isLaid: boolean;
  readonly moves: readonly Move[];
  /** What cannot be logged, with the reason. */
  readonly notLogged: readonly { readonly block: string; readonly says: string }[];
};

type SayFault = (
  touch: Touch,
  item: { fromBar: number; toBar: number; name: string },
  today: string
) => string | null;

/** `since` is what was done at the desk; what the kit knows already changes nothing. `date` is in the candidate's zone, not before the kit's. */
export function makeDayOnDevice(
  kit: Kit,
  since: readonly DeskEvent[],
  date: string,
  sayFault: SayFault
): DayOnDevice {
  const known = new Set(kit.facts.events.map(({ id }) => id));
  const fresh = since.filter(({ id }) => !known.has(id));
  const facts = withEvents(kit.facts, fresh);
  const { touches, notLogged } = touchesSince(kit, facts, fresh, date, sayFault);
  const season = seasonOn(kit, fresh, facts, touches, date);
  const isChanged = touches.length > 0 || date !== kit.part.request.today || kit.plan === null;
  const plan = isChanged ? lay(kit, season) : kit.plan;
  return {
    view: makeToday(facts, season, plan, date),
    plan,
    isLaid: touches.length > 0,
    moves: plan && kit.plan && touches.length > 0 ? compareLayings(kit.plan, plan) : [],
    notLogged
  };
}

/** Of blocks that have ended, and are in no log yet. */
function touchesSince(
  { part, beside, evidence }: Kit,
  { events, items }: DayFacts,
  fresh: readonly DeskEvent[],
  today: string,
  sayFault: SayFault
) {
  const logged = new Set([part, ...beside].flatMap(({ request }) => request.log.map(({ id }) => id)));
  const dates = [...new Set(fresh.map((event) => event.date))].sort();
  const played = dates
    .flatMap((date) => {
      const day = readDeskDay(
        events.filter((event) => event.date === date),
        date
      );
      return day ? touchesOfDay(day) : [];
    })
    .filter(({ id }) => !logged.has(id));
  const checked = played.map((touch) => {
    const item = items.find(({ id }) => id === touch.itemId);
    return { touch, says: item ? sayFault(touch, item, today) : 'This item is no longer on the list.' };
  });
  return {
    touches: checked.flatMap(({ touch, says }) => (says === null ? [{ ...touch, evidence }] : [])),
    notLogged: checked.flatMap(({ touch, says }) => (says === null ? [] : [{ block: touch.id, says }]))
  };
}

function seasonOn(
  kit: Kit,
  fresh: readonly DeskEvent[],
  facts: DayFacts,
  touches: readonly Touch[],
  today: string
): JoinedSeason {
  const time = timeAfter(kit, fresh, facts);
  const hurts = kit.hurtEvents && [...kit.hurtEvents, ...fresh];
  const onDate = ({ request, ...part }: Part): Part => {
    const own = new Set(request.items.map(({ id }) => id));
    const changed: SeasonRequest = {
      ...request,
      today,
      time: { ...request.time, ...time },
      log: [...request.log, ...touches.filter(({ itemId }) => own.has(itemId))],
      hurtDays: hurts ? hurtDaysOf(hurts, today) : request.hurtDays
    };
    return { ...part, request: changed };
  };
  return joinSeason(onDate(kit.part), kit.beside.map(onDate));
}

/** How long a block may be, as the studio will learn it. */
function timeAfter(
  { part, wantedLonger }: Kit,
  fresh: readonly DeskEvent[],
  { events }: DayFacts
): Pick<PracticeTime, 'longestBlockMin'> {
  const wishes = wishesIn(fresh, events);
  if (wishes.length === 0) return {};
  const before = part.request.time.longestBlockMin ?? LONGEST_BLOCK_MIN;
  const longestBlockMin = longestAfterAll(before, wishes, wantedLonger);
  return longestBlockMin === before ? {} : { longestBlockMin };
}

/** The audition's own view of what is laid; null where there is nothing to plan. */
function lay({ agreed }: Kit, season: JoinedSeason): SeasonPlan | null {
  const { items, rounds } = season.own;
  if (items.length === 0 || rounds.length === 0) return null;
  const { request, auditions } = toLay(
    season,
    agreedOf(season, (id) => agreed[id])
  );
  const plans = layForEach(
    request,
    auditions.map(({ countsDownTo }) => countsDownTo)
  );
  const own = auditions.findIndex(({ id }) => id === season.auditionId);
  const { names } = auditions[own]!;
  return names ? viewOf(plans[own]!, names) : plans[own]!;
}
