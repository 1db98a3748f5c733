/**
 * A use case is told who asks and checks it before anything is read. `rule` says who may, `about` whose things
 * it is about. A test walks every one of them with the wrong person.
 */
import type { App, Who } from '../app';
import { noteRollback } from '../db/open';
import { CodedError } from '../errors';

/** anyone: also without an account. teacher: the studio's teacher. own: the teacher, or the candidate it is about. */
type Rule = 'anyone' | 'teacher' | 'own';

export type UseCase<Input, Output> = {
  (app: App, who: Who, input: Input): Output;
  readonly rule: Rule;
};

type Definition<Input, Output> = {
  readonly run: (app: App, input: Input, who: Who) => Output;
} & (
  | { readonly rule: 'anyone' | 'teacher' }
  | {
      readonly rule: 'own';
      /** Id of the candidate it is about; undefined where the thing does not exist. */
      readonly about: (app: App, input: Input) => string | undefined;
    }
);

/** Runs in one transaction. */
export function useCase<Input, Output>(definition: Definition<Input, Output>): UseCase<Input, Output> {
  const checked = (app: App, who: Who, input: Input): Output => {
    check(definition, app, who, input);
    try {
      return app.db.transaction(() => definition.run(app, input, who))();
    } catch (thrown) {
      noteRollback(app.db);
      throw thrown;
    }
  };
  return Object.assign(checked, { rule: definition.rule });
}

/** For work that waits (hashing a password); each step is its own transaction. */
export function waitingUseCase<Input, Output>(
  definition: Definition<Input, Promise<Output>>
): UseCase<Input, Promise<Output>> {
  const checked = (app: App, who: Who, input: Input): Promise<Output> => {
    check(definition, app, who, input);
    return definition.run(app, input, who);
  };
  return Object.assign(checked, { rule: definition.rule });
}

function check<Input, Output>(definition: Definition<Input, Output>, app: App, who: Who, input: Input): void {
  if (definition.rule === 'anyone') return;
  if (who.kind === 'nobody') throw new CodedError('not-signed-in');
  if (who.kind === 'teacher') return;
  if (definition.rule !== 'own') throw new CodedError('not-allowed');
  const candidateId = definition.about(app, input);
  if (candidateId === undefined) throw new CodedError('not-found');
  if (candidateId !== who.candidateId) throw new CodedError('not-allowed');
}

/** The thing, or the coded error where it does not exist. */
export function found<T>(thing: T | undefined | null): T {
  if (thing === undefined || thing === null) throw new CodedError('not-found');
  return thing;
}
