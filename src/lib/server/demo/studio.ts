/** The demo's invented studio: people, places, composers and works exist nowhere else. Days are counted from today. */
import { SANNE, TEO } from './far';
import { ILKA, JORRE, NOOR } from './near';
import { WIES } from './over';
import { type DemoCandidate, type DemoList, type DemoTaker, item, pulse, range } from './shape';

export const DEMO_TEACHER = { name: 'Marthe Oldenkott', login: 'marthe' };
export const DEMO_ZONE = 'Europe/Brussels';
export const DEMO_CANDIDATES: readonly (DemoCandidate | DemoTaker)[] = [ILKA, NOOR, SANNE, TEO, JORRE, WIES];
/** On one evening they play to one jury; the first is booked for it already. */
export const DEMO_EVENING = {
  inDays: 3,
  start: '14:30',
  place: 'parish hall',
  eachMin: 40,
  pauseMin: 5,
  before: { warmUpMin: 20, waitingMin: 10 },
  jurors: ['Jan', 'Lise', 'Marit'],
  players: [
    { name: NOOR.name, stage: 4, count: 4 },
    { name: TEO.name, stage: 2, count: 2 }
  ]
};

/** What the teacher has entered for somebody who will take it. */
export const DEMO_UNTAKEN: DemoList = {
  audition: 'Lockkeepers’ Wind Academy',
  round: { name: 'audition', inDays: 121, time: '11:00' },
  items: [
    item(
      'Étude 22, “Culvert”',
      {
        composer: 'Quill',
        kind: 'etude',
        metre: '3/4',
        bars: 64,
        lines: '8 8 8 8 / 8 8 8 8',
        tested: 'slurs over the break',
        key: 'E minor',
        ease: 1
      },
      range('quarter', 92, 104)
    ),
    item(
      'Overture “Lantern Weir”',
      {
        composer: 'Aldane',
        kind: 'excerpt',
        metre: '4/4',
        bars: 22,
        lines: '6 5 / 5 6',
        tested: 'an even long tone',
        from: 118,
        ease: 1
      },
      pulse('half', 84)
    )
  ]
};
