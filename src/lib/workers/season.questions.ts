/** What the season's worker is asked, and what it answers. */
import type { Changes, Move, Names, Remedy, SeasonPlan, SeasonRequest, Step } from '../core/season';

export type SeasonQuestion =
  | {
      readonly kind: 'open';
      readonly request: SeasonRequest;
      readonly plan: SeasonPlan;
      readonly names: Names | null;
    }
  | { readonly kind: 'remedies'; readonly changes: Changes }
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
  | { readonly kind: 'remedies'; readonly remedies: readonly Remedy[] }
  | ({ readonly kind: 'lay' } & Scratch);
