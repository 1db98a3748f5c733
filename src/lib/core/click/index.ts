export * from './engine';
export * from './pattern';
export * from './tap';
