/** A mock that was played without Irvot, written in afterwards from paper: what was heard, by whom; their words follow on their ballots. */
import { STAGES } from '../../core/mock';
import type { Drawn, Mock, MockBooked } from '../../core/record';
import { dayOf, isInside, sayBars } from '../../core/units';
import type { App } from '../app';
import { readBars } from '../../schema/printed';
import { boundCount, boundDates } from '../change/bounds';
import { CodedError } from '../errors';
import { readSeason } from '../laying/facts';
import type { ListItem } from '../store/item';
import { auditionOfMock, mocksOf, sayStage } from '../store/mock';
import { newJuror } from './jurors';
import { changeMock } from './mock-rules';
import { candidateOfAudition } from './owner';
import { useCase } from './use-case';

/** Bars as they are typed; "all", or nothing where it was not heard. */
type Heard = { readonly itemId: string; readonly bars: string };
const DAY_MS = 86_400_000;

/** What there is to write in: the items, and what a mock usually takes. */
export const readPaperMock = useCase({
  rule: 'own',
  owner: candidateOfAudition,
  run(app: App, { auditionId }: { auditionId: string }) {
    const { audition, candidate, items, request } = readSeason(app, auditionId);
    return {
      audition: { id: audition.id, name: audition.name },
      candidate: { id: candidate.id, name: candidate.name },
      today: request.today,
      newId: app.newId(),
      minutes: STAGES.map(({ minutes }) => minutes),
      items: items
        .filter(({ isLeftOut }) => !isLeftOut)
        .map(({ id, name, fromBar, toBar }) => ({ id, name, fromBar, toBar }))
    };
  }
});

/** Sent again under its id it is there once. Returns the secret by which it can be taken back. */
export const writeInMock = useCase({
  rule: 'own',
  owner: candidateOfAudition,
  run(
    app: App,
    input: {
      auditionId: string;
      id: string;
      booked: MockBooked;
      heard: readonly Heard[];
      jurors: readonly string[];
    }
  ): string {
    const { auditionId, id, booked, heard, jurors } = input;
    const { candidate, items, request } = readSeason(app, auditionId);
    const there = auditionOfMock(app.db, id);
    if (there !== undefined && there !== auditionId) throw new CodedError('not-allowed');
    boundDates(app, candidate.zone, [booked.date]);
    boundCount('mocks', mocksOf(app.db, auditionId).length + 1);
    boundCount('jurors', jurors.length);
    if (booked.date > request.today) throw new CodedError('mock-ahead');
    const draw = heard.flatMap((typed) => cutOf(items, typed));
    if (draw.length === 0)
      throw new CodedError('changes-unsound', 'Say what was heard: the bars of one item at least, or “all”.');
    const mock: Mock = {
      ...booked,
      id,
      number: 1,
      seed: 0,
      draw,
      at: draw.length,
      sinceMs: dayOf(booked.date) * DAY_MS,
      broken: [],
      played: [],
      isOpened: false,
      jurors: jurors.map((name) => newJuror(app, name))
    };
    return changeMock(app, auditionId, mock, `${sayStage(booked.stage)}, written in`, id);
  }
});

/** Throws CodedError "changes-unsound" with what is wrong about it. */
function cutOf(items: readonly ListItem[], { itemId, bars }: Heard): Drawn[] {
  if (bars.trim() === '') return [];
  const item = items.find(({ id }) => id === itemId);
  if (!item) throw new CodedError('changes-unsound');
  const read = /^all$/i.test(bars.trim()) ? item : readBars(bars);
  if (!read || !isInside(read, item) || read.fromBar > read.toBar)
    throw new CodedError(
      'changes-unsound',
      `${item.name}: write its bars as 12-24, or “all”. It has ${sayBars(item)}.`
    );
  return [{ itemId, fromBar: read.fromBar, toBar: read.toBar, isOdd: false }];
}
