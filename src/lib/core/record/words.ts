/** The words that records choose from; by themselves, so that a page that only shows them carries no schema. */

/** Who vouches for a touch; the three are kept apart. */
export const EVIDENCE = ['self', 'teacher', 'recording'] as const;
export type Evidence = (typeof EVIDENCE)[number];

export const ITEM_KINDS = ['etude', 'excerpt', 'solo', 'scales', 'sight-reading'] as const;
export type ItemKind = (typeof ITEM_KINDS)[number];

/** How an item is worked (handbook section 3). */
export const STRATEGIES = ['ramp', 'chunks', 'drills', 'combined'] as const;
export type Strategy = (typeof STRATEGIES)[number];

export const RAMP_SHAPES = ['equal-percent', 'equal-bpm', 'smaller-near-top'] as const;
export type RampShape = (typeof RAMP_SHAPES)[number];
