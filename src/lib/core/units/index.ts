export * from './quantity';
export * from './civil-date';
export * from './beat';
export type { Fault, Result } from './result';
