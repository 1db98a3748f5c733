/** Readiness: what was said and shown of each check, what an item is asked, and the one next action, which can be put on a day to come. */
import { inTimeOrder, readDeskDay } from '../../core/practice';
import {
  type Evidence,
  type NextAction,
  type ReadItem,
  ageingBefore,
  nextAction,
  readReadiness as readChecks
} from '../../core/readiness';
import type { RoadBlock, SaidKind } from '../../core/record';
import type { AskedBlock, CheckKind, CheckLevel } from '../../core/record/words';
import {
  type DayFacts,
  type PlannedItem,
  type SeasonPlan,
  askedFor,
  doesAnswer,
  evidenceOf,
  roadMapOn,
  spotsNow,
  wantedOn
} from '../../core/season';
import { dayOf, formatDate, isInside } from '../../core/units';
import type { AskedView, ReadinessView } from '../../schema/readiness-view';
import { type App, type Who, isTeaching, todayIn } from '../app';
import { applyChange, carryOut } from '../change/apply';
import { boundCount } from '../change/bounds';
import { orNotFound } from '../errors';
import { type Season, readSeason } from '../laying/facts';
import { planOf } from '../laying/plan';
import { findCall } from '../store/call';
import { findCandidate } from '../store/candidate';
import * as desk from '../store/desk-event';
import { type ListItem, findItem } from '../store/item';
import { mocksOf } from '../store/mock';
import { checkLevelsOf, saidChecksOf } from '../store/said-check';
import { readDayFacts } from './day-facts';
import { gapsOf } from './mock-gaps';
import { isOver } from './mock-rules';
import { candidateOfAudition, candidateOfItem } from './owner';
import { hurtOf, keepEvent } from './spots';
import { useCase } from './use-case';

/** Evidence of the desk is looked for so far back: longer than any of it counts. */
const LOOKS_BACK_DAYS = 42;
/** From this stage on a panel hears. */
const PANEL_STAGE = 3;

/** Every item of the list that is still to be heard, the weakest first. */
export const readReadiness = useCase({
  rule: 'see',
  owner: candidateOfAudition,
  run(app: App, input: { auditionId: string }, who: Who): ReadinessView {
    const season = readSeason(app, input.auditionId);
    const { audition, candidate, own } = season;
    const today = dayOf(own.today);
    const plan = planOf(app, season)?.plan ?? null;
    const readings = plan ? readChecks(itemsToRead(app, season, plan), today) : [];
    const ageing = readings.flatMap((reading) =>
      ageingBefore(reading).map(({ lastsTo }) => reading.roundOn - lastsTo!)
    );
    const next = nextAction(readings);
    const isHurt = hurtOf(app, candidate.id, who) !== null;
    return {
      audition: { id: audition.id, name: audition.name },
      candidate: { id: candidate.id, name: candidate.name },
      today: own.today,
      isTeaching: isTeaching(who),
      readings,
      // what hurts is not put on a day
      next: next && {
        ...next,
        asked:
          next.block && plan && !isHurt ? askedOf(readDayFacts(app, season, who), season, plan, next) : null
      },
      isHurt,
      put: plan ? putBesides(app, season, plan, next) : [],
      ageing: { count: ageing.length, inLastWeek: ageing.filter((days) => days <= 7).length }
    };
  }
});

function itemsToRead(app: App, season: Season, plan: SeasonPlan): ReadItem[] {
  const since = formatDate(dayOf(season.own.today) - LOOKS_BACK_DAYS);
  const { candidate, items, log } = season;
  const days = desk
    .deskDaysSince(app.db, candidate.id, since)
    .flatMap((date) => readDeskDay(desk.deskEventsOf(app.db, candidate.id, date), date) ?? []);
  const shown = evidenceOf(days, { items, log, rotation: season.request.time.rotation ?? [] });
  return plan.items
    .filter(
      ({ state, broughtBy }) => !['past', 'left-out'].includes(state) && (!broughtBy || broughtBy.isShared)
    )
    .flatMap((planned) => {
      const item = items.find(({ id }) => id === planned.id);
      return item ? [readItem(app, season, planned, item, shown.get(item.id) ?? [])] : [];
    });
}

