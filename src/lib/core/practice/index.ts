export * from './touch';
export * from './held';
export * from './log-line';
