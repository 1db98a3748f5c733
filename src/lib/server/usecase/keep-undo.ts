/** Keeps what stood there before, for usecase/undo.ts to put back. */
import type { App } from '../app';
import { type UndoStep, putUndoStep } from '../store/undo-step';
import { newToken } from '../token';

/** The secret by which it can be taken back. */
export function keepUndo(
  app: App,
  candidateId: string,
  kind: UndoStep['kind'],
  before: Record<string, unknown>
): string {
  const token = newToken();
  putUndoStep(app.db, { token, candidateId, kind, before }, app.now());
  return token;
}
