/** The ways to practise that one player is offered: the usual ones without those hidden, and the teacher's own. */
import type { DeskEvent, OwnMethod } from '../../record';
import { ELEMENTS } from '../elements';
import { inOrder } from '../event-order';
import { METHODS, type Method } from './catalogue';

export type Ways = {
  /** The teacher's own, those that are gone too: the log may name them. */
  readonly own: readonly (OwnMethod & { readonly isGone: boolean })[];
  /** Usual ones that are not offered, by id. */
  readonly hidden: readonly string[];
};
export const USUAL_WAYS: Ways = { own: [], hidden: [] };

export function readWays(events: readonly DeskEvent[]): Ways {
  const own = new Map<string, Ways['own'][number]>();
  const hidden = new Set<string>();
  for (const event of inOrder(events)) {
    if (event.kind === 'method') own.set(event.method.id, { ...event.method, isGone: event.isGone });
    if (event.kind === 'method-hidden') hidden[event.isHidden ? 'add' : 'delete'](event.method);
  }
  return { own: [...own.values()], hidden: [...hidden] };
}

const asMethod = ({ id, name, says, goodFor }: OwnMethod): Method => ({
  ...{ id, group: `own ${id}`, name, says },
  goodFor: ELEMENTS.filter((element) => goodFor.length === 0 || goodFor.includes(element))
});

/** The teacher's own first: they were added for a reason. */
export const waysOffered = ({ own, hidden }: Ways): Method[] => [
  ...own.filter(({ isGone }) => !isGone).map(asMethod),
  ...METHODS.filter(({ id }) => !hidden.includes(id))
];

/** A way by its id, whether it is still offered or not. */
export function wayOf(id: string | null | undefined, { own }: Pick<Ways, 'own'>): Method | undefined {
  const found = own.find((method) => method.id === id);
  return METHODS.find((method) => method.id === id) ?? (found && asMethod(found));
}
