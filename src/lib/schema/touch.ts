/** A touch of the log, held against the item it is of, as the quick line, the form or a file brings it. */
import { z } from 'zod';

type Played = { date: string; fromBar?: number | undefined; toBar?: number | undefined };

/** Bars in order and inside the item, and not later than today. */
export function refineTouch(
  played: Played,
  item: { fromBar: number; toBar: number; name: string },
  today: string,
  context: z.RefinementCtx
): void {
  const add = (path: string, message: string) => context.addIssue({ code: 'custom', path: [path], message });
  if (played.date > today) add('date', 'A touch is logged on its day or later, not ahead.');
  if (played.fromBar === undefined && played.toBar !== undefined)
    add('fromBar', `From which bar to bar ${played.toBar}?`);
  if (played.fromBar === undefined) return;
  const to = played.toBar ?? played.fromBar;
  if (to < played.fromBar) add('toBar', `The bars are upside down: ${played.fromBar} to ${to}.`);
  else if (played.fromBar < item.fromBar || to > item.toBar) {
    add(
      played.fromBar < item.fromBar ? 'fromBar' : 'toBar',
      `${item.name} has bars ${item.fromBar} to ${item.toBar}.`
    );
  }
}

/** What is wrong with a touch of the desk, which has no form: null where it is sound. */
export function sayTouchFault(
  played: Played,
  item: { fromBar: number; toBar: number; name: string },
  today: string
): string | null {
  const checked = z
    .custom<Played>()
    .superRefine((touch, context) => refineTouch(touch, item, today, context))
    .safeParse(played);
  return checked.success ? null : checked.error.issues[0]!.message;
}
