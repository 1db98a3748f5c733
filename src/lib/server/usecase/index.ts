/** Every use case of the house; a test walks this list with the wrong person. */
import * as archive from './archive';
import * as ballot from './ballot';
import * as around from './around';
import * as backup from './backup';
import * as before from './before';
import * as call from './call';
import * as calendar from './calendar';
import * as countback from './countback';
import * as desk from './desk';
import * as evening from './evening';
import * as heard from './heard';
import * as jurors from './jurors';
import * as kit from './kit';
import * as lesson from './lesson';
import * as list from './list';
import * as listener from './listener';
import * as log from './log';
import * as mockByHand from './mock-by-hand';
import * as mocks from './mocks';
import * as piano from './piano';
import * as pin from './pin';
import * as prescreen from './prescreen';
import * as readiness from './readiness';
import * as roundDay from './round-day';
import * as signIn from './sign-in';
import * as spots from './spots';
import * as studio from './studio';
import * as takes from './takes';
import * as undo from './undo';
import * as untaken from './untaken';
import * as usual from './usual';
import * as visit from './visit';
import * as ways from './ways';
import * as whatIf from './what-if';
import * as wish from './wish';
import type { UseCase } from './use-case';

function useCasesOf(module: Record<string, unknown>): [string, UseCase<never, unknown>][] {
  return Object.entries(module).filter(
    (entry): entry is [string, UseCase<never, unknown>] =>
      typeof entry[1] === 'function' && 'rule' in entry[1]
  );
}

export const USE_CASES = Object.fromEntries(
  [
    archive,
    around,
    backup,
    ballot,
    before,
    calendar,
    call,
    countback,
    desk,
    evening,
    heard,
    jurors,
    kit,
    lesson,
    list,
    listener,
    log,
    mockByHand,
    mocks,
    piano,
    pin,
    prescreen,
    readiness,
    roundDay,
    signIn,
    spots,
    studio,
    takes,
    undo,
    untaken,
    usual,
    visit,
    ways,
    whatIf,
    wish
  ].flatMap(useCasesOf)
);
