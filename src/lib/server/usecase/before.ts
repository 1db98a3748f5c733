/** What came before an audition: those of the same candidate that are behind, what was told of them, and what held then of the same works. */
import { dayOf } from '../../core/units';
import { isSameWork } from '../../core/season';
import type { HeldBefore, LastTime } from '../../schema/before-view';
import type { App } from '../app';
import { type Season, readSeason } from '../laying/facts';
import { type Audition, auditionsOf } from '../store/audition';
import { type ListItem, itemsOf } from '../store/item';
import { latestVersion } from '../store/plan-version';
import { roundDaysOf } from '../store/round-day';
import { candidateOfAudition } from './owner';
import { useCase } from './use-case';

type Known = Pick<Season, 'audition' | 'candidate'> & { readonly own: Pick<Season['own'], 'today'> };

/** All rounds are behind, the latest first. */
function behind(app: App, { audition, candidate, own }: Known): { one: Audition; on: string }[] {
  return auditionsOf(app.db, candidate.id)
    .filter(({ id }) => id !== audition.id)
    .flatMap((one) => {
      const on = one.rounds
        .map(({ date }) => date)
        .sort()
        .at(-1);
      return on !== undefined && on < own.today ? [{ one, on }] : [];
    })
    .sort((a, b) => (a.on < b.on ? 1 : -1));
}

/** What was told of each, in the order of `behind`; those of which nothing was told are not there. */
export function lastTimesOf(app: App, season: Known): LastTime[] {
  return behind(app, season).flatMap(({ one, on }) => {
    const told = roundDaysOf(app.db, one.id).flatMap(({ after }) => (after ? [after] : []));
    if (told.length === 0) return [];
    const names = new Map(itemsOf(app.db, one.id).map(({ id, name }) => [id, name]));
    return [
      {
        auditionId: one.id,
        name: one.name,
        on,
        result: told
          .map(({ result }) => result)
          .filter(Boolean)
          .join('\n'),
        keep: told
          .map(({ keep }) => keep)
          .filter(Boolean)
          .join('\n'),
        heard: told
          .flatMap(({ heard }) => heard)
          .flatMap(({ itemId, word }) => {
            const name = names.get(itemId);
            return name === undefined ? [] : [{ name, word }];
          })
      }
    ];
  });
}

export const readLastTimes = useCase({
  rule: 'see',
  owner: candidateOfAudition,
  run: (app: App, { auditionId }: { auditionId: string }): LastTime[] =>
    lastTimesOf(app, readSeason(app, auditionId))
});

/** What held last of the same bars of the same work, in an audition that is behind; null where nothing did. */
export function heldBefore(
  app: App,
  season: Known
): (item: ListItem, sectionId: string) => HeldBefore | null {
  const before = behind(app, season).map(({ one }) => ({
    name: one.name,
    items: itemsOf(app.db, one.id),
    planned: latestVersion(app.db, one.id)?.plan.items ?? []
  }));
  return (item, sectionId) => {
    const section = item.sections.find(({ id }) => id === sectionId);
    const found = before.flatMap(({ name, items, planned }) =>
      items
        .filter((old) => isSameWork(old, item))
        .flatMap((old) => {
          const same = old.sections.find(
            ({ fromBar, toBar }) => fromBar === section?.fromBar && toBar === section.toBar
          );
          const held = planned
            .find(({ id }) => id === old.id)
            ?.sections.find(({ id }) => id === same?.id)?.held;
          const unit = planned
            .find(({ id }) => id === old.id)
            ?.sections.find(({ id }) => id === same?.id)?.unit;
          return held && unit ? [{ bpm: held.bpm, unit, on: held.on, audition: name }] : [];
        })
    );
    return found.sort((a, b) => dayOf(b.on) - dayOf(a.on))[0] ?? null;
  };
}
