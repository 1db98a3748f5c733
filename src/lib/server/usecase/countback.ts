/** The countback and its earlier layings: what is read from a plan. */
import {
  type PlannedItem,
  headOnDay,
  heldStairs,
  planAtHead,
  plannedStairs,
  setSideBySide
} from '../../core/season';
import { equipmentIn } from '../../core/practice';
import { LIGHT_DAYS, readAways } from '../../core/plan';
import { dayOf, formatDate } from '../../core/units';
import type { CountbackItem, SeasonHeadView } from '../../schema/view';
import type { App } from '../app';
import { hasGrant } from '../grant/grant';
import { equipmentEvents } from '../store/desk-event';
import { lessonNotesOf } from '../store/lesson';
import { versionByNumber, versionDays, versionHeads } from '../store/plan-version';
import { candidateOfAudition } from './owner';
import { type Season, readSeason } from '../laying/facts';
import { planOf } from '../laying/plan';
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
    const rounds = audition.rounds.map(({ name, date, time, isWeek }) => ({
      name,
      date,
      time,
      isWeek: isWeek === true
    }));
    return {
      ...headOnDay(rounds, planAtHead(plan), request.today),
      auditionId: audition.id,
      auditionName: audition.name,
      candidateId: candidate.id,
      candidateName: candidate.name,
      instruments: candidate.instruments,
      began: audition.beganOn,
      rounds,
      dates: audition.dates.map(({ date, name }) => ({ date, name }))
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
