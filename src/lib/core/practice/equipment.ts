/** Marks of the instrument, read from what was said: a new reed, other strings. */
import type { DeskEvent } from '../record';
import { inOrder } from './event-order';

export type EquipmentMark = { readonly id: string; readonly date: string; readonly says: string };

/** Those that stand, oldest first; one that was said anew keeps its day. */
export function equipmentIn(events: readonly DeskEvent[]): EquipmentMark[] {
  const marks = new Map<string, EquipmentMark>();
  for (const event of inOrder(events))
    if (event.kind === 'equipment')
      marks.set(event.mark, {
        id: event.mark,
        date: marks.get(event.mark)?.date ?? event.date,
        says: event.says
      });
  return [...marks.values()].filter(({ says }) => says !== '').sort((a, b) => (a.date < b.date ? -1 : 1));
}
