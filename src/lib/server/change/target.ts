/** A candidate's own targets: within what is published and what a click can say; the list's where nobody else takes it. */
import { type SeasonSection, setTarget, targetFault } from '../../core/season';
import type { SectionTempo } from '../../core/tempo';
import type { App } from '../app';
import { CodedError } from '../errors';
import { type ListItem, setOwnSections, setPrintedSections, takenItems } from '../store/item';

/** Throws CodedError "target-outside" with the limits. */
export function withTarget(tempo: SectionTempo, bpm: number): SectionTempo {
  if (tempo.kind === 'free') throw new CodedError('no-target');
  const fault = targetFault(tempo, bpm);
  if (fault) throw new CodedError('target-outside', fault);
  return setTarget(tempo, bpm);
}

/** Sections of one candidate: their own where others take the list too. */
export function setSections(app: App, item: ListItem, sections: readonly SeasonSection[]): void {
  const isShared = takenItems(app.db, item.listItemId).length > 1;
  if (isShared || item.hasOwnSections) setOwnSections(app.db, item.id, sections);
  else setPrintedSections(app.db, item.listItemId, sections);
}
