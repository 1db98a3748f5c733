/** Mocks as pages show them: the stages up to the round, and one of them with all that came of it. */
import { STAGES, placeStages } from '../../core/mock';
import { dayCapacity } from '../../core/plan';
import type { Drawn, Mock } from '../../core/record';
import { STAGE_NAMES } from '../../core/record/words';
import { dayOf, formatDate } from '../../core/units';
import { instantOf } from '../../core/units/zone';
import type { MockView, MocksView, StageView } from '../../schema/mock-view';
import type { App } from '../app';
import { grantEndsMs } from '../grant/grant';
import { type Season, readSeason } from '../laying/facts';
import { planOf } from '../laying/plan';
import { sayStage } from '../store/mock';
import { playedOf } from './mock-played';
import { isOver } from './mock-rules';

/** Where each stage stands, or would. */
export function stagesOf(
  app: App,
  { request, audition }: Season,
  mocks: readonly Mock[]
): Pick<MocksView, 'stages' | 'roundOn' | 'mockFrom'> {
  const plan = planOf(app, readSeason(app, audition.id))?.plan;
  const round = audition.rounds.find(({ date }) => date >= request.today);
  const roundOn = round ? dayOf(round.date) : null;
  const mockFrom = plan?.stages?.mockFrom ?? null;
  const latest = new Map(mocks.map((mock) => [mock.stage, mock]));
  // what comes before a stage that was played is behind, played or not
  const played = Math.max(0, ...mocks.filter(isOver).map(({ stage }) => stage));
  const open = STAGES.map((_, i) => i + 1).filter((stage) => stage > played && !latest.has(stage));
  const today = dayOf(request.today);
  const placed =
    roundOn === null
      ? null
      : placeStages({
          today,
          roundOn,
          windowDays: mockFrom === null ? 0 : Math.max(0, roundOn - dayOf(mockFrom)),
          stages: open,
          fixed: new Map([...latest].map(([stage, { date }]) => [stage, dayOf(date)])),
          canBe: (day) => dayCapacity(day, request.time).spans.length > 0
        });
  const stages = STAGES.map(({ expects, passes, minutes }, i): StageView => {
    const mock = latest.get(i + 1);
    const day = placed?.days.get(i + 1);
    return {
      stage: i + 1,
      name: STAGE_NAMES[i]!,
      date: mock?.date ?? (day === undefined ? null : formatDate(day)),
      time: mock?.time ?? null,
      mockId: mock?.id ?? null,
      isOver: mock !== undefined && isOver(mock),
      isPassed: mock === undefined && i + 1 < played,
      minutes,
      expects,
      passes
    };
  });
  return { stages, roundOn: round?.date ?? null, mockFrom };
}

/** A mock as it is shown. `isShown`: what is drawn is no secret to who looks. */
export function viewOfMock(app: App, mock: Mock, { items, candidate }: Season, isShown: boolean): MockView {
  const itemOf = new Map(items.map((item) => [item.id, item]));
  const over = isOver(mock);
  const shown = ({ itemId, fromBar, toBar, isOdd }: Drawn) => {
    const item = itemOf.get(itemId);
    const {
      name = 'off the list',
      barsPerLine = '',
      fromBar: first = fromBar,
      toBar: last = toBar
    } = item ?? {};
    return { itemId, name, fromBar, toBar, isOdd, item: { name, barsPerLine, fromBar: first, toBar: last } };
  };
  return {
    id: mock.id,
    stage: mock.stage,
    name: sayStage(mock.stage),
    date: mock.date,
    time: mock.time ?? null,
    place: mock.place,
    minutes: mock.minutes,
    number: mock.number,
    // what has been announced is no secret
    draw: (isShown ? mock.draw : mock.draw.slice(0, mock.at === null ? 0 : mock.at + 1)).map(shown),
    count: mock.draw.length,
    at: mock.at,
    sinceMs: mock.sinceMs,
    nowMs: app.now(),
    broken: mock.broken,
    played: playedOf(app, mock, items, candidate.id),
    evening: mock.evening ?? null,
    before: limitsOf(mock, candidate.zone),
    isOver: over,
    isOpened: mock.isOpened,
    jurors: mock.jurors.map(({ id, name, seat, ballot, settled }) => ({
      id,
      name,
      written: ballot.map(({ item }) => item),
      hasLink: grantEndsMs(app, 'juror', seat ?? id) !== null,
      hearsMore: seat !== undefined,
      ballot: mock.isOpened ? ballot : [],
      settled
    }))
  };
}

/** Warming up and waiting, up to the hour; null where there are no limits, or no hour. */
function limitsOf({ before, date, time }: Mock, zone: string): MockView['before'] {
  const startsMs = before && time ? instantOf(date, time, zone) : null;
  return before && startsMs !== null ? { ...before, startsMs } : null;
}
