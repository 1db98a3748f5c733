import { fireEvent, render, screen } from '@testing-library/svelte';
import { expect, it, vi } from 'vitest';
import type { TodayView } from '$lib/schema/view';
import type { DeskSession } from '$lib/state/desk.svelte';
import DayForms from './DayForms.svelte';

type Adding = TodayView['canAdd'][number];

/** A work of that name on each of two lists has an item of its own on each. */
const ofTwoLists = ['a', 'b'].map((itemId) => ({
  ...{ kind: 'ladder', itemId, sectionId: null, name: 'Gate song', bars: null, parts: [], isJoined: false },
  ...{ minutes: 8, why: '', dueOn: null, work: null, spots: [{ id: itemId }] }
})) as unknown as Adding[];

it('offers the spots of two items that have one name, each by itself', async () => {
  const add = vi.fn();
  const session = { isHurt: false, add } as unknown as DeskSession;
  render(DayForms, {
    props: { view: { canAdd: ofTwoLists } as unknown as TodayView, session, all: [], freeMin: 40 }
  });
  const offers = screen.getAllByRole('button', { name: 'one open spot in Gate song, 8 min' });
  expect(offers).toHaveLength(2);
  await fireEvent.click(offers[1]!);
  expect(add).toHaveBeenCalledWith(expect.objectContaining({ itemId: 'b' }), 1);
});
