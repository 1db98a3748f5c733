/** Secrets of the studio itself, made when first needed. */
import type { App } from './app';
import { findStudioKey, putStudioKey } from './store/account';
import { newToken } from './token';

export function studioKey(app: App, name: 'drafts' | 'changes'): string {
  const made = findStudioKey(app.db, name);
  const secret = made ?? newToken();
  if (!made) putStudioKey(app.db, name, secret);
  return secret;
}
