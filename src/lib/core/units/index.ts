export * from './quantity';
export * from './civil-date';
export * from './beat';
export * from './bars';
export * from './per-list';
export * from './random';
export type { Fault, Result } from './result';