function readItem(
  app: App,
  season: Season,
  planned: PlannedItem,
  item: ListItem,
  shown: readonly Evidence[]
): ReadItem {
  return {
    id: item.id,
    name: item.name,
    kind: item.kind,
    hasTempo: planned.sections.some(({ unit }) => unit !== null),
    levels: orNotFound(checkLevelsOf(app.db, item.id)),
    roundOn: dayOf(planned.dayZero ?? season.own.today),
    evidence: [
      ...ofItsTempo(season, planned),
      ...shown,
      ...ofTheCall(app, season, item),
      ...ofMocks(app, season, item),
      ...straightInMocks(app, season, item),
      ...saidOf(app, item)
    ]
  };
}

/** What holds, and which elements did not in the latest touch. */
function ofItsTempo(season: Season, planned: PlannedItem): Evidence[] {
  const timed = planned.sections.filter(({ unit }) => unit !== null);
  const held = timed.flatMap((section) => section.held ?? []);
  const slowest = planned.sections.find(({ id }) => id === planned.slowestSectionId);
  const latest = inTimeOrder(season.log.filter(({ itemId }) => itemId === planned.id)).at(-1);
  if (held.length === 0 || held.length < timed.length) return [];
  const oldest = held.reduce((a, b) => (a.on <= b.on ? a : b));
  const { evidence: by } = oldest;
  const on = dayOf(oldest.on);
  const isThere = planned.state === 'holds' || timed.every((one) => one.held!.bpm >= one.targetBpm!);
  const open = latest?.notHeld ?? [];
  return [
    { check: 'tempo', on, isHeld: isThere, by, says: slowest?.says ?? '' },
    open.length === 0
      ? { check: 'elements', on, isHeld: true, by, says: '' }
      : { check: 'elements', on: dayOf(latest!.date), isHeld: false, by, says: open.join(', ') }
  ];
}

function ofTheCall(app: App, { audition }: Season, { errata }: ListItem): Evidence[] {
  const checkedOn = findCall(app.db, audition.callId)?.checkedOn;
  const added = errata
    .map(({ addedOn }) => addedOn)
    .sort()
    .at(-1);
  return [
    ...(checkedOn
      ? [{ check: 'page' as const, on: dayOf(checkedOn), isHeld: true, by: 'teacher' as const, says: '' }]
      : []),
    // what came after it was said to be entered is to be entered too
    ...(added
      ? [
          {
            check: 'errata' as const,
            on: dayOf(added),
            isHeld: false,
            by: 'teacher' as const,
            says: 'one was added'
          }
        ]
      : [])
  ];
}

function ofMocks(app: App, season: Season, item: ListItem): Evidence[] {
  const mocks = mocksOf(app.db, season.audition.id).filter(({ stage }) => stage >= PANEL_STAGE);
  return gapsOf(season, item, mocks).words.map(({ date, gap, element, word }) => ({
    check: 'mock',
    on: dayOf(date),
    isHeld: gap !== null && gap <= 0,
    by: 'teacher',
    says: gap === null ? 'practice says too little' : `${element} was “${word}”`
  }));
}

/** All of it, or all of one of its cuts, played through in a mock; or broken off there. */
function straightInMocks(app: App, season: Season, item: ListItem): Evidence[] {
  const wholes = [item, ...(item.cuts ?? [])];
  return mocksOf(app.db, season.audition.id)
    .filter(isOver)
    .flatMap(({ draw, broken, date, stage }) =>
      draw.flatMap((cut, at): Evidence[] => {
        const isBroken = broken.includes(at);
        const isWhole = wholes.some((whole) => isInside(whole, cut));
        if (cut.itemId !== item.id || (!isWhole && !isBroken)) return [];
        const says = isBroken ? 'broken off in a mock' : 'in a mock';
        const by = stage >= PANEL_STAGE ? 'teacher' : 'self';
        return [{ check: 'straight', on: dayOf(date), isHeld: !isBroken, by, says }];
      })
    );
}

const saidOf = (app: App, item: ListItem): Evidence[] =>
  saidChecksOf(app.db, item.id).flatMap(({ check, date, isHeld, by }): Evidence[] => {
    const said = { on: dayOf(date), isHeld, by };
    if (check === 'scales') return [];
    return check === 'listened'
      ? [{ ...said, check: 'context', says: 'listened to' }]
      : [{ ...said, check, says: '' }];
  });

