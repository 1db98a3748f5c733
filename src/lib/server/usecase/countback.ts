/** The countback, its earlier layings, and readiness: what is read from a plan. */
import { GROUNDWORK, type ReadItem, TICKED_CHECKS, readReadiness as readChecks } from '../../core/readiness';
import { type PlannedItem, heldStairs, plannedStairs, setSideBySide } from '../../core/season';
import { equipmentIn, inTimeOrder } from '../../core/practice';
import { LIGHT_DAYS, readAways } from '../../core/plan';
import { dayOf, formatDate } from '../../core/units';
import type { CountbackItem, SeasonHeadView } from '../../schema/view';
import { type App, todayIn } from '../app';
import { carryOut } from '../change/apply';
import { hasGrant } from '../grant/grant';
import { findCandidate } from '../store/candidate';
import { equipmentEvents } from '../store/desk-event';
import { type ListItem, type TickKind, findItem } from '../store/item';
import { lessonNotesOf } from '../store/lesson';
import { versionByNumber, versionDays, versionHeads } from '../store/plan-version';
import { mocksOf } from '../store/mock';
import { gapsOf } from './mock-gaps';
import { candidateOfAudition, candidateOfItem } from './owner';
import { type Season, readSeason } from '../laying/facts';
import { planOf } from '../laying/plan';
import { itemTicks } from './list';
import { orNotFound } from '../errors';
import { planOfToday } from './today';
import { useCase } from './use-case';

/** What tops every screen of an audition. */
export const readHead = useCase({
  rule: 'see',
  owner: candidateOfAudition,
  run: (app: App, input: { auditionId: string }): SeasonHeadView => {
    const season = readSeason(app, input.auditionId);
    const plan = planOf(app, season)?.plan ?? null;
    const { audition, candidate, request } = season;
    const next = audition.rounds.find((r) => r.date >= request.today);
    return {
      auditionId: audition.id,
      auditionName: audition.name,
      candidateId: candidate.id,
      candidateName: candidate.name,
      instruments: candidate.instruments,
      today: request.today,
      began: audition.beganOn,
      next: next ? { name: next.name, date: next.date, time: next.time, isWeek: next.isWeek === true } : null,
      mockFrom: plan?.stages?.mockFrom ?? null,
      dates: audition.dates.map(({ date, name }) => ({ date, name })),
      shortMin: plan?.short?.minutes ?? 0
    };
  }
});

export const readCountback = useCase({
  rule: 'see',
  owner: candidateOfAudition,
  run: (app: App, input: { auditionId: string; number?: number | undefined }) => {
    const season = readSeason(app, input.auditionId);
    const current = planOf(app, season);
    const version =
      input.number === undefined || !current
        ? current
        : orNotFound(versionByNumber(app.db, input.auditionId, input.number));
    const { audition, candidate, request } = season;
    const plan = version?.plan ?? null;
    return {
      audition: { ...audition, dates: [...audition.dates, ...roundsBeside(season)] },
      candidate: {
        id: candidate.id,
        name: candidate.name,
        instruments: candidate.instruments,
        hasTime: candidate.time.week.length > 0
      },
      lessons: candidate.time.lessons,
      aways: currentAways(season),
      hasFeed: hasGrant(app, 'feed', audition.id),
      today: request.today,
      plan,
      number: version?.number ?? null,
      currentNumber: current?.number ?? null,
      cause: version?.cause ?? null,
      moves: version?.moves ?? [],
      practised: practisedDays(season),
      equipment: equipmentIn(equipmentEvents(app.db, candidate.id)),
      items: plan ? plan.items.flatMap((item) => countbackItem(season, item, plan.today) ?? []) : []
    };
  }
});

