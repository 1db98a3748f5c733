/** The HTTP status of each error code; http.ts answers with them. */
import type { ErrorCode } from './errors';

export const STATUS: Record<ErrorCode, number> = {
  'not-signed-in': 401,
  'not-allowed': 403,
  'not-found': 404,
  'changed-elsewhere': 409,
  'wrong-sign-in': 400,
  'too-many-attempts': 429,
  'link-spent': 410,
  'login-taken': 400,
  'studio-has-teacher': 409,
  'pin-in-the-past': 400,
  'taken-already': 409,
  'name-not-typed': 400,
  'archive-unreadable': 400,
  'here-already': 409,
  'no-target': 400,
  'target-outside': 400,
  'changes-unsound': 400,
  'slot-unsound': 400,
  'on-the-list': 409,
  'list-name-taken': 409,
  'demo-only': 403
};
