export * from './quantity';
export * from './civil-date';
export * from './beat';
export * from './bars';
export type { Fault, Result } from './result';
