/**
 * The register of error codes: what a use case or store may throw, each with the sentence a person reads.
 * status.ts gives each its status. docs/errors.md lists them; a test walks all three.
 */
export const ERRORS = {
  'not-signed-in': 'Sign in first.',
  'not-allowed': 'This belongs to somebody else.',
  'not-found': 'There is nothing here; it may have been removed.',
  'changed-elsewhere':
    'This was changed in another window after you opened it. What you typed is still here and not saved: save again to put it over the other change, or reload to see that one.',
  'changed-since': 'It was changed again since then, so nothing was taken back. What is there now stays.',
  'date-unsound': 'That date cannot be. Nothing was changed.',
  'too-many': 'That is more than can be kept. Nothing was changed.',
  'wrong-sign-in': 'Name and password do not go together. Check both and try again.',
  'put-away': 'Your teacher has put this away for now: it can be read, and nothing is changed.',
  'too-many-attempts': 'Too many attempts. Wait a quarter of an hour, or ask your teacher for a new link.',
  'too-busy': 'Many are signing in at this moment. Nothing was done; try again in half a minute.',
  'disk-full':
    'The disk of the machine on which the studio runs is full: nothing was saved. Make room there, then send it again.',
  'password-weak': 'Choose another password: this one would be guessed.',
  'form-unreadable':
    'This was not sent as the page sends it, so nothing was done. Reload the page and try again.',
  'form-too-large': 'That is more than a form holds. Nothing was saved; send less at once.',
  'link-spent': 'This link has been used or is too old. Ask your teacher for a new one.',
  'visit-too-long':
    'Such a link is open for at most sixty days: choose an earlier day, and make another when it ends.',
  'visit-over': 'Choose today or a later day: until then the link opens.',
  'wish-gone': 'What this wish is about is on the list no more.',
  'login-taken': 'That sign-in name is taken; choose another.',
  'studio-has-teacher': 'This studio has its teacher already. Sign in.',
  'pin-in-the-past': 'That day is over: pin to today or a later day.',
  'taken-already': 'This candidate has taken that list already.',
  'name-not-typed': 'Type the name exactly as it stands there; nothing was erased.',
  'archive-unreadable': 'This file was not taken in; it is no sound archive. Nothing was changed.',
  'here-already': 'A candidate of this file is in the studio already. Nothing was changed.',
  'no-target': 'These bars are free: they have no tempo to aim for.',
  'target-outside': 'That tempo lies outside what is published or what a click can say.',
  'changes-unsound': 'These changes do not go together with what is there. Nothing was kept.',
  'slot-unsound': 'That slot cannot be. Nothing was changed.',
  'list-taken': 'Somebody takes this list by now: it is changed on their pages. Nothing was changed here.',
  'on-the-list': 'An item of that name is on the list already. Nothing was added.',
  'list-name-taken':
    'The studio has a list of that name already: take it instead, or give this one another name.',
  'sound-unreadable': 'This is no sound that can be read. Nothing was kept of it.',
  'sound-too-large':
    'A take has at most 200 MB: send it compressed (Opus, MP3 or M4A), or in parts. Nothing was kept of it.',
  'sounds-full':
    'The studio has as many recordings as it may: take some out, then send it again. It stays on this device meanwhile.',
  'nothing-marked': 'Mark where it is not clean first: what is not marked counts as clean.',
  'no-consent':
    'Nobody is recorded before a guardian has said yes: the teacher notes the day of it with the candidate.',
  'no-sharing':
    'No take of a minor is sent to anybody before a guardian has said yes to that: the teacher notes the day of it with the candidate.',
  'mock-past': 'That day is over: choose today or a later day.',
  'mock-ahead': 'What is written in was played: choose today or an earlier day.',
  'evening-late': 'The last of them would begin after midnight: begin earlier, or with fewer.',
  'mock-begun': 'This mock has begun: it is as it is drawn.',
  'mock-goes-on': 'The mock is not over: ballots are opened when all has been played.',
  'nothing-to-draw': 'There is nothing on the list that can be drawn.',
  'ballots-open': 'The ballots are read already: nothing more can be written.',
  'ballot-moved': 'This ballot goes on on another phone.',
  'demo-only': 'Entering by one click is for the demo only.'
} as const;

export type ErrorCode = keyof typeof ERRORS;

export class CodedError extends Error {
  constructor(
    readonly code: ErrorCode,
    detail?: string,
    options?: ErrorOptions
  ) {
    super(detail ?? ERRORS[code], options);
    this.name = 'CodedError';
  }
}

/** Whether something was not written for want of room. */
export const isDiskFull = (thrown: unknown) =>
  ['SQLITE_FULL', 'ENOSPC', 'EDQUOT'].includes((thrown as { code?: string } | null)?.code ?? '');

/** The thing, or the coded error where it does not exist. */
export function orNotFound<T>(thing: T | undefined | null): T {
  if (thing === undefined || thing === null) throw new CodedError('not-found');
  return thing;
}
