/** The demo's invented studio: people, places, composers and works exist nowhere else. Days are counted from today. */
import { SANNE, TEO } from './far';
import { ILKA, NOOR } from './near';
import type { DemoCandidate } from './shape';

export const DEMO_TEACHER = { name: 'Marthe Oldenkott', login: 'marthe' };
export const DEMO_ZONE = 'Europe/Brussels';
export const DEMO_CANDIDATES: readonly DemoCandidate[] = [ILKA, NOOR, SANNE, TEO];
