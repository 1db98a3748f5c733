/** The demo's invented studio: people, places, composers and works exist nowhere else. Days are counted from today. */
import { SANNE, TEO } from './far';
import { ILKA, JORRE, NOOR } from './near';
import type { DemoCandidate, DemoTaker } from './shape';

export const DEMO_TEACHER = { name: 'Marthe Oldenkott', login: 'marthe' };
export const DEMO_ZONE = 'Europe/Brussels';
export const DEMO_CANDIDATES: readonly (DemoCandidate | DemoTaker)[] = [ILKA, NOOR, SANNE, TEO, JORRE];
