/**
 * A use case is told who asks and checks it before anything is read. `rule` says who may, `owner` whose things
 * it is about. A test walks every one of them with the wrong person.
 */
import type { App, Holder, Who } from '../app';
import { noteRollback } from '../db/open';
import { CodedError, isDiskFull } from '../errors';
import { serverLog } from '../log';

/**
 * anyone: also without an account. holder: who has a link or address of that kind, about what it opens. self: whoever is signed in, about their own account. teacher: the studio's teacher. see: the teacher, or the candidate it is about. own: the same, but for
 * a candidate who was put away.
 */
type Rule = 'anyone' | 'holder' | 'self' | 'teacher' | 'see' | 'own';

export type UseCase<Input, Output, About = never> = {
  (app: App, who: Who, input: Input): Output;
  readonly rule: Rule;
  /** Whether somebody may, before anything else of theirs is read; throws CodedError where not. */
  readonly may: (app: App, who: Who, about: About) => void;
};

type Definition<Input, Output, About> = {
  readonly run: (app: App, input: Input, who: Who) => Output;
  /** Done when its transaction is closed. */
  readonly afterwards?: (app: App) => void;
} & (
  | { readonly rule: 'anyone' | 'self' | 'teacher' }
  | { readonly rule: 'holder'; readonly grant: Holder['grant'] }
  | {
      readonly rule: 'own' | 'see';
      /** Id of the candidate it is about; undefined where the thing does not exist. */
      readonly owner: (app: App, input: About) => string | undefined;
    }
);

/** Runs in one transaction. */
export function useCase<Input extends About, Output, About = unknown>(
  definition: Definition<Input, Output, About>
): UseCase<Input, Output, About> {
  const may = (app: App, who: Who, about: About) => check(definition, app, who, about);
  const checked = (app: App, who: Who, input: Input): Output => {
    may(app, who, input);
    try {
      const output = app.db.transaction(() => definition.run(app, input, who))();
      definition.afterwards?.(app);
      return output;
    } catch (thrown) {
      noteRollback(app.db);
      throw sayWhyNot(thrown);
    }
  };
  return Object.assign(checked, { rule: definition.rule, may });
}

/** For work that waits (hashing a password); each step is its own transaction. */
export function waitingUseCase<Input extends About, Output, About = unknown>(
  definition: Definition<Input, Promise<Output>, About>
): UseCase<Input, Promise<Output>, About> {
  const may = (app: App, who: Who, about: About) => check(definition, app, who, about);
  const checked = (app: App, who: Who, input: Input): Promise<Output> => {
    may(app, who, input);
    return definition.run(app, input, who).catch((thrown: unknown) => {
      throw sayWhyNot(thrown);
    });
  };
  return Object.assign(checked, { rule: definition.rule, may });
}

/** A disk without room can happen to whatever writes. */
const sayWhyNot = (thrown: unknown) =>
  isDiskFull(thrown) ? new CodedError('disk-full', undefined, { cause: thrown }) : thrown;

function check<Input, Output, About>(
  definition: Definition<Input, Output, About>,
  app: App,
  who: Who,
  about: About
): void {
  if (definition.rule === 'anyone') return;
  if (definition.rule === 'holder') {
    if (who.kind !== 'holder' || who.grant !== definition.grant) throw new CodedError('link-spent');
    return;
  }
  if (who.kind === 'nobody' || who.kind === 'holder') throw new CodedError('not-signed-in');
  if (who.kind === 'teacher' || definition.rule === 'self') return;
  if (!('owner' in definition)) throw refusal(who.accountId);
  const candidateId = definition.owner(app, about);
  if (candidateId === undefined) throw new CodedError('not-found');
  if (candidateId !== who.candidateId) throw refusal(who.accountId);
  if (definition.rule === 'own' && who.isPutAway) throw new CodedError('put-away');
}

function refusal(accountId: string): CodedError {
  serverLog.warn({ accountId }, 'refused');
  return new CodedError('not-allowed');
}

/** Who holds what was checked; RangeError where it is nobody's link. */
export function holderOf(who: Who): Holder {
  if (who.kind !== 'holder') throw new RangeError(`no holder of a link: ${who.kind}`);
  return who;
}