/** The next day to come with minutes of its own, and the block as it would stand there; null where none is left, or the block cannot be had now. */
function askedOf(
  facts: DayFacts,
  season: Season,
  plan: SeasonPlan,
  { itemId, block: as }: Pick<NextAction, 'itemId' | 'block'>
): AskedView | null {
  const date = nextDayOf(plan, season.own.today);
  if (date === null || as === null) return null;
  const wanted = askedFor(facts, date);
  const isWanted = wanted.some((one) => one.itemId === itemId && one.as === as);
  const spots = spotsNow(facts, season, season.own.today);
  const isOf = (block: RoadBlock) => block.itemId === itemId && doesAnswer(block, as);
  const planned = roadMapOn(facts, season, plan, spots, date, wanted).find(isOf);
  if (planned) return { as, date, minutes: planned.minutes, is: isWanted ? 'asked' : 'planned' };
  const made = roadMapOn(facts, season, plan, spots, date, [...wanted, { itemId, as }]).find(isOf);
  return made ? { as, date, minutes: made.minutes, is: 'open' } : null;
}

/** What stands on the next day to come because it was asked for, but for the next action's own. */
function putBesides(
  app: App,
  season: Season,
  plan: SeasonPlan,
  next: NextAction | null
): ReadinessView['put'] {
  const date = nextDayOf(plan, season.own.today);
  if (date === null) return [];
  return wantedOn(desk.deskEventsOf(app.db, season.candidate.id, date))
    .filter(({ itemId, as }) => itemId !== next?.itemId || as !== next.block)
    .flatMap(({ itemId, as }) => {
      const name = findItem(app.db, itemId)?.name;
      return name === undefined ? [] : [{ itemId, name, as, date }];
    });
}

const nextDayOf = ({ days }: SeasonPlan, today: string): string | null =>
  days.find(({ date, capacityMin }) => date > today && capacityMin > 0)?.date ?? null;

/** Puts a block on the next day to come, or takes it off again. Throws CodedError "not-found" where no day is left. */
export const askBlock = useCase({
  rule: 'own',
  owner: candidateOfItem,
  run(app: App, input: { itemId: string; as: AskedBlock; isWanted: boolean }): void {
    const { auditionId } = orNotFound(findItem(app.db, input.itemId));
    const season = readSeason(app, auditionId);
    const plan = orNotFound(planOf(app, season)?.plan);
    const date = orNotFound(nextDayOf(plan, season.own.today));
    boundCount('deskEvents', desk.countDeskEvents(app.db, season.candidate.id, date) + 1);
    keepEvent(app, season.candidate.id, { kind: 'asked', ...input }, date);
  }
});

/** Says on this day that a check of an item holds, or does no more; what was said before stays. */
export const sayCheck = useCase({
  rule: 'own',
  owner: candidateOfItem,
  run(app: App, input: { itemId: string; check: SaidKind; isHeld: boolean }, who: Who): void {
    const { itemId, check, isHeld } = input;
    orNotFound(findItem(app.db, itemId));
    boundCount('said', saidChecksOf(app.db, itemId).length + 1);
    const { zone } = orNotFound(findCandidate(app.db, orNotFound(candidateOfItem(app, input))));
    const id = app.newId();
    const by = isTeaching(who) ? ('teacher' as const) : ('self' as const);
    const to = { id, check, date: todayIn(app, zone), isHeld, by };
    carryOut(app, { edits: [{ kind: 'said', about: { itemId, saidId: id }, to }], cause: 'a check said' });
  }
});

/** Sets how much a check of an item counts. Returns the secret by which it can be taken back. */
export const setCheckLevel = useCase({
  rule: 'teacher',
  run(app: App, { itemId, check, level }: { itemId: string; check: CheckKind; level: CheckLevel }): string {
    const before = orNotFound(checkLevelsOf(app.db, itemId));
    const to = { ...before, [check]: level };
    return applyChange(app, {
      candidateId: orNotFound(candidateOfItem(app, { itemId })),
      edits: [{ kind: 'check-levels', about: { itemId }, to }],
      cause: 'what is asked of an item'
    });
  }
});
