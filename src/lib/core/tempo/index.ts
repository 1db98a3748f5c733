export * from './scale';
export * from './ladder';
export * from './target';
export * from './recordings';
export * from './against';
