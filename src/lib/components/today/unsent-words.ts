/** What was done at a desk, in few words: "24 November: 3 answers, a run". */
import type { DeskEvent } from '$lib/core/record';
import { dayOf, sayDate } from '$lib/core/units';

/** One, and several. */
const WORDS: Readonly<Record<DeskEvent['kind'], readonly [string, string]>> = {
  day: ['the day as it was begun', 'days as they were begun'],
  begin: ['a block begun', 'blocks begun'],
  move: ['an answer', 'answers'],
  undo: ['an answer taken back', 'answers taken back'],
  part: ['a change of part', 'changes of part'],
  key: ['a key of a scale', 'keys of scales'],
  page: ['a fresh page', 'fresh pages'],
  start: ['a start', 'starts'],
  spot: ['a spot', 'spots'],
  'spot-set': ['a word on a spot', 'words on spots'],
  'spot-heard': ['a spot heard again', 'spots heard again'],
  equipment: ['a mark of the instrument', 'marks of the instrument'],
  tones: ['what the tuner heard', 'sessions of the tuner'],
  hurt: ['that it hurt', 'times that it hurt'],
  well: ['that it is well', 'times that it is well'],
  elements: ['what did not hold', 'times what did not hold'],
  ran: ['a run', 'runs'],
  more: ['minutes more', 'times minutes more'],
  end: ['a block ended', 'blocks ended'],
  set: ['a change of the day', 'changes of the day'],
  add: ['a block put in', 'blocks put in'],
  method: ['a way to practise', 'ways to practise'],
  'method-hidden': ['a way put aside', 'ways put aside'],
  asked: ['what was asked for', 'things asked for']
};

export function sayEvents(events: readonly DeskEvent[]): string {
  const dates = [...new Set(events.map(({ date }) => date))].sort();
  return dates
    .map((date) => {
      const own = events.filter((event) => event.date === date);
      const kinds = [...new Set(own.map(({ kind }) => kind))];
      const parts = kinds.map((kind) => {
        const count = own.filter((event) => event.kind === kind).length;
        const [one, several] = WORDS[kind];
        return count === 1 ? one : `${count} ${several}`;
      });
      return `${sayDate(dayOf(date))}, ${parts.join(', ')}`;
    })
    .join('; ');
}
