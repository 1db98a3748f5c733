/** What pages show of auditions that are behind. */
import type { MockWord } from '../core/record/words';
import type { BeatUnit, Bpm } from '../core/units';

export type LastTime = {
  readonly auditionId: string;
  readonly name: string;
  /** Of its last round. */
  readonly on: string;
  /** In the panel's own words; empty where nobody said. */
  readonly result: string;
  readonly keep: string;
  /** What was asked, and how it went for who played. */
  readonly heard: readonly { readonly name: string; readonly word: MockWord }[];
};

/** A tempo that held in an audition that is behind. */
export type HeldBefore = {
  readonly bpm: Bpm;
  readonly unit: BeatUnit;
  readonly on: string;
  readonly audition: string;
};
