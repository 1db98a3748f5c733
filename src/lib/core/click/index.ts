export * from './engine';
export * from './tap';
