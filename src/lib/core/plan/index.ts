export * from './stage';
export * from './capacity';
export * from './rung-minutes';
export * from './allot';
export * from './milestone';
export * from './touches';
export * from './day-order';
