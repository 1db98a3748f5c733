export * from './stages';
export * from './draw';
export * from './gap';
