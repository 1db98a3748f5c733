/** The ladder or chain an item would have, before anything is planned: for showing what a choice of schools does. */
import type { Touch } from '../../practice';
import { type Bpm, type Minutes, dayOf } from '../../units';
import type { Bars } from '../facts/chain';
import { readClimb, touchesOf } from './climb';
import { type SeasonItem, schoolsOf } from '../facts/request';

export type ClimbPreview = {
  readonly sectionId: string;
  readonly rungs: readonly { readonly bpm: Bpm; readonly bars: Bars | null }[];
  readonly minutes: Minutes;
};

/** By section, in the item's order; sections without a rung left out. `log` may hold other items' touches too. */
export function previewClimb(item: SeasonItem, log: readonly Touch[], today: string): ClimbPreview[] {
  const day = dayOf(today);
  const touches = touchesOf(log, item.id, day);
  const climb = readClimb(item, touches, schoolsOf(item, undefined), { today: day, aways: [] }, undefined);
  return item.sections.flatMap(({ id: sectionId }) => {
    const rungs = climb.rungs.filter((rung) => rung.sectionId === sectionId);
    const minutes = rungs.reduce((sum, rung) => sum + rung.minutes, 0);
    return rungs.length > 0
      ? [{ sectionId, rungs: rungs.map(({ bpm, bars }) => ({ bpm, bars })), minutes }]
      : [];
  });
}
