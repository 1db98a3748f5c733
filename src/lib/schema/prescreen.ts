/** What the page of a recorded round shows, and what it sends. */
import { z } from 'zod';
import { idField, longText, shortText } from '../core/record';

export const prescreenForm = z.object({
  round: idField,
  rules: longText.default(''),
  pattern: shortText.default('')
});
export const chooseForm = z.object({ round: idField, item: idField, take: z.string().max(60).default('') });
export const filmForm = z.object({ round: idField, item: idField, name: shortText.default('') });

type Named = { readonly id: string; readonly name: string };
export type PrescreenView = {
  readonly audition: Named;
  readonly candidate: Named;
  readonly today: string;
  /** Recorded rounds of the call. */
  readonly rounds: readonly (Named & { readonly date: string; readonly uploadBy: string })[];
  /** The one in hand; null where no round is recorded. */
  readonly round: {
    readonly id: string;
    readonly name: string;
    /** The recording day. */
    readonly date: string;
    /** When it should be sent. */
    readonly sendOn: string;
    readonly uploadBy: string;
    readonly rules: string;
    readonly pattern: string;
  } | null;
  readonly items: readonly (Named & {
    readonly cuts: readonly { readonly fromBar: number; readonly toBar: number }[];
    /** Without its ending. */
    readonly fileName: string;
    readonly film: string;
    /** With sound, under letters; of those that are not chosen nothing says when they were made. */
    readonly takes: readonly { readonly id: string; readonly letter: string }[];
    readonly chosen: {
      readonly id: string;
      readonly letter: string;
      readonly date: string;
      /** With its ending. */
      readonly file: string;
    } | null;
  })[];
  /** Names of items for which nothing is chosen. */
  readonly missing: readonly string[];
};