/** Rounds of the candidate's other auditions, as dates on the same axis. */
function roundsBeside({ joint, audition, request }: Season) {
  return (joint?.live ?? [])
    .filter((part) => part.auditionId !== audition.id)
    .flatMap(({ name, request: other }) =>
      other.rounds
        .filter((round) => round.date >= request.today)
        .map((round) => ({ date: round.date, name: `${name}, ${round.name}`, kind: 'other' as const }))
    );
}

/** Long times away that the plan still feels: ahead, or over for no longer than the light week after. */
function currentAways({ request }: Season) {
  const today = dayOf(request.today);
  return readAways(request.time.exceptions)
    .filter(({ to }) => to + LIGHT_DAYS >= today)
    .map(({ from, to }) => ({ from: formatDate(from), to: formatDate(to), isOver: to < today }));
}

/** Minutes logged by date. */
function practisedDays(season: Season): Record<string, number> {
  const minutes: Record<string, number> = {};
  for (const touch of season.request.log) minutes[touch.date] = (minutes[touch.date] ?? 0) + touch.minutes;
  return minutes;
}

function countbackItem(season: Season, planned: PlannedItem, today: string): CountbackItem | null {
  const other = season.others.find((i) => i.id === planned.id);
  const item = season.items.find((i) => i.id === planned.id) ?? other;
  if (!item) return null;
  const touches = season.log.filter((t) => t.itemId === item.id && t.date <= today);
  const { steps: heldSteps, sections: heldSections } = heldStairs(item, touches, season.request.schools);
  return {
    id: item.id,
    forAudition: other?.auditionName ?? null,
    alsoFor: !other && planned.broughtBy ? planned.broughtBy.name : null,
    composer: item.composer,
    fromBar: item.fromBar,
    toBar: item.toBar,
    heldSteps,
    heldSections,
    plannedSteps: plannedStairs(planned, today),
    heldSince:
      planned.state === 'holds' ? (heldSteps.findLast((s) => s.clicksBelow === 0)?.date ?? null) : null
  };
}

/** A season has one for each day and log entry. */
const LAYINGS_A_PAGE = 40;

/** Newest first, a page at a time; `earlier` is where the next one begins, `all` what can be chosen from. */
export const readVersions = useCase({
  rule: 'see',
  owner: candidateOfAudition,
  run: (app: App, { auditionId, before }: { auditionId: string; before?: number | undefined }) => {
    const { audition, candidate } = readSeason(app, auditionId);
    const heads = versionHeads(app.db, auditionId, { before: before ?? null, most: LAYINGS_A_PAGE + 1 });
    const versions = heads.slice(0, LAYINGS_A_PAGE);
    const isMore = heads.length > LAYINGS_A_PAGE;
    const earlier = isMore ? versions.at(-1)!.number : null;
    return { audition, candidate, versions, earlier, all: versionDays(app.db, auditionId) };
  }
});

/** What the sheets of paper say. */
export const readPaper = useCase({
  rule: 'see',
  owner: candidateOfAudition,
  run: (app: App, input: { auditionId: string }) => {
    const season = readSeason(app, input.auditionId);
    const { audition, candidate, request } = season;
    return {
      today: request.today,
      plan: planOfToday(app, season),
      dates: [...audition.dates, ...audition.rounds].map(({ date, name }) => ({ date, name })),
      lessons: candidate.time.lessons,
      notes: lessonNotesOf(app.db, candidate.id).slice(0, 1)
    };
  }
});

/** Two layings of one audition beside each other. */
export const readComparison = useCase({
  rule: 'see',
  owner: candidateOfAudition,
  run: (app: App, input: { auditionId: string; a: number; b: number }) => {
    const season = readSeason(app, input.auditionId);
    const [a, b] = [input.a, input.b].map((number) =>
      orNotFound(versionByNumber(app.db, input.auditionId, number))
    );
    const side = ({ number, laidOn, cause, plan }: NonNullable<typeof a>) => ({
      number,
      laidOn,
      cause,
      reasons: plan.short?.reasons.map((reason) => reason.says) ?? []
    });
    return {
      audition: season.audition,
      candidate: season.candidate,
      a: side(a!),
      b: side(b!),
      sides: setSideBySide(a!.plan, b!.plan)
    };
  }
});

