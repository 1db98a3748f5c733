/**
 * What may be stored at all: dates within reach and counts within what a studio can have, asked where things are kept, so that no form,
 * file or way back passes by. What is over the limits is refused with its sentence.
 */
import { outOfReach } from '../../core/season';
import { hasTooMany, mostExceptions, spanFault } from '../../schema/time';
import { type App, todayIn } from '../app';
import { CodedError } from '../errors';
import type { CandidateTime } from '../store/candidate';

/** More than any studio has (judgement); the archive takes as many. */
export const MOST = {
  candidates: { count: 2000, says: 'At most 2,000 candidates in one studio.' },
  calls: { count: 2000, says: 'At most 2,000 lists in one studio.' },
  auditions: { count: 200, says: 'At most 200 auditions of one candidate.' },
  items: { count: 80, says: 'At most 80 items on one list.' },
  wishes: { count: 2000, says: 'At most 2,000 wishes of one candidate.' },
  waiting: { count: 40, says: 'Forty wishes wait already; your teacher answers them first.' },
  touches: { count: 200_000, says: 'At most 200,000 touches of one item.' },
  deskEvents: { count: 20_000, says: 'At most 20,000 answers at the desk on one day.' },
  spots: { count: 4000, says: 'At most 4,000 entries about spots of one candidate.' },
  takes: { count: 5000, says: 'At most 5,000 takes of one candidate.' },
  silentTakes: { count: 50, says: 'Fifty takes wait for their sound already.' },
  remarks: { count: 100, says: 'A hundred remarks are there already: that is enough for one take.' },
  marks: { count: 500, says: 'At most 500 marks in one take.' },
  mocks: { count: 200, says: 'At most 200 mocks of one audition.' },
  drawn: { count: 60, says: 'At most sixty items in one mock.' },
  jurors: { count: 12, says: 'At most twelve jurors at one mock.' },
  tasks: { count: 100, says: 'At most a hundred tasks around one audition.' },
  evening: { count: 24, says: 'At most 24 candidates on one evening.' },
  said: { count: 5000, says: 'At most 5,000 words about the checks of one item.' },
  pins: { count: 2000, says: 'At most 2,000 pins of one item.' }
} as const;

/** Throws CodedError "too-many" where there would be more than may be. */
export function boundCount(what: keyof typeof MOST, count: number): void {
  if (count > MOST[what].count) throw new CodedError('too-many', `${MOST[what].says} Nothing was changed.`);
}

/** Throws CodedError "date-unsound" for the first date that is out of reach, seen from today where the candidate lives. */
export function boundDates(app: App, zone: string, dates: readonly (string | null | undefined)[]): void {
  const today = todayIn(app, zone);
  for (const date of dates) {
    const fault = date ? outOfReach(date, today) : null;
    if (fault) throw new CodedError('date-unsound', `${fault} Nothing was changed.`);
  }
}

/** What the bounds say of something, without its end for who typed it; null where it may be. */
export function sayBound(bound: () => void): string | null {
  try {
    bound();
    return null;
  } catch (thrown) {
    if (thrown instanceof CodedError) return thrown.message.replace(/ Nothing was changed\.$/, '');
    throw thrown;
  }
}

/** Throws CodedError where dated exceptions are too many, too long or out of reach. */
export function boundTime(app: App, zone: string, { exceptions }: CandidateTime): void {
  if (hasTooMany(exceptions)) throw new CodedError('too-many', `${mostExceptions} Nothing was changed.`);
  boundDates(
    app,
    zone,
    exceptions.flatMap((e) => [e.date, e.until])
  );
  const fault = exceptions.map((e) => spanFault(e.date, e.until ?? e.date)).find(Boolean);
  if (fault) throw new CodedError('date-unsound', `${fault} Nothing was changed.`);
}
