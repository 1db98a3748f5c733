/** What a place of what is kept is: how it is read, what puts something there, and whose plans are laid from it. */
import type { App } from '../app';

/** Whose plans an edit touches. */
export type Touched =
  | { readonly auditionId: string }
  | { readonly candidateId: string }
  | { readonly callId: string }
  /** None's. */
  | null;

/** `About` says which one it is; `State` is what is there, and what a change can put there is `To`. */
export type Place<About, State, To = State> = {
  /** Undefined where the thing is gone. */
  readonly read: (app: App, about: About) => State | undefined;
  /** Throws CodedError where that cannot be kept. */
  readonly write: (app: App, about: About, to: To) => void;
  readonly touches: (app: App, about: About) => Touched;
};

export const place = <About, State, To = State>(one: Place<About, State, To>) => one;
