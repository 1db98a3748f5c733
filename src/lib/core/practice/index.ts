export * from './touch';
export * from './desk';
export * from './desk-touch';
export * from './tempo-moves';
export * from './held';
export * from './log-line';
export * from './less-time';
