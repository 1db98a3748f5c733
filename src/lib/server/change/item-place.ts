/** An item of the list: what is printed is everyone's who took it, the rest one candidate's own. */
import { followBars } from '../../core/season';
import { sayToCome } from '../../schema/item';
import { type App, todayIn } from '../app';
import { CodedError, orNotFound } from '../errors';
import { findAudition } from '../store/audition';
import { findCandidate } from '../store/candidate';
import * as items from '../store/item';
import { boundDates } from './bounds';
import { place } from './place';

/** An item as it is typed: what is printed and what is this candidate's own. */
export type ItemInput = Omit<items.Printed, 'instrument' | 'pages' | 'key' | 'errata' | 'cuts'> &
  Pick<items.ListItem, 'mostPerDayMin' | 'schools' | 'holdsNow'> & {
    readonly instrument?: string | undefined;
    readonly pages?: string | undefined;
    readonly key?: string | undefined;
    readonly errata?: readonly Omit<items.Erratum, 'addedOn'>[] | undefined;
    readonly cuts?: readonly Omit<items.Cut, 'addedOn'>[] | undefined;
    /** Its sections are this candidate's alone; else they are the list's. */
    readonly hasOwnSections?: boolean | undefined;
  };

export const itemPlace = place<{ itemId: string }, Omit<items.ListItem, 'version'>, ItemInput>({
  read(app, { itemId }) {
    const item = items.findItem(app.db, itemId);
    if (!item) return undefined;
    const { version: _, ...state } = item;
    return state;
  },
  write(app, { itemId }, item) {
    const before = orNotFound(items.findItem(app.db, itemId));
    boundItem(app, before.auditionId, item);
    const taken = items.takenItems(app.db, before.listItemId);
    const isOwn = item.hasOwnSections === true && taken.length > 1;
    const sections = isOwn ? items.printedSections(app.db, before.listItemId) : item.sections;
    const today = todayOf(app, before.auditionId);
    items.savePrinted(app.db, before.listItemId, printedOf(item, sections, today, before));
    items.saveOwn(app.db, before.id, { ...ownOf(item), ownSections: isOwn ? item.sections : null });
    for (const other of taken.filter((t) => t.hasOwnSections && t.id !== before.id)) {
      const followed = followBars(other.sections, before, item);
      items.setOwnSections(app.db, other.id, followed ?? item.sections);
    }
  },
  touches: (app, { itemId }) => {
    const { auditionId } = orNotFound(items.ownerOfItem(app.db, itemId));
    return { callId: orNotFound(findAudition(app.db, auditionId)).callId };
  }
});

/** What is printed of an item as it was typed; what is new among errata and cuts is dated, what is left out stays. */
export function printedOf(
  item: ItemInput,
  sections: items.ListItem['sections'],
  today: string,
  before: Pick<items.Printed, 'instrument' | 'pages' | 'key' | 'errata' | 'cuts'> = {
    instrument: '',
    pages: '',
    key: '',
    errata: [],
    cuts: []
  }
): items.Printed {
  const {
    mostPerDayMin: _most,
    schools: _schools,
    holdsNow: _holds,
    hasOwnSections: _own,
    ...printed
  } = item;
  const { instrument, pages, key, errata, cuts } = item;
  return {
    ...printed,
    sections,
    instrument: instrument ?? before.instrument,
    pages: pages ?? before.pages,
    key: key ?? before.key,
    errata: errata
      ? errata.map(
          (e) => before.errata.find((b) => b.bar === e.bar && b.says === e.says) ?? { ...e, addedOn: today }
        )
      : before.errata,
    cuts: cuts
      ? cuts.map(
          (c) =>
            before.cuts.find((b) => b.fromBar === c.fromBar && b.toBar === c.toBar) ?? {
              ...c,
              addedOn: today
            }
        )
      : before.cuts
  };
}

export const ownOf = ({ mostPerDayMin, schools, holdsNow }: ItemInput) => ({
  mostPerDayMin,
  schools,
  holdsNow
});

const zoneOf = (app: App, auditionId: string) => {
  const { candidateId } = orNotFound(findAudition(app.db, auditionId));
  return orNotFound(findCandidate(app.db, candidateId)).zone;
};

/** Today where the candidate of an audition lives. */
export const todayOf = (app: App, auditionId: string) => todayIn(app, zoneOf(app, auditionId));

/** Throws CodedError where a section is due on a day out of reach, or is said to hold on a day to come. */
export function boundItem(app: App, auditionId: string, { sections, holdsNow = [] }: ItemInput): void {
  const due = sections.map((section) => section.dueOn);
  boundDates(app, zoneOf(app, auditionId), [...due, ...holdsNow.map(({ on }) => on)]);
  const ahead = holdsNow.find(({ on }) => on > todayOf(app, auditionId));
  if (ahead) throw new CodedError('date-unsound', `${sayToCome(ahead.on)} Nothing was changed.`);
}
