/**
 * What can be done with what a day has free: open spots of several items, the item whose next rung is due first, something liked, or rest. Offered, never laid.
 * Source: the plan model, point 4 of "As a teacher would sign it"; from how many minutes on is judgement.
 */
import type { RoadBlock } from '../record';
import { type Minutes, dayOf, sayDate } from '../units';
import type { DeskBlock } from './desk';

/** Less than this is no block. */
const OFFERED_FROM_MIN: Minutes = 5;

/** More to choose from is a list to read (judgement). */
const MOST_WITH_SPOTS = 3;

type Adding = Omit<RoadBlock, 'id'>;
type Offer = { readonly block: Adding; readonly says: string };
type Day = {
  /** What can be added, as the day's page has it. */
  readonly canAdd: readonly Adding[];
  /** Blocks of the day that are not left out. */
  readonly blocks: readonly Pick<DeskBlock, 'kind' | 'itemId' | 'spots'>[];
  readonly freeMin: Minutes;
  /** Then only what asks nothing of the body. */
  readonly isHurt: boolean;
};

/** None where there is hardly time; each block fits what is free, and brings no spot that the day has already. */
export function offersFor({ canAdd, blocks, freeMin, isHurt }: Day): Offer[] {
  if (freeMin < OFFERED_FROM_MIN) return [];
  const fit = (block: Adding): Adding => ({ ...block, minutes: Math.min(block.minutes, freeMin) });
  const ofKind = (kind: string, says: string): Offer[] =>
    canAdd
      .filter((block) => block.kind === kind && !blocks.some((one) => one.kind === kind))
      .map((block) => ({ block: fit(block), says }));
  if (isHurt) return [...ofKind('quiet', 'quiet work, no instrument'), ...ofKind('rest', 'rest')];
  const laid = new Set(blocks.flatMap(({ spots = [] }) => spots.map(({ id }) => id)));
  const ofItems = canAdd
    .filter((block) => block.itemId !== null && !block.hunt)
    .map((block) => ({ ...block, spots: (block.spots ?? []).filter(({ id }) => !laid.has(id)) }));
  const spotted = asManyAsFit(
    ofItems.filter(({ spots }) => spots.length > 0).sort((a, b) => b.spots.length - a.spots.length),
    freeMin
  );
  const due = ofItems
    .filter(({ itemId }) => ![...spotted, ...blocks].some((one) => one.itemId === itemId))
    .flatMap((block) => (block.dueOn === null ? [] : [{ ...block, dueOn: block.dueOn }]))
    .sort((a, b) => (a.dueOn < b.dueOn ? -1 : 1))[0];
  return [
    ...spotted.map((block) => ({
      block: fit(block),
      says: `${countOf(block.spots.length)} in ${block.name}`
    })),
    ...(due ? [{ block: fit(due), says: `${due.name}, due on ${sayDate(dayOf(due.dueOn))}` }] : []),
    ...ofKind('liked', 'something you like'),
    ...ofKind('rest', 'rest')
  ];
}

/** One in any case, and what fits beside it. */
function asManyAsFit<B extends Adding>(blocks: readonly B[], freeMin: Minutes): B[] {
  let left = freeMin;
  return blocks.slice(0, MOST_WITH_SPOTS).filter(({ minutes }, i) => {
    const fits = i === 0 || minutes <= left;
    if (fits) left -= minutes;
    return fits;
  });
}

const countOf = (spots: number) => (spots === 1 ? 'one open spot' : `${spots} open spots`);
