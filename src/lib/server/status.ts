/** The HTTP status of each error code; http.ts answers with them. */
import type { ErrorCode } from './errors';

export const STATUS: Record<ErrorCode, number> = {
  'not-signed-in': 401,
  'not-allowed': 403,
  'not-found': 404,
  'changed-elsewhere': 409,
  'changed-since': 409,
  'date-unsound': 400,
  'too-many': 400,
  'wrong-sign-in': 400,
  'put-away': 403,
  'too-many-attempts': 429,
  'too-busy': 503,
  'password-weak': 400,
  'form-unreadable': 400,
  'form-too-large': 413,
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
