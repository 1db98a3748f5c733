/** What the season's worker is asked, and what it answers. */
import type { Changes, Move, Part, Remedy, SeasonPlan, SeasonRequest, Step } from '../core/season';

/** All that a season is laid from but its log. */
export type SeasonFacts = Omit<SeasonRequest, 'log'>;

export type Opening = {
  readonly auditionId: string;
  /** This audition, and the candidate's others where they are laid as one. */
  readonly parts: readonly (Omit<Part, 'request'> & { readonly facts: SeasonFacts })[];
  /** Where the logs are read, as JSON: one for each part. */
  readonly logsAt: string;
  /** As it stands. */
  readonly plan: SeasonPlan;
};

export type SeasonQuestion =
  | ({ readonly kind: 'open' } & Opening)
  | { readonly kind: 'next-remedy' }
  | { readonly kind: 'lay'; readonly changes: Changes };

export type Scratch = {
  readonly plan: SeasonPlan;
  /** Planned stairs by item. */
  readonly steps: Readonly<Record<string, readonly Step[]>>;
  /** Against the plan as it stands. */
  readonly moves: readonly Move[];
};

export type SeasonAnswer =
  | { readonly kind: 'open' }
  /** Null where there is no other. */
  | { readonly kind: 'next-remedy'; readonly remedy: Remedy | null }
  | ({ readonly kind: 'lay' } & Scratch);
