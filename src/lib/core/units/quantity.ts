/**
 * Units as types: a number that carries its unit, so that minutes handed over as days do not compile,
 * while literals stay free. Nothing here converts; conversions live beside the quantity they belong to.
 */
declare const unit: unique symbol;

type Unit<N extends string> = number & { readonly [unit]?: N };

/** Whole minutes of practice. */
export type Minutes = Unit<'min'>;
/** Milliseconds of a sound, from its beginning. */
export type Milliseconds = Unit<'ms'>;
/** Days since 1970-01-01 in some civil calendar; the zone is the owner's. */
export type DayNumber = Unit<'day'>;
/** Beats a minute of a stated beat unit. */
export type Bpm = Unit<'bpm'>;
/** Steps of the traditional metronome scale; fractions lie between two settings. */
export type Clicks = Unit<'click'>;
/** A part of a whole, 0 to 1. */
export type Share = Unit<'share'>;
