/** How the desk is set on this device. What is unreadable there is as if nothing was set. */
import { CLICK_STAGES, type ClickStage } from '$lib/core/click/pattern';

export type DeskSettings = {
  readonly stage: ClickStage;
  /** Notes to a plain beat where it is subdivided. */
  readonly parts: number;
  readonly isCounted: boolean;
  /** The bar before a run is heard, too: for whoever has headphones on. */
  readonly isRunHeard: boolean;
  /** 0 to 1. */
  readonly volume: number;
  /** A key learnt besides the pedal's usual ones; empty where none is. */
  readonly cleanKey: string;
  readonly notYetKey: string;
};

export const USUAL_SETTINGS: DeskSettings = {
  stage: 'beats',
  parts: 2,
  isCounted: true,
  isRunHeard: false,
  volume: 0.7,
  cleanKey: '',
  notYetKey: ''
};
const PLACE = 'irvot-desk-settings';

export function readSettings(): DeskSettings {
  try {
    const kept = JSON.parse(localStorage.getItem(PLACE) ?? '{}') as Partial<DeskSettings>;
    const read = { ...USUAL_SETTINGS, ...kept };
    return CLICK_STAGES.includes(read.stage) && read.volume >= 0 && read.volume <= 1 ? read : USUAL_SETTINGS;
  } catch {
    return USUAL_SETTINGS;
  }
}

export const keepSettings = (settings: DeskSettings) => localStorage.setItem(PLACE, JSON.stringify(settings));
