/** Touches where a climbing item would else rest too long, and once its ladder is done: where minutes are free, and never more than a day bears. */
import { type ReservedTouch, KEEP_WARM_EVERY_DAYS, MOST_BLOCKS_A_DAY, touchMinutes } from '../../plan';
import type { DayNumber, Minutes } from '../../units';
import type { ItemMinutes, SeasonFrame } from './frame';

/** Loads of days are told apart in so many steps. */
const STEPS = 8;

/** The touches that are missing beside what is laid. Cost: items x days. */
export function touchesBetween(
  frame: SeasonFrame,
  laid: readonly ItemMinutes[],
  touches: readonly ReservedTouch[]
): ReservedTouch[] {
  const days = [...frame.open].filter(([, minutes]) => minutes > 0).map(([day]) => day);
  const free = new Map(frame.open);
  const count = new Map<DayNumber, number>();
  const use = (day: DayNumber, minutes: Minutes) => {
    free.set(day, (free.get(day) ?? 0) - minutes);
    count.set(day, (count.get(day) ?? 0) + 1);
  };
  for (const { day, minutes } of [...touches, ...laid.flatMap((one) => one.allotments)]) use(day, minutes);
  const load = (day: DayNumber) =>
    Math.round((STEPS * (frame.open.get(day)! - free.get(day)!)) / frame.open.get(day)!);
  const more: ReservedTouch[] = [];
  for (const { owner, kind, asked, allotments } of laid) {
    const { climbing } = asked;
    if (kind !== 'ladder' || !climbing || !owner.stages) continue;
    const minutes = touchMinutes(owner.climb.runSeconds);
    const on = new Set(
      [...allotments, ...touches.filter((t) => t.id === owner.item.id)].map(({ day }) => day)
    );
    const lastBlock = allotments.at(-1)?.day ?? -Infinity;
    const { lastDaysFrom } = owner.stages;
    const own = days.filter((day) => day >= owner.stages!.began && day < lastDaysFrom);
    const isNew = climbing.lastPlayed === null && !count.has(days[0]!);
    let rests = 0;
    // of the days it rests, those on which a touch may have a place: what has none now has none later
    let rested: DayNumber[] = [];
    for (const day of own) {
      rests = on.has(day) ? 0 : rests + 1;
      if (rests === 0) rested = [];
      else rested.push(day);
      const usual = day <= lastBlock ? climbing.mostRest(day) : KEEP_WARM_EVERY_DAYS - 1;
      // who begins does so on the first day
      const most = isNew && day === days[0] ? 0 : usual;
      if (rests <= most) continue;
      rested = rested.filter((d) => free.get(d)! >= minutes && (count.get(d) ?? 0) < MOST_BLOCKS_A_DAY);
      // the later the better, but for a day that is much fuller than another
      const at = [...rested].sort((a, b) => load(a) - load(b) || b - a)[0];
      if (at === undefined) continue;
      use(at, minutes);
      more.push({ id: owner.item.id, day: at, minutes, kind: 'keep-warm' });
      rests = own.filter((d) => d > at && d <= day).length;
      rested = rested.filter((d) => d > at);
    }
  }
  return more;
}
