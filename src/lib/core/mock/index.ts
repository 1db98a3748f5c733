export * from './stages';
export * from './draw';
export * from './gap';
export * from './ballot';
export * from './evening';
export * from './hard';