export const readReadiness = useCase({
  rule: 'see',
  owner: candidateOfAudition,
  run: (app: App, input: { auditionId: string }) => {
    const season = readSeason(app, input.auditionId);
    const plan = planOf(app, season)?.plan ?? null;
    const items =
      plan?.items
        .filter(
          (item) => !['past', 'left-out'].includes(item.state) && (!item.broughtBy || item.broughtBy.isShared)
        )
        .map((item) => readItem(app, season, item)) ?? [];
    return {
      audition: season.audition,
      candidate: season.candidate,
      today: season.request.today,
      readings: readChecks(items, dayOf(season.request.today))
    };
  }
});

function readItem(app: App, season: Season, planned: PlannedItem): ReadItem {
  const touches = inTimeOrder(season.log.filter((t) => t.itemId === planned.id));
  const heldDays = planned.sections.flatMap((s) => (s.held ? [dayOf(s.held.on)] : []));
  const timed = planned.sections.filter((s) => s.unit !== null);
  const isSeen = timed.length > 0 && timed.every((s) => s.held);
  const slowest = planned.sections.find((s) => s.id === planned.slowestSectionId);
  const latest = touches.at(-1);
  return {
    id: planned.id,
    name: planned.name,
    hasTempo: timed.length > 0,
    isSightReading: planned.kind === 'sight-reading',
    heldOn: isSeen ? Math.min(...heldDays) : null,
    isAtTarget:
      planned.state === 'holds' || timed.every((s) => s.held !== null && s.held.bpm >= s.targetBpm!),
    heldShare: planned.heldShare,
    says: slowest?.says ?? '',
    openElements: latest?.notHeld ?? [],
    lastTouch: latest ? dayOf(latest.date) : null,
    mock: latestMock(app, season, planned.id),
    ticks: ticksByDay(
      app,
      season.items.find((i) => i.id === planned.id)
    )
  };
}

/** From this stage on a panel hears. */
const PANEL_STAGE = 3;

function latestMock(app: App, season: Season, itemId: string): ReadItem['mock'] {
  const item = season.items.find(({ id }) => id === itemId);
  const mocks = item ? mocksOf(app.db, season.audition.id).filter(({ stage }) => stage >= PANEL_STAGE) : [];
  const last = item && gapsOf(season, item, mocks).words.at(-1);
  if (!last) return null;
  const says = last.gap === null ? 'practice says too little' : `${last.element} was “${last.word}”`;
  return { on: dayOf(last.date), gap: last.gap, says };
}

function ticksByDay(app: App, item: ListItem | undefined): ReadItem['ticks'] {
  const ticks = Object.entries(item ? itemTicks(app, item) : {});
  return Object.fromEntries(ticks.flatMap(([kind, date]) => (date ? [[kind, dayOf(date)]] : [])));
}

const TICKS: readonly TickKind[] = [...TICKED_CHECKS, ...GROUNDWORK.map((g) => g.kind)];

/** Ticks or unticks a check by hand, dated today where the candidate lives. */
export const tickCheck = useCase({
  rule: 'own',
  owner: candidateOfItem,
  run: (app: App, input: { itemId: string; kind: TickKind; isTicked: boolean }) => {
    orNotFound(findItem(app.db, input.itemId));
    if (!TICKS.includes(input.kind))
      throw new RangeError(`no tick for ${input.kind}: it follows from the log`);
    const candidate = orNotFound(findCandidate(app.db, orNotFound(candidateOfItem(app, input))));
    const about = { itemId: input.itemId, check: input.kind };
    const to = input.isTicked ? todayIn(app, candidate.zone) : null;
    carryOut(app, { edits: [{ kind: 'tick', about, to }], cause: 'a check ticked' });
  }
});
